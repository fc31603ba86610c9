/*
 * Beats parted into bars. The best way is found by dynamic programming over where bars begin and how long the one before was;
 * another length than the bar before is paid for.
 *
 *     beats    x . . x . . x . . x . . .      x stands out
 *     bars    |     |     |     |             3, 3, 3 …
 */
import type { BeatFeature } from './beat-features';

/** Beats to a bar that are usual. */
export const LENGTHS = [2, 3, 4, 5, 6, 7] as const;
/** What a bar of a length costs: common ones come first. */
const PRICE: Record<number, number> = { 2: 0.4, 3: 0.06, 4: 0, 5: 0.25, 6: 0.94, 7: 0.76 };
/** Of longer ones, which are only thought of where somebody says so. */
const DEAREST = 1;
const ANOTHER_LENGTH = 4;
/** What a beat inside of a bar that stands out costs, and what the middle of a long bar may earn. */
const INSIDE = 0.18;
const MIDDLE = 0.8;
const ALIKE = 1.5;
/** What it costs to begin inside of a bar. */
export const PICKUP = 1;

interface Step {
  score: number;
  from: number;
  length: number;
}

export interface Parted {
  /** Indexes of the beats that begin a bar, rising. Beats before the first are a pickup. */
  downbeats: number[];
  /** Beats of each bar but the last, which the end of the piece may cut. */
  lengths: number[];
  score: number;
}

interface Parting {
  /** Beats that are known to begin bars. */
  fixed?: ReadonlySet<number>;
  /** What a bar costs that is longer or shorter than the one before. */
  anotherLength?: number;
}

/** The best way to part beats into bars of such lengths. */
export function bestWay(
  features: readonly BeatFeature[],
  lengths: readonly number[],
  { fixed = new Set(), anotherLength = ANOTHER_LENGTH }: Parting = {},
): Parted {
  const n = features.length;
  // By beat and by the length of the bar that ends there.
  const at: Map<number, Step>[] = Array.from({ length: n + 1 }, () => new Map());
  for (let pickup = 0; pickup < Math.min(n, Math.max(...lengths)); pickup++)
    at[pickup]!.set(0, { score: -PICKUP * Math.min(1, pickup) - crossed(fixed, -1, pickup), from: -1, length: 0 });
  for (let i = 0; i < n; i++) {
    if (at[i]!.size === 0) continue;
    for (const length of lengths) {
      const end = Math.min(n, i + length);
      const own = barScore(features, i, length) - crossed(fixed, i, end);
      for (const [before, { score }] of at[i]!) {
        const change = before !== 0 && before !== length ? anotherLength : 0;
        const whole = score + own + likeBefore(features, i, length, before || length) - change;
        const there = at[end]!.get(length);
        if (!there || whole > there.score) at[end]!.set(length, { score: whole, from: i, length: before });
      }
    }
  }
  return wayBack(at);
}

/** What a known downbeat in the middle of a bar costs: more than all that a long piece may say against it. */
const CROSSED = 10_000;

/** Known downbeats that lie in the middle of a bar. */
function crossed(fixed: ReadonlySet<number>, from: number, to: number): number {
  let cost = 0;
  for (let i = from + 1; i < to; i++) if (fixed.has(i)) cost += CROSSED;
  return cost;
}

function wayBack(at: readonly Map<number, Step>[]): Parted {
  let length = 0;
  let score = -Infinity;
  for (const [own, step] of at.at(-1)!) if (step.score > score) [length, score] = [own, step.score];
  const downbeats: number[] = [];
  const lengths: number[] = [];
  let place = at.length - 1;
  for (let step = at[place]!.get(length); step && step.from >= 0; step = at[place]!.get(length)) {
    downbeats.push(step.from);
    lengths.push(length);
    place = step.from;
    length = step.length;
  }
  // The last bar may be cut by the end of the piece.
  return { downbeats: downbeats.reverse(), lengths: lengths.reverse().slice(0, -1), score };
}

/** What speaks for a bar that begins on a beat, but for what is like it. */
export function barScore(features: readonly BeatFeature[], from: number, length: number): number {
  const mark = (i: number) => features[from + i]?.mark ?? 0;
  let score = mark(0) - (PRICE[length] ?? DEAREST);
  for (let i = 1; i < length; i++) {
    const half = length % 2 === 0 && length >= 4 && i === length / 2;
    score += half ? MIDDLE * mark(i) : -INSIDE * Math.max(0, mark(i));
  }
  return score;
}

/** What a bar earns for being like what lies so many beats before it, as far as both reach. */
export function likeBefore(features: readonly BeatFeature[], from: number, length: number, before: number): number {
  const both = Math.min(length, before);
  return (ALIKE * alike(features, from, from - before, both) * both) / 4;
}

/** How much so many beats are like as many others: −1–1. */
function alike(features: readonly BeatFeature[], a: number, b: number, length: number): number {
  if (Math.min(a, b) < 0 || Math.max(a, b) + length > features.length) return 0;
  let [both, ofA, ofB] = [0, 0, 0];
  for (let i = 0; i < length; i++) {
    const [one, other] = [features[a + i]!.pattern, features[b + i]!.pattern];
    for (let part = 0; part < one.length; part++) {
      both += one[part]! * other[part]!;
      ofA += one[part]! ** 2;
      ofB += other[part]! ** 2;
    }
  }
  const size = Math.sqrt(ofA * ofB);
  return size > 0 ? both / size : 0;
}
