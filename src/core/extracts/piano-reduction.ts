/*
 * A score for two hands at a piano, for rehearsing: what two hands can hold of it, written as our way to a score writes a
 * piano, with the names, bars, repeats and tempos of the score.
 */
import { partOf, trackId, type PartId } from '../base';
import {
  mapSymbols,
  type Part,
  type PartBar,
  type PartLines,
  type Pitch,
  type Score,
  type SymbolInBar,
} from '../score';
import { NO_SETTINGS, type ConversionSettings } from '../settings';
import { asReceived, toScore } from '../to-score';
import { playedScore } from '../to-sequencer';
import type { Performance, PlayedTrack } from '../performance';
import type { Ticks } from '../time';
import { fitToHands, type HandSound } from './keyboard-hands';
import { soundingOf } from './sounding';

/** The one track it is made of. */
const TRACK = trackId('t0');
const PART = partOf(TRACK);
/** Between loud and soft. */
const VELOCITY = 80;

/** @param from whose notes are played; none for all pitched parts @param id the part's */
export function pianoReduction(score: Score, from: readonly PartId[] | null, id: PartId): Score {
  const parts = score.parts.filter((part) => !part.unpitched && (from === null || from.includes(part.id)));
  const sounds = fitToHands(parts.flatMap((part) => soundingOf(part, score)));
  const performance: Performance = { ...playedScore({ ...score, parts }).performance, tracks: [pianoTrack(sounds)] };
  // Short rests between chords are hard to read and say little.
  const settings: ConversionSettings = {
    ...NO_SETTINGS,
    staves: { [PART]: 2 },
    closeGaps: { [PART]: 'eighth' },
  };
  const [written] = toScore(performance, asReceived(settings, performance)).score.parts;
  if (!written) return { ...score, parts: [] };
  const part = named(written, { score, sounds, parts, id });
  return { ...score, parts: [{ ...part, bars: part.bars.map(withoutFillingRests) }] };
}

/** Where the upper voice of a hand tells the time, rests of the lower one only fill: they are not printed. */
function withoutFillingRests(bar: PartBar): PartBar {
  const met = new Set<number>();
  const voices = bar.voices.map((voice) => {
    if (!met.has(voice.staff)) {
      met.add(voice.staff);
      return voice;
    }
    const symbols = voice.symbols.map((symbol): SymbolInBar =>
      symbol.notes.length === 0 ? { ...symbol, hidden: true } : symbol,
    );
    return { ...voice, symbols };
  });
  return { ...bar, voices };
}

/** A tick is a written unit. */
const asTicks = (units: number): Ticks => units;

function pianoTrack(sounds: readonly HandSound[]): PlayedTrack {
  return {
    id: TRACK,
    chunk: 0,
    name: 'Piano',
    written: { abbreviation: 'Pno.', instrument: 'piano', solo: true, doublingOf: new Map() },
    channels: [1],
    port: null,
    programs: [{ tick: 0, channel: 1, program: 1, bankMsb: 0, bankLsb: 0 }],
    notes: sounds.map(({ start, end, key }, i) => ({
      id: i,
      key,
      velocity: VELOCITY,
      channel: 1,
      start: asTicks(start),
      end: asTicks(end),
    })),
    controllers: [],
    bends: [],
    texts: [],
  };
}

interface Source {
  score: Score;
  sounds: readonly HandSound[];
  parts: readonly Part[];
  id: PartId;
}

/** With the names the score gave its notes, its keys, and the dynamics that most of its parts have. */
function named(written: Part, { score, sounds, parts, id }: Source): Part {
  const pitchOf = (played: readonly number[], pitch: Pitch) => sounds[played[0] ?? -1]?.pitch ?? pitch;
  const bars = mapSymbols(written.bars.slice(0, score.bars.length), (symbol) =>
    symbol.notes.length === 0
      ? symbol
      : { ...symbol, notes: symbol.notes.map((note) => ({ ...note, pitch: pitchOf(note.played, note.pitch) })) },
  );
  return {
    ...written,
    id,
    bars,
    writtenKeys: score.keys.map(({ fifths }) => fifths),
    lines: { ...written.lines, ...sharedDynamics(parts) },
  };
}

/** Signs that more than half of the parts with any have in one place. */
function sharedDynamics(parts: readonly Part[]): Pick<PartLines, 'dynamics' | 'hairpins'> {
  const marked = parts.filter(({ lines }) => lines.dynamics.length > 0);
  const shared = <T>(of: (lines: PartLines) => readonly T[], words: (one: T) => string): T[] => {
    const counts = new Map<string, { one: T; parts: number }>();
    for (const { lines } of marked)
      for (const [word, one] of new Map(of(lines).map((mark) => [words(mark), mark])))
        counts.set(word, { one, parts: (counts.get(word)?.parts ?? 0) + 1 });
    return [...counts.values()].filter((count) => count.parts * 2 > marked.length).map(({ one }) => one);
  };
  return {
    dynamics: shared(
      ({ dynamics }) => dynamics,
      ({ at, level, printed }) => `${at} ${printed ?? level}`,
    ).sort((a, b) => a.at - b.at),
    hairpins: shared(
      ({ hairpins }) => hairpins,
      ({ start, end, kind }) => `${start} ${end} ${kind}`,
    ).sort((a, b) => a.start - b.start),
  };
}
