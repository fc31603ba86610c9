/* A tune as a band reads it: the melody at sounding pitch, its words, and the chords over it. */
import { highest, type PartId } from '../base';
import {
  concertScore,
  NO_LINES,
  mapSymbols,
  type Part,
  type PartBar,
  type Score,
  type ScoreNote,
  type SymbolInBar,
  type SymbolMarks,
  type VoiceBar,
} from '../score';
import { instrumentById } from '../instruments';
import type { Bar, MidiKey, WrittenUnits } from '../time';
import { wholeBarRest, withChordSymbols } from '../to-score';

/** Higher than that nobody sings; what a part that always sounds is worth, in half tones. */
const TUNE_HEIGHT: MidiKey = 76;
const SOUNDING = 24;
/** A single sung note is worth more than all that. */
const SUNG = 1000;

/** Whose tune it is: the part that is sung, otherwise one that is high and hardly ever silent. */
export function melodyOf({ parts, bars }: Score): PartId | null {
  const pitched = parts.filter(({ unpitched }) => !unpitched);
  const length = bars.reduce((sum, bar) => sum + bar.length, 0);
  const worth = (part: Part) => {
    const { sung, keys, notes, sounding } = lineOf(part);
    const percussion = instrumentById(part.instrument).family === 'percussion';
    const heard = SOUNDING * Math.min(1, sounding / length) - (percussion ? SOUNDING : 0);
    return SUNG * sung + Math.min(TUNE_HEIGHT, keys / Math.max(1, notes)) + heard;
  };
  const [first, ...others] = pitched;
  return others.reduce((best, part) => (worth(part) > worth(best) ? part : best), first!)?.id ?? null;
}

interface Line {
  /** Notes with words. */
  sung: number;
  /** Sum of the highest keys, and of how many. */
  keys: number;
  notes: number;
  sounding: WrittenUnits;
}

/** Parts are never changed: each is read once, however often it is asked about. */
const known = new WeakMap<Part['bars'], Line>();

function lineOf({ bars }: Part): Line {
  const before = known.get(bars);
  if (before) return before;
  const line: Line = { sung: 0, keys: 0, notes: 0, sounding: 0 };
  for (const { voices } of bars)
    for (const { symbols } of voices)
      for (const { notes, marks, duration, cue, hidden } of symbols) {
        if (notes.length === 0 || cue || hidden) continue;
        if (marks?.lyrics?.length) line.sung++;
        line.keys += highest(notes.map(({ key }) => key));
        line.notes++;
        line.sounding += duration;
      }
  known.set(bars, line);
  return line;
}

/**
 * @param melody whose highest line of the first staff it is
 * @param id the part's
 * @throws Error when the score has no such part
 */
export function leadSheet(score: Score, melody: PartId, id: PartId): Score {
  const source = score.parts.find((part) => part.id === melody);
  if (!source) throw new Error(`There is no part ${melody}.`);
  const sounding = concertScore({ ...score, parts: [withChords(score, source)] });
  return { ...sounding, parts: sounding.parts.map((part) => tuneOf(part, sounding, id)) };
}

/** Symbols that are written somewhere are believed; otherwise they are found in the notes of all parts. */
function withChords(score: Score, source: Part): Part {
  if (source.harmonies?.some(({ suggested }) => !suggested)) return source;
  const rule = { use: 'on', from: null, over: source.id } as const;
  const { parts, bars, keys } = score;
  return withChordSymbols.run({ parts, bars, keys, rule }).find((part) => part.id === source.id) ?? source;
}

function tuneOf(part: Part, { bars }: Score, id: PartId): Part {
  const [clef] = part.clefs;
  const tune = part.bars.map((bar, b): PartBar => ({ voices: [tuneIn(bar, bars[b]!)] }));
  return {
    ...part,
    id,
    clefs: [clef!],
    clefChanges: part.clefChanges.filter(({ staff }) => staff === 1),
    tablature: null,
    staffLines: 5,
    lines: {
      ...NO_LINES,
      slurs: part.lines.slurs.filter(({ voice, endVoice = voice }) => voice === 1 && endVoice === 1),
      octaveLines: part.lines.octaveLines.filter(({ staff }) => staff === 1),
    },
    bars: withLooseTiesCut(tune),
  };
}

/** The first voice of the first staff that has notes, its highest notes alone. */
function tuneIn({ voices }: PartBar, bar: Bar): VoiceBar {
  const first = voices
    .filter(({ staff }) => staff === 1)
    .sort((a, b) => a.voice - b.voice)
    .find((voice) => voice.symbols.some(({ notes, cue, hidden }) => notes.length > 0 && !cue && !hidden));
  return { staff: 1, voice: 1, symbols: first ? first.symbols.map(topOf) : [wholeBarRest(bar)] };
}

function topOf({ notes, marks, cue, hidden, ...symbol }: SymbolInBar): SymbolInBar {
  if (notes.length === 0 || cue || hidden) return { ...symbol, notes: [] };
  const { staff: _crossing, fingering: _fret, ...top } = notes.reduce((a, b) => (b.key > a.key ? b : a));
  const kept = marks && tuneMarks(marks);
  return { ...symbol, notes: [top], ...(kept && Object.keys(kept).length > 0 && { marks: kept }) };
}

/** What belongs to the tune itself; how an instrument plays it does not. */
function tuneMarks({ lyrics, fermata, graces, trill, turn, neighbours, breath }: SymbolMarks): SymbolMarks {
  const kept = { lyrics, fermata, graces, trill, turn, neighbours, breath };
  return Object.fromEntries(Object.entries(kept).filter(([, mark]) => mark !== undefined));
}

/** Ties whose other note was left away lead nowhere. */
function withLooseTiesCut(bars: readonly PartBar[]): PartBar[] {
  const line = bars.flatMap(({ voices }) => voices.flatMap((voice) => voice.symbols));
  const tied = new Map<SymbolInBar, { from: boolean; to: boolean }>();
  line.forEach((symbol, i) => {
    const [note, before, after] = [symbol, line[i - 1], line[i + 1]].map((one) => one?.notes[0]);
    if (!note) return;
    const from = note.tieFromLast && before?.key === note.key && before.tieToNext;
    const to = note.tieToNext && after?.key === note.key && after.tieFromLast;
    tied.set(symbol, { from, to });
  });
  return mapSymbols(bars, (symbol) => {
    const ties = tied.get(symbol);
    if (!ties) return symbol;
    return {
      ...symbol,
      notes: symbol.notes.map((note): ScoreNote => ({ ...note, tieFromLast: ties.from, tieToNext: ties.to })),
    };
  });
}
