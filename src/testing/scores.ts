import { partId } from '../core/base';
import {
  NO_LINES,
  noteValue,
  type Part,
  type PartBar,
  type Pitch,
  type Score,
  type SymbolInBar,
  type SymbolMarks,
} from '../core/score';
import { layBars, QUARTER, type Bar } from '../core/time';

/* Small scores made by hand for tests. */

export function plainPart(bars: Part['bars'], more: Partial<Part> = {}): Part {
  return {
    id: partId('t1'),
    name: 'Flute',
    abbreviation: 'Fl.',
    instrument: 'flute',
    transposition: 0,
    transpositionSteps: 0,
    clefs: ['treble'],
    clefChanges: [],
    unpitched: false,
    struck: [],
    solo: false,
    channel: 1,
    program: 74,
    writtenKeys: [0],
    staffLines: 5,
    tablature: null,
    lines: NO_LINES,
    bars,
    ...more,
  };
}

export function plainScore(
  parts: Part[],
  bars: Bar[] = layBars([{ at: 0, beats: 4, beatType: 4 }], 4 * QUARTER * Math.max(1, parts[0]?.bars.length ?? 1)),
  more: Partial<Score> = {},
): Score {
  return {
    title: '',
    composer: '',
    rights: '',
    bars,
    signs: {},
    keys: [{ bar: 0, fifths: 0, mode: 'major' }],
    tempos: [],
    markers: [],
    swing: [],
    parts,
    ...more,
  };
}

export type Glyph = [key: number | null, quarters: number, marks?: SymbolMarks];
const STEPS: Pitch[] = [
  ['C', 0],
  ['C', 1],
  ['D', 0],
  ['E', -1],
  ['E', 0],
  ['F', 0],
  ['F', 1],
  ['G', 0],
  ['A', -1],
  ['A', 0],
  ['B', -1],
  ['B', 0],
].map(([step, alter]) => ({ step, alter, octave: 0 }) as Pitch);
export const named = (key: number): Pitch => ({ ...STEPS[key % 12]!, octave: Math.floor(key / 12) - 1 });

/** A bar of 4/4 that holds one chord. */
export function chordBar(...keys: number[]): PartBar {
  const notes = keys.map((key) => ({ key, pitch: named(key), tieFromLast: false, tieToNext: false, played: [] }));
  const chord: SymbolInBar = { at: 0, duration: 4 * QUARTER, type: 'whole', dots: 0, notes };
  return { voices: [{ staff: 1, voice: 1, symbols: [chord] }] };
}

/** A bar of one voice: keys with their lengths in quarters; null rests. */
export function barOf(...glyphs: Glyph[]): PartBar {
  let at = 0;
  const symbols = glyphs.map(([key, quarters, marks]): SymbolInBar => {
    const value = noteValue(quarters * QUARTER)!;
    const symbol: SymbolInBar = {
      at,
      duration: value.length,
      type: value.type,
      dots: value.dots,
      notes: key === null ? [] : [{ key, pitch: named(key), tieFromLast: false, tieToNext: false, played: [] }],
      ...(marks && { marks }),
    };
    at += value.length;
    return symbol;
  });
  return { voices: [{ staff: 1, voice: 1, symbols }] };
}
