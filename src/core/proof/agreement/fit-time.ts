/*
 * The clock of one music against that of another: an offset and a tempo ratio, so that a recording that begins later, or
 * a file at another tempo, is still the same music.
 *
 * Notes of one key that both sides have in nearly equal number are paired in order; the ratio is the median of the slopes
 * between pairs far apart (after Theil 1950 and Sen 1968), the offset the median of what is left. Whichever of a few
 * candidates lets most notes find one of their own key is taken.
 */
import { groupBy, median } from '../../base';
import type { Seconds } from '../../time';
import type { SoundingMusic } from './sounding-music';

/** `b = ratio · a + offset` */
export interface TimeFit {
  ratio: number;
  offset: Seconds;
}

export const SAME_TIME: TimeFit = { ratio: 1, offset: 0 };

/** Differences below these are none: a tick, a rounding. */
const NO_RATIO = 2e-4;
const NO_OFFSET: Seconds = 0.004;
/** A note has found one when it is so near. */
const NEAR: Seconds = 0.06;
/** From far to near: how far a note may be from its place while the clock is fitted closer and closer. */
const REACHES: readonly Seconds[] = [0.8, 0.4, 0.2, 0.1, NEAR];
const MOST_PAIRS = 4000;
const MOST_SAMPLED = 5000;

type Onsets = ReadonlyMap<number, readonly Seconds[]>;

export function fitTime(a: SoundingMusic, b: SoundingMusic): TimeFit {
  const [ofA, ofB] = [onsetsByKey(a), onsetsByKey(b)];
  const [firstA, lastA] = ends(ofA);
  const [firstB, lastB] = ends(ofB);
  if (firstA === null || firstB === null || lastA === null || lastB === null) return SAME_TIME;
  const stretched = lastA > firstA && lastB > firstB ? (lastB - firstB) / (lastA - firstA) : 1;
  const some = sampled(ofA);
  const candidates: TimeFit[] = [
    SAME_TIME,
    { ratio: 1, offset: firstB - firstA },
    { ratio: stretched, offset: firstB - stretched * firstA },
    ...paired(ofA, ofB),
  ];
  const closer = candidates.map((fit) => REACHES.reduce((now, reach) => refined(now, some, ofB, reach), fit));
  const scored = [...candidates, ...closer].map((fit) => ({ fit, found: foundWith(fit, some, ofB) }));
  // The first of equals: nothing is shifted without need.
  const best = scored.reduce((x, y) => (y.found > x.found * 1.002 ? y : x));
  const { ratio, offset } = refined(best.fit, some, ofB, NEAR);
  const plain = Math.abs(ratio - 1) < NO_RATIO;
  if (plain && Math.abs(offset) < NO_OFFSET) return SAME_TIME;
  return plain ? { ratio: 1, offset: refinedOffset(1, some, ofB, offset) } : { ratio, offset };
}

function onsetsByKey({ parts }: SoundingMusic): Map<number, Seconds[]> {
  const byKey = groupBy(
    parts.flatMap((part) => part.notes),
    (note) => note.key,
  );
  return new Map([...byKey].map(([key, notes]) => [key, notes.map((note) => note.onset).sort((x, y) => x - y)]));
}

/** Some thousand notes, evenly over the keys and the piece, are enough to tell a clock. */
function sampled(onsets: Onsets): Onsets {
  const all = [...onsets.values()].reduce((sum, list) => sum + list.length, 0);
  const step = Math.max(1, Math.floor(all / MOST_SAMPLED));
  let n = 0;
  return new Map([...onsets].map(([key, list]) => [key, list.filter(() => n++ % step === 0)]));
}

function ends(onsets: Onsets): [Seconds | null, Seconds | null] {
  let [first, last]: [Seconds | null, Seconds | null] = [null, null];
  for (const list of onsets.values()) {
    if (first === null || list[0]! < first) first = list[0]!;
    if (last === null || list.at(-1)! > last) last = list.at(-1)!;
  }
  return [first, last];
}

/** Fits from notes paired in order, key by key where both sides have nearly as many. */
function paired(a: Onsets, b: Onsets): TimeFit[] {
  const pairs: [Seconds, Seconds][] = [];
  for (const [key, list] of a) {
    const other = b.get(key) ?? [];
    const count = Math.min(list.length, other.length);
    if (count === 0 || count < 0.9 * Math.max(list.length, other.length)) continue;
    for (let i = 0; i < count && pairs.length < MOST_PAIRS; i++) pairs.push([list[i]!, other[i]!]);
  }
  if (pairs.length < 4) return [];
  pairs.sort((x, y) => x[0] - y[0]);
  const half = pairs.length >> 1;
  const slopes = pairs.slice(0, half).flatMap(([at, to], i) => {
    const [farAt, farTo] = pairs[i + half]!;
    return farAt - at > 0.5 ? [(farTo - to) / (farAt - at)] : [];
  });
  const ratio = slopes.length > 0 ? median(slopes) : 1;
  const fits = ratio > 0.05 && ratio < 20 ? [ratio, 1] : [1];
  return fits.map((slope) => ({ ratio: slope, offset: median(pairs.map(([at, to]) => to - slope * at)) }));
}

/** How many notes find one of their key near where they should be. */
function foundWith({ ratio, offset }: TimeFit, a: Onsets, b: Onsets): number {
  let found = 0;
  for (const [key, list] of a) {
    const other = b.get(key);
    if (!other) continue;
    const step = Math.max(1, Math.floor(list.length / 200));
    for (let i = 0; i < list.length; i += step) if (Math.abs(nearest(other, ratio * list[i]! + offset)) < NEAR) found++;
  }
  return found;
}

/** From a place to the nearest of a sorted list. */
function nearest(list: readonly Seconds[], at: Seconds): Seconds {
  let [low, high] = [0, list.length - 1];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (list[middle]! < at) low = middle + 1;
    else high = middle;
  }
  const after = list[low]! - at;
  const before = low > 0 ? list[low - 1]! - at : after;
  return Math.abs(before) < Math.abs(after) ? before : after;
}

function residuals({ ratio, offset }: TimeFit, a: Onsets, b: Onsets, reach: Seconds): [at: Seconds, left: Seconds][] {
  const left: [Seconds, Seconds][] = [];
  for (const [key, list] of a) {
    const other = b.get(key);
    if (!other) continue;
    for (const at of list) {
      const away = nearest(other, ratio * at + offset);
      if (Math.abs(away) < reach) left.push([at, away]);
    }
  }
  return left.sort((x, y) => x[0] - y[0]);
}

/** A line through what is left between notes and the nearest of their key. */
function refined(fit: TimeFit, a: Onsets, b: Onsets, reach: Seconds): TimeFit {
  const left = residuals(fit, a, b, reach);
  const third = Math.floor(left.length / 3);
  if (third < 8) return fit;
  const mean = (part: readonly [Seconds, Seconds][]) => [
    median(part.map(([at]) => at)),
    median(part.map(([, d]) => d)),
  ];
  const [early, late] = [mean(left.slice(0, third)), mean(left.slice(-third))];
  const slope = late[0]! - early[0]! > 5 ? (late[1]! - early[1]!) / (late[0]! - early[0]!) : 0;
  const ratio = fit.ratio + slope;
  return { ratio, offset: fit.offset + median(left.map(([at, d]) => d - slope * at)) };
}

function refinedOffset(ratio: number, a: Onsets, b: Onsets, offset: Seconds): Seconds {
  const left = residuals({ ratio, offset }, a, b, NEAR).map(([, d]) => d);
  const better = left.length > 0 ? offset + median(left) : offset;
  return Math.abs(better) < NO_OFFSET ? 0 : better;
}
