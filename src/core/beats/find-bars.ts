/*
 * Barlines among beats: where the bass moves, the harmony changes, long and strong notes begin, and what was played before
 * comes again. The best way to part the beats into bars is found by dynamic programming; another length than the bar before
 * is paid for.
 *
 *     beats    x . . x . . x . . x . . .      x stands out
 *     bars    |     |     |     |             3, 3, 3 …
 */
import { firstNotBefore } from '../base';
import type { Seconds } from '../time';
import type { Onset } from './onsets';
import { lengthsLeantOn, twoOrFour } from './leaning';

export interface FoundBars {
  /** Indexes of the beats that begin a bar, rising. Beats before the first are a pickup. */
  downbeats: number[];
  /** Beats of most bars. */
  beatsPerBar: number;
  /** How much better the best way is than the best of another single length, a bar: 0 says nothing, 1 a good deal. */
  evidence: number;
}

const LENGTHS = [2, 3, 4, 5, 6, 7] as const;
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
const PICKUP = 1;
/** What makes a beat stand out. */
const WEIGHTS = { accent: 0.2, loud: 0.5, moves: 0.1, harmony: 1.1, long: 1.2, bass: 0.8 };
/** General MIDI percussion: bass drums begin, crashes announce, snares answer. */
const KIT: Readonly<Record<number, number>> = { 35: 0.9, 36: 0.9, 49: 1.4, 57: 1.4, 38: -1.2, 40: -1.2, 39: -1.2 };

export interface BeatFeature {
  /** How much it stands out, told against those about it. */
  mark: number;
  /** How loudly it is struck, as of {@link Onset.loud}; null where nothing is struck. */
  loud: number | null;
  /** Accents of the beat and of what lies between it and the next. */
  pattern: number[];
}

/**
 * @param known beats that are known to begin bars
 * @param wanted lengths of bars that are thought of, in beats; the usual ones when absent
 */
export function findBars(
  beats: readonly Seconds[],
  onsets: readonly Onset[],
  known: readonly number[] = [],
  wanted?: readonly number[],
): FoundBars {
  const features = featuresOf(beats, onsets);
  const lengths = wanted ?? lengthsLeantOn(LENGTHS, features);
  const fixed = new Set(known);
  const best = bestWay(features, lengths, fixed);
  const beatsPerBar = mostCommon(best.lengths) ?? lengths[0]!;
  const others = (wanted ? LENGTHS : lengths)
    .filter((length) => length !== beatsPerBar)
    .map((length) => bestWay(features, [length], fixed).score);
  const bars = Math.max(1, best.lengths.length);
  const found = { downbeats: best.downbeats, beatsPerBar, evidence: (best.score - Math.max(...others)) / bars };
  return lengths.includes(2) ? twoOrFour(found, features) : found;
}

function mostCommon(lengths: readonly number[]): number | undefined {
  const counts = new Map<number, number>();
  for (const length of lengths) counts.set(length, (counts.get(length) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
}

interface Step {
  score: number;
  from: number;
  length: number;
}

/** The best way to part beats into bars of such lengths. */
export function bestWay(
  features: readonly BeatFeature[],
  lengths: readonly number[],
  fixed: ReadonlySet<number> = new Set(),
): { downbeats: number[]; lengths: number[]; score: number } {
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
        const change = before !== 0 && before !== length ? ANOTHER_LENGTH : 0;
        const whole = score + own - change;
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

function wayBack(at: readonly Map<number, Step>[]) {
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

function barScore(features: readonly BeatFeature[], from: number, length: number): number {
  const mark = (i: number) => features[from + i]?.mark ?? 0;
  let score = mark(0) - (PRICE[length] ?? DEAREST);
  for (let i = 1; i < length; i++) {
    const half = length % 2 === 0 && length >= 4 && i === length / 2;
    score += half ? MIDDLE * mark(i) : -INSIDE * Math.max(0, mark(i));
  }
  return score + (ALIKE * alike(features, from, length) * length) / 4;
}

/** How much a bar is like the one of the same length before it: −1–1. */
function alike(features: readonly BeatFeature[], from: number, length: number): number {
  if (from < length || from + length > features.length) return 0;
  const bar = (start: number) => features.slice(start, start + length).flatMap(({ pattern }) => pattern);
  const [a, b] = [bar(from), bar(from - length)];
  const norm = (x: readonly number[]) => Math.sqrt(x.reduce((sum, y) => sum + y * y, 0));
  const size = norm(a) * norm(b);
  return size > 0 ? a.reduce((sum, x, i) => sum + x * b[i]!, 0) / size : 0;
}

/** Parts of a beat that are looked at. */
const PARTS = 4;

/** What begins on a beat. */
interface Struck {
  accent: number;
  loud: number | null;
  long: number;
  kit: number;
  bass: number | null;
  pattern: number[];
}

/** What each beat is like. */
export function featuresOf(beats: readonly Seconds[], onsets: readonly Onset[]): BeatFeature[] {
  const profiles = beats.map((beat, i) => profile(onsets, beat, beats[i + 2] ?? beat + 2 * pace(beats, i)));
  const struck = struckOn(beats, onsets);
  const strengths = struck.map(({ accent, loud, long, kit }, i) => {
    const before = profiles[i - 2];
    const harmony = before ? apart(before, profiles[i]!) : 0;
    const { bass, moves } = bassAt(struck, i);
    return (
      WEIGHTS.accent * accent +
      WEIGHTS.loud * (loud ?? 0) +
      WEIGHTS.bass * bass +
      WEIGHTS.moves * moves +
      WEIGHTS.harmony * harmony +
      WEIGHTS.long * long +
      kit
    );
  });
  return strengths.map((strength, i) => {
    const about = strengths.slice(Math.max(0, i - 8), i + 9);
    const mean = about.reduce((sum, x) => sum + x, 0) / about.length;
    const spread = Math.sqrt(about.reduce((sum, x) => sum + (x - mean) ** 2, 0) / about.length);
    return { mark: (strength - mean) / (spread + 0.2), loud: struck[i]!.loud, pattern: struck[i]!.pattern };
  });
}

function struckOn(beats: readonly Seconds[], onsets: readonly Onset[]): Struck[] {
  let first = 0;
  return beats.map((beat, i) => {
    const period = pace(beats, i);
    while (onsets[first] && onsets[first]!.at < beat - period / 6) first++;
    const found: Struck = {
      accent: -0.8,
      loud: null,
      long: 0,
      kit: 0,
      bass: null,
      pattern: Array<number>(PARTS).fill(-0.3),
    };
    for (let k = first; onsets[k] && onsets[k]!.at < beat + period * (1 - 1 / 6); k++) {
      const { at, accent, loud, bass, drums, length } = onsets[k]!;
      const part = Math.min(PARTS - 1, Math.max(0, Math.round(((at - beat) / period) * PARTS)));
      found.pattern[part] = Math.max(found.pattern[part]!, accent + 0.3);
      if (part > 0) continue;
      found.kit += drums.reduce((sum, key) => sum + (KIT[key] ?? 0), 0);
      found.accent = Math.max(found.accent, accent);
      found.loud = Math.max(found.loud ?? loud, loud);
      found.long = Math.max(found.long, Math.min(2, length / period));
      if (bass !== null) found.bass = Math.min(found.bass ?? 127, bass);
    }
    return found;
  });
}

/** How far below its neighbours a beat reaches, in octaves up to one and a half; and whether the bass has moved. */
function bassAt(struck: readonly Struck[], i: number): { bass: number; moves: number } {
  const own = struck[i]!.bass;
  if (own === null) return { bass: 0, moves: 0 };
  const beside = [struck[i - 1]?.bass ?? null, struck[i + 1]?.bass ?? null].filter((bass) => bass !== null);
  const depth = beside.length > 0 ? (Math.min(...beside) - own) / 12 : 0;
  const last = struck.slice(Math.max(0, i - 8), i).findLast(({ bass }) => bass !== null)?.bass ?? null;
  const moves = own < 60 && (last === null || own % 12 !== last % 12) ? 1 : 0;
  return { bass: Math.max(0, Math.min(1.5, depth)), moves };
}

const pace = (beats: readonly Seconds[], i: number): Seconds =>
  beats[i + 1] !== undefined ? beats[i + 1]! - beats[i]! : beats[i]! - (beats[i - 1] ?? beats[i]! - 0.5);

/** Which pitch classes sound between two times, by how long. */
function profile(onsets: readonly Onset[], from: Seconds, to: Seconds): number[] {
  const classes = Array<number>(12).fill(0);
  const first = firstNotBefore(onsets, from - 0.06, ({ at }) => at);
  for (let k = first; onsets[k] && onsets[k]!.at < to - 0.06; k++)
    for (const key of onsets[k]!.keys) classes[key % 12]! += Math.min(onsets[k]!.length, to - from);
  return classes;
}

/** 0 for the same harmony, 1 for nothing in common. */
function apart(a: readonly number[], b: readonly number[]): number {
  const norm = (x: readonly number[]) => Math.sqrt(x.reduce((sum, y) => sum + y * y, 0));
  const size = norm(a) * norm(b);
  return size > 0 ? 1 - a.reduce((sum, x, i) => sum + x * b[i]!, 0) / size : 0;
}
