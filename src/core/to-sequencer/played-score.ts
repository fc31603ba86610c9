/*
 * A score as a performance of itself: every sound exactly where it is written, bar after bar as they stand, with the
 * dynamics as velocities. It is what a score on its way to another score is held against.
 *
 *     written   |: ♩ ♩⁀♩ :|      →      played   x x     |      one bar each, repeats not taken; a tied note sounds once
 */
import { leadingTrack, partOf, trackId, type NoteId } from '../base';
import type { InstrumentId } from '../instruments';
import { type Performance, type PlayedNote, type PlayedTrack, type TextEvent } from '../performance';
import {
  mapSymbols,
  notesInTime,
  OpenTies,
  soundsOf,
  symbolsOf,
  type Part,
  type Score,
  type ScoreNote,
} from '../score';
import { USUAL_SEQUENCING } from '../settings';
import { buildTempoMap, QUARTER, type MeterEvent, type Ticks, type WrittenUnits } from '../time';
import { loudnessAt, loudnessCurve } from './dynamics/loudness-curve';
import { playedTempos } from './timeline/tempo';
import { timeLineOf } from './timeline/time-line';

/** A score whose notes know which played notes they are. */
export interface PlayedScore {
  /** Its parts bear the ids of the tracks, its notes those of the played notes: tied ones the same. */
  score: Score;
  /** A tick is a written unit. */
  performance: Performance;
}

/** What is struck and let go in one unit is heard as nothing. */
const SHORTEST: Ticks = 1;

export function playedScore(read: Score): PlayedScore {
  let next = 0;
  const parts = read.parts.map((part, p): Part => {
    const id = trackId(`t${p}`);
    const bars = mapSymbols(part.bars, (symbol) =>
      symbol.notes.length === 0
        ? symbol
        : { ...symbol, notes: symbol.notes.map((note) => ({ ...note, played: [next++] })) },
    );
    return { ...part, id: partOf(id), bars: withTiedNames(bars, read.bars) };
  });
  const score: Score = { ...read, parts };
  return { score, performance: performanceOf(score) };
}

/** The symbols of one sound bear the name of its first. */
function withTiedNames(partBars: Part['bars'], bars: Score['bars']): Part['bars'] {
  const names = new Map<ScoreNote, number>();
  const open = new OpenTies<number>();
  for (const { note, voice, at, until } of notesInTime(partBars, bars)) {
    const name = (note.tieFromLast ? open.take(note.key, at, voice, true) : null) ?? note.played[0]!;
    if (note.tieToNext) open.open(note.key, until, voice, name);
    names.set(note, name);
  }
  return mapSymbols(partBars, (symbol) =>
    symbol.notes.length === 0
      ? symbol
      : { ...symbol, notes: symbol.notes.map((note) => ({ ...note, played: [names.get(note)!] })) },
  );
}

/** A tick is a written unit. */
const asTicks = (units: number): Ticks => units;

function performanceOf(score: Score): Performance {
  const { bars, keys, markers, title, rights } = score;
  const line = timeLineOf(score, { playRepeats: false, onlyBars: null, padPickup: false });
  const tracks = score.parts.map((part, p) => trackOf(part, p, score));
  return {
    ticksPerQuarter: QUARTER,
    tempo: buildTempoMap(
      playedTempos(score, line).map(({ at, bpm }) => ({ tick: asTicks(at), microsecondsPerQuarter: 60_000_000 / bpm })),
      QUARTER,
    ),
    meters: metersOf(bars),
    numbering: [],
    bars,
    keys: keys.map(({ bar, fifths, mode }) => ({ at: bars[bar]?.start ?? 0, fifths, mode })),
    markers: markers.map(({ at, text }): TextEvent => ({ tick: asTicks(at), kind: 'marker', text })),
    encoding: 'utf-8',
    title,
    copyright: rights,
    tracks,
    lastNoteEnd: asTicks(bars.at(-1)!.start + bars.at(-1)!.length),
    warnings: [],
  };
}

function metersOf(bars: Score['bars']): MeterEvent[] {
  return bars
    .filter(({ meter }, b) => {
      const before = bars[b - 1]?.meter;
      return !before || before.beats !== meter.beats || before.beatType !== meter.beatType;
    })
    .map(({ start, meter }) => ({ at: start, beats: meter.beats, beatType: meter.beatType }));
}

function trackOf(part: Part, p: number, { bars }: Score): PlayedTrack {
  const curve = loudnessCurve(part, USUAL_SEQUENCING.levels);
  const channel = part.unpitched ? 10 : part.channel;
  const notes = soundsOf(part, bars).map(({ start, end, key, played }): PlayedNote => ({
    id: played[0]!,
    key,
    velocity: Math.max(1, Math.min(127, Math.round(loudnessAt(curve, start)))),
    channel,
    start: asTicks(start),
    end: Math.max(asTicks(end), start + SHORTEST),
  }));
  const program = (tick: WrittenUnits, number: number) => ({
    tick: asTicks(tick),
    channel,
    program: number,
    bankMsb: 0,
    bankLsb: 0,
  });
  return {
    id: leadingTrack(part.id),
    chunk: p,
    name: part.name,
    written: {
      abbreviation: part.abbreviation,
      instrument: part.instrument,
      solo: part.solo,
      doublingOf: doublingOf(part),
    },
    channels: notes.length > 0 ? [channel] : [],
    port: null,
    programs: [
      ...(part.program === null ? [] : [program(0, part.program)]),
      ...(part.programChanges ?? []).map(({ at, program: number }) => program(at, number)),
    ],
    notes,
    controllers: [],
    bends: [],
    texts: [],
  };
}

function doublingOf(part: Part): ReadonlyMap<NoteId, InstrumentId> {
  const found = new Map<NoteId, InstrumentId>();
  if (part.doublings)
    for (const { symbol } of symbolsOf(part))
      for (const { doubling, played } of symbol.notes)
        if (doubling !== undefined && played[0] !== undefined)
          found.set(played[0], part.doublings[doubling]!.instrument);
  return found;
}
