/*
 * A player who takes up other instruments: which transposition is read in each bar, and the words that say so.
 *
 *     Fl. | ♩ ♩ ♩ ♩ | to Piccolo  – | – | Piccolo  ♩ ♩ ♩ ♩ |
 *
 * The instrument of a bar is that of the first note which begins in it. Words: common practice of parts, no source.
 */
import type { CastPart } from '../../casting';
import type { Instrument } from '../../instruments';
import type { NoteId } from '../../performance';
import type { Doubling, PartBar, SymbolInBar, TranspositionChange } from '../../score';
import { barIndexAt, type Bar, type WrittenUnits } from '../../time';
import { writtenTransposition, type WrittenTransposition } from '../pitch/written-pitch';

type Doubled = Pick<CastPart, 'instrument' | 'doublings' | 'doublingOf'>;

interface Placed {
  id: NoteId;
  start: WrittenUnits;
}

/** From a bar on another instrument is played; `doubling` none: the part's own. */
interface Taking {
  bar: number;
  doubling: number | undefined;
  /** The first bar after the last note on the instrument before. */
  free: number;
}

/** Where the player changes, in order of bar. @param notes as they are written */
function takings({ doublingOf }: Doubled, notes: readonly Placed[], bars: readonly Bar[]): Taking[] {
  const starts = bars.map(({ start }) => start);
  const found: Taking[] = [];
  let now: number | undefined;
  let last = -1;
  for (const { id, start } of [...notes].sort((a, b) => a.start - b.start)) {
    const bar = barIndexAt(starts, start);
    const doubling = doublingOf.get(id);
    if (doubling !== now && bar > last) {
      found.push({ bar, doubling, free: last + 1 });
      now = doubling;
    }
    last = bar;
  }
  return found;
}

/** Bars at which a player reads another transposition than before, octaves apart: there a signature is printed. */
export function barsOfNewSignature(part: Doubled, notes: readonly Placed[], bars: readonly Bar[]): number[] {
  if (part.doublings.length === 0) return [];
  let now = part.instrument.transposition;
  return takings(part, notes, bars).flatMap(({ bar, doubling }) => {
    const before = now;
    now = instrumentOf(part, doubling).transposition;
    return (now - before) % 12 === 0 ? [] : [bar];
  });
}

function instrumentOf({ instrument, doublings }: Doubled, doubling: number | undefined): Instrument {
  return doubling === undefined ? instrument : doublings[doubling]!;
}

export interface DoublingPlan {
  doublings: Doubling[];
  /** What is read in each bar. */
  transpositions: WrittenTransposition[];
  changes: TranspositionChange[];
  takings: readonly Taking[];
}

/** @param concertKeys signatures of the piece */
export function planDoublings(
  part: Doubled,
  notes: readonly Placed[],
  bars: readonly Bar[],
  concertKeys: readonly number[],
): DoublingPlan {
  const own = writtenTransposition(part.instrument.transposition, concertKeys);
  if (part.doublings.length === 0)
    return { doublings: [], transpositions: bars.map(() => own), changes: [], takings: [] };
  const taken = takings(part, notes, bars);
  const read = [own, ...part.doublings.map(({ transposition }) => writtenTransposition(transposition, concertKeys))];
  const transpositions = bars.map(({ index }) => {
    const doubling = taken.findLast(({ bar }) => bar <= index)?.doubling;
    return read[doubling === undefined ? 0 : doubling + 1]!;
  });
  return {
    doublings: part.doublings.map(({ names, id, programs }) => ({
      name: names.en,
      instrument: id,
      program: programs[0] ?? null,
    })),
    transpositions,
    changes: transpositions.flatMap(({ semitones, steps }, bar) => {
      const before = transpositions[bar - 1];
      if (!before || (before.semitones === semitones && before.steps === steps)) return [];
      return [{ bar, transposition: semitones, transpositionSteps: steps }];
    }),
    takings: taken,
  };
}

/** Says over the first note which instrument it is, and in the rest before which one is to be taken up. */
export function sayDoublings(partBars: readonly PartBar[], part: Doubled, { takings: taken }: DoublingPlan): void {
  for (const { bar, doubling, free } of taken) {
    const name = instrumentOf(part, doubling).names.en;
    say(partBars[bar], (symbol) => symbol.notes.length > 0, name);
    if (free > 0 && free < bar) say(partBars[free], () => true, `to ${name}`);
  }
}

/** On the first symbol of the bar's first voice that is such a one. */
function say(bar: PartBar | undefined, such: (symbol: SymbolInBar) => boolean, words: string): void {
  const symbol = bar?.voices
    .flatMap(({ symbols }) => symbols)
    .sort((a, b) => a.at - b.at)
    .find(such);
  if (symbol) symbol.marks = { ...symbol.marks, words: [...(symbol.marks?.words ?? []), words] };
}
