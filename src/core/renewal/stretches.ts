/*
 * Which bars of a new version are which of the old one. Bars are aligned by what is struck in them (edit distance by
 * dynamic programming: Needleman & Wunsch 1970, from memory):
 *
 *     old   1  2  3  4  5            bar 3 was written anew, two bars were put in before bar 5
 *     new   1  2  3' 4  x  y  5
 */
import { firstNotBefore, groupBy } from '../base';
import { lastNotAfter, QUARTER, type Bar, type WrittenUnits } from '../time';

/** A bar of the old version and where it begins in the new one. */
export interface Stretch {
  from: WrittenUnits;
  to: WrittenUnits;
  now: WrittenUnits;
}

/** A note as bars are compared by it. */
export interface Mark {
  at: WrittenUnits;
  /** Of its track; the same on both sides. */
  track: number;
  key: number;
}

/** A note so little before a barline belongs behind it. */
const EARLY: WrittenUnits = QUARTER / 8;
/** Places inside a bar are compared so finely. */
const RASTER: WrittenUnits = QUARTER / 4;
/** What a bar costs that has no partner; a bar written anew is rather that than one taken out and one put in. */
const GAP = -0.15;
const ANEW = 0.01;
/** Two empty bars say little. */
const BOTH_EMPTY = 0.5;
/** So many pairs of bars are looked at. */
const MOST_PAIRS = 16_000_000;

/** @returns the bars of the old version that are still there, rising in both */
export function alignBars(
  before: { bars: readonly Bar[]; marks: readonly Mark[] },
  after: { bars: readonly Bar[]; marks: readonly Mark[] },
): Stretch[] {
  return alignSets(contentsOf(before.bars, before.marks), contentsOf(after.bars, after.marks)).map(([i, j]) => {
    const { start, length } = before.bars[i]!;
    return { from: start, to: start + length, now: after.bars[j]!.start };
  });
}

/** Where a place of the old version is now; null where its bar is gone. */
export function placeNow(stretches: readonly Stretch[], place: WrittenUnits): WrittenUnits | null {
  const found = stretches[firstNotBefore(stretches, place + 1, ({ from }) => from) - 1];
  return found && place >= found.from && place < found.to ? found.now + place - found.from : null;
}

/** So many notes are asked how much later they come now. */
const ASKED = 400;
const CLEAR = 0.4;

/** How much later most of the notes come in the new version; 0 where nothing is clear. */
export function mainShift(before: readonly Mark[], after: readonly Mark[]): WrittenUnits {
  const same = ({ track, key }: Mark) => track * 128 + key;
  const now = groupBy(after, same);
  const every = Math.max(1, Math.floor(before.length / ASKED));
  const asked = before.filter((_, i) => i % every === 0);
  const counts = new Map<number, number>();
  for (const mark of asked) {
    const shifts = new Set((now.get(same(mark)) ?? []).map(({ at }) => Math.round((at - mark.at) / RASTER) * RASTER));
    for (const shift of shifts) counts.set(shift, (counts.get(shift) ?? 0) + 1);
  }
  const [best] = [...counts].sort((a, b) => b[1] - a[1] || Math.abs(a[0]) - Math.abs(b[0]));
  return best && best[1] > CLEAR * asked.length ? best[0] : 0;
}

/**
 * The bars of the new version; or, where its music lies across them (a beat put in at the beginning), the bars of the old
 * one where their music is now.
 */
export function shiftedBars(before: readonly Bar[], after: readonly Bar[], shift: WrittenUnits): readonly Bar[] {
  const starts = new Set(after.map(({ start }) => start));
  const fitting = before.filter(({ start }) => starts.has(start + shift)).length;
  if (shift === 0 || fitting * 2 > Math.min(before.length, after.length)) return after;
  return before.map((bar) => ({ ...bar, start: bar.start + shift })).filter(({ start }) => start >= 0);
}

/** What is struck in each bar, each as a number. */
function contentsOf(bars: readonly Bar[], marks: readonly Mark[]): Set<number>[] {
  const starts = bars.map(({ start }) => start);
  const contents = bars.map(() => new Set<number>());
  for (const { at, track, key } of marks) {
    const bar = Math.max(0, lastNotAfter(starts, at + EARLY));
    const place = Math.round((at - (starts[bar] ?? 0)) / RASTER);
    contents[bar]?.add((track * 128 + key) * 4096 + place);
  }
  return contents;
}

function alignSets(a: readonly Set<number>[], b: readonly Set<number>[]): [number, number][] {
  let first = 0;
  while (first < Math.min(a.length, b.length) && likeness(a[first]!, b[first]!) === 1) first++;
  let last = 0;
  const left = Math.min(a.length, b.length) - first;
  while (last < left && likeness(a[a.length - 1 - last]!, b[b.length - 1 - last]!) === 1) last++;
  const middle = alignMiddle(a.slice(first, a.length - last), b.slice(first, b.length - last));
  return [
    ...Array.from({ length: first }, (_, i): [number, number] => [i, i]),
    ...middle.map(([i, j]): [number, number] => [i + first, j + first]),
    ...Array.from({ length: last }, (_, i): [number, number] => [a.length - last + i, b.length - last + i]),
  ];
}

function alignMiddle(a: readonly Set<number>[], b: readonly Set<number>[]): [number, number][] {
  if (a.length === 0 || b.length === 0) return [];
  // Beyond what can be compared bars stay where they are.
  if (a.length * b.length > MOST_PAIRS) return a.slice(0, b.length).map((_, i): [number, number] => [i, i]);
  const width = b.length + 1;
  const worth = new Float32Array((a.length + 1) * width);
  // 1: both go on, 2: the old bar is gone, 3: the new one was put in.
  const step = new Uint8Array(worth.length);
  for (let i = 0; i <= a.length; i++)
    for (let j = 0; j <= b.length; j++) {
      if (i === 0 && j === 0) continue;
      const cell = i * width + j;
      const pair = i > 0 && j > 0 ? worth[cell - width - 1]! + likeness(a[i - 1]!, b[j - 1]!) + ANEW : -Infinity;
      const gone = i > 0 ? worth[cell - width]! + GAP : -Infinity;
      const put = j > 0 ? worth[cell - 1]! + GAP : -Infinity;
      const best = Math.max(pair, gone, put);
      worth[cell] = best;
      if (best === pair) step[cell] = 1;
      else step[cell] = best === gone ? 2 : 3;
    }
  const pairs: [number, number][] = [];
  for (let i = a.length, j = b.length; i > 0 || j > 0;) {
    const kind = step[i * width + j];
    if (kind === 1) pairs.push([--i, --j]);
    else if (kind === 2) i--;
    else j--;
  }
  return pairs.reverse();
}

/** Share of what either has that both have; 1 only where both have something, all of it the same. */
function likeness(a: ReadonlySet<number>, b: ReadonlySet<number>): number {
  if (a.size === 0 && b.size === 0) return BOTH_EMPTY;
  let common = 0;
  for (const one of a) if (b.has(one)) common++;
  return common / (a.size + b.size - common);
}
