/*
 * Dynamics: loudness becomes a few signs and hairpins.
 *
 *     loudness   48 50 47 49 | 52 60 68 77 | 80 79 82 80
 *     written    p             <             mf
 *
 * Takes loudness points; gives dynamic signs and hairpins. The points are cut into stretches, level or sloping, with
 * the least sum of misfit and a price for each stretch (optimal partitioning: Jackson et al. 2005, from memory). A
 * level stretch takes the sign whose velocity lies nearest, unless the one in force lies about as near. What the
 * velocities of the signs are is common practice.
 */
import { DYNAMICS, type Dynamic, type DynamicMark, type Hairpin } from '../../score';
import { QUARTER, type WrittenUnits } from '../../time';
import { DYNAMIC_VELOCITY } from '../../score';
import type { Loudness, LoudnessPoint } from './loudness';
import type { MarkStrength } from '../../settings';

interface Stretch {
  /** Indices of its first point and of the one after its last. */
  from: number;
  to: number;
  sloping: boolean;
  /** Loudness at its first and last point. */
  first: number;
  last: number;
}

/** A stretch must explain this much more than none. */
const PRICE: Record<MarkStrength, number> = { few: 14, usual: 7, many: 5 };
const SLOPE_PRICE = 1.25;
/** Signs stand where bars begin rather than inside them. */
const INSIDE_A_BAR = 4;
/** Chance differences between one note and the next, at least. */
const LEAST_NOISE = 2.5;
const CONTINUOUS_NOISE = 3;
const MOST_POINTS = 96;
const LONGEST_HAIRPIN: WrittenUnits = 20 * QUARTER;
const SHORTEST_HAIRPIN: WrittenUnits = QUARTER;
const LEAST_CHANGE: Record<MarkStrength, number> = { few: 26, usual: 16, many: 11 };
/** A second sign in a bar says a difference of so much at least: two signs, as between *mp* and *f*. */
const SECOND_IN_A_BAR = 24;
/** The sign in force stays while its velocity is not farther off than the nearest one's by this. */
const HYSTERESIS = 5;
/** So much harder a single note is struck, and so long it lasts at most, to be an accent. */
const ACCENT = 16;
const LONGEST_ACCENT: WrittenUnits = 2 * QUARTER;
/** After so long a silence the sign is said again. */
const LONG_REST: WrittenUnits = 16 * QUARTER;

/** @param barOf index of the bar that holds a place */
export function findDynamics(
  { points: played, continuous }: Loudness,
  strength: MarkStrength,
  barOf: (at: WrittenUnits) => number,
): { dynamics: DynamicMark[]; hairpins: Hairpin[] } {
  const dynamics: DynamicMark[] = [];
  const hairpins: Hairpin[] = [];
  if (played.length === 0) return { dynamics, hairpins };
  const points = continuous ? played : withoutAccents(played);
  const stretches = cut(
    points,
    Math.max(LEAST_NOISE, continuous ? Math.min(CONTINUOUS_NOISE, noise(points)) : noise(points)),
    strength,
    barOf,
  );
  let level: Dynamic | null = null;
  let lastAt = -Infinity;
  const say = (at: WrittenUnits, staff: number, value: number, until: WrittenUnits) => {
    const next = signFor(value, level);
    const said = dynamics.at(-1);
    const second = said && barOf(said.at) === barOf(at) && !hairpins.some(({ end }) => end > said.at);
    if (second && Math.abs(DYNAMIC_VELOCITY[next] - DYNAMIC_VELOCITY[said.level]) < SECOND_IN_A_BAR) {
      // The one that goes on behind the bar is the bar's.
      if (barOf(until) === barOf(at)) return;
      dynamics[dynamics.length - 1] = { ...said, level: next };
    } else if (next !== level || at - lastAt > LONG_REST) dynamics.push({ at, staff, level: next });
    level = next;
  };
  stretches.forEach((stretch, i) => {
    const { at, staff } = points[stretch.from]!;
    const lastPoint = points[stretch.to - 1]!;
    const until = points[stretch.to]?.at ?? lastPoint.at + QUARTER;
    const change = stretch.last - stretch.first;
    const hairpin =
      stretch.sloping &&
      Math.abs(change) >= LEAST_CHANGE[strength] &&
      until - at <= LONGEST_HAIRPIN &&
      until - at >= SHORTEST_HAIRPIN;
    if (hairpin) {
      if (level === null || Math.abs(DYNAMIC_VELOCITY[level] - stretch.first) > 16)
        say(at, staff, stretch.first, until);
      hairpins.push({ start: at, end: until, staff, kind: change > 0 ? 'crescendo' : 'diminuendo' });
      // Where it leads is said by the stretch that follows; at the end, or before another hairpin, here.
      if (!stretches[i + 1] || stretches[i + 1]!.sloping) {
        const target = signFor(stretch.last, level);
        if (target !== level && stretches[i + 1]) say(until, points[stretch.to]!.staff, stretch.last, until);
        level = target;
      }
    } else say(at, staff, (stretch.first + stretch.last) / 2, until);
    lastAt = lastPoint.at;
  });
  return { dynamics, hairpins };
}

/**
 * A single note that is struck harder than those about it, as first beats are, is no dynamic: it takes their loudness, or
 * that of those after it where a section begins with it.
 */
function withoutAccents(points: readonly LoudnessPoint[]): LoudnessPoint[] {
  return points.map((point, i) => {
    const [before, after, later] = [points[i - 1], points[i + 1], points[i + 2]];
    if (!after || after.at - point.at > LONGEST_ACCENT) return point;
    const above = point.value - Math.max(before?.value ?? 0, after.value);
    const agree = (other: LoudnessPoint | undefined) => other && Math.abs(other.value - after.value) <= above / 2;
    if (above < ACCENT || !(agree(before) || agree(later))) return point;
    return { ...point, value: before && agree(before) ? (before.value + after.value) / 2 : after.value };
  });
}

function signFor(value: number, now: Dynamic | null): Dynamic {
  const away = (level: Dynamic) => Math.abs(DYNAMIC_VELOCITY[level] - value);
  const nearest = DYNAMICS.reduce((a, b) => (away(b) < away(a) ? b : a));
  return now !== null && away(now) <= away(nearest) + HYSTERESIS ? now : nearest;
}

/**
 * Standard deviation of a point around its neighbours: from the middle one of all second differences, so that slopes
 * and steps do not count.
 */
function noise(points: readonly LoudnessPoint[]): number {
  const away = points
    .slice(1, -1)
    .map((point, i) => Math.abs(point.value - (points[i]!.value + points[i + 2]!.value) / 2))
    .sort((a, b) => a - b);
  if (away.length === 0) return LEAST_NOISE * 2;
  // For a normal distribution: median of absolute values 0.6745 σ, and the difference has variance 1.5 σ².
  return away[away.length >> 1]! / 0.6745 / Math.sqrt(1.5);
}

/** Optimal partitioning into level and sloping stretches. */
function cut(
  points: readonly LoudnessPoint[],
  sigma: number,
  strength: MarkStrength,
  barOf: (at: WrittenUnits) => number,
): Stretch[] {
  const inside = points.map((point, i) => (i > 0 && barOf(points[i - 1]!.at) === barOf(point.at) ? INSIDE_A_BAR : 0));
  const n = points.length;
  const sums = prefixSums(points);
  const best = new Float64Array(n + 1);
  const cutAt = new Int32Array(n + 1);
  const slopes = new Uint8Array(n + 1);
  const scale = 2 * sigma * sigma;
  const slopePrice = PRICE[strength] * SLOPE_PRICE;
  // A beginning that is already dearer than the best way to here cannot become the best later (pruning: Killick et al.
  // 2012, from memory).
  const beginnings = new Int32Array(n);
  const bounds = new Float64Array(n);
  let open = 0;
  const errors: Errors = { level: 0, slope: 0 };
  for (let to = 1; to <= n; to++) {
    best[to] = Infinity;
    beginnings[open++] = to - 1;
    for (let i = 0; i < open; i++) {
      const from = beginnings[i]!;
      errorsOver(sums, from, to, errors);
      const { level, slope } = errors;
      const start = best[from]! + inside[from]!;
      const flat = start + level / scale + PRICE[strength];
      if (flat < best[to]!) {
        best[to] = flat;
        cutAt[to] = from;
        slopes[to] = 0;
      }
      bounds[i] = best[from]! + slope / scale;
      if (to - from < 3) continue;
      const sloping = start + slope / scale + slopePrice;
      if (sloping < best[to]!) {
        best[to] = sloping;
        cutAt[to] = from;
        slopes[to] = 1;
      }
    }
    let kept = 0;
    for (let i = 0; i < open; i++)
      if (bounds[i]! <= best[to]! && to - beginnings[i]! < MOST_POINTS) beginnings[kept++] = beginnings[i]!;
    open = kept;
  }
  const stretches: Stretch[] = [];
  for (let to = n; to > 0; to = cutAt[to]!) {
    const from = cutAt[to]!;
    const sloping = slopes[to] === 1;
    const { mean, slope, middle } = fitLine(sums, from, to);
    const at = (i: number) => (sloping ? mean + slope * (points[i]!.at / QUARTER - middle) : mean);
    stretches.unshift({ from, to, sloping, first: at(from), last: at(to - 1) });
  }
  return stretches;
}

interface Sums {
  t: Float64Array;
  tt: Float64Array;
  v: Float64Array;
  vv: Float64Array;
  tv: Float64Array;
}

function prefixSums(points: readonly LoudnessPoint[]): Sums {
  const make = (value: (point: LoudnessPoint, time: number) => number) => {
    const sums = new Float64Array(points.length + 1);
    points.forEach((point, i) => (sums[i + 1] = sums[i]! + value(point, point.at / QUARTER)));
    return sums;
  };
  return {
    t: make((_, t) => t),
    tt: make((_, t) => t * t),
    v: make(({ value }) => value),
    vv: make(({ value }) => value * value),
    tv: make(({ value }, t) => t * value),
  };
}

/** What least squares leave over: around a level, and around a straight line. */
interface Errors {
  level: number;
  slope: number;
}

/** Writes those of the points [from, to) into `errors`: this is called some million times for a score. */
function errorsOver({ t, tt, v, vv, tv }: Sums, from: number, to: number, errors: Errors): void {
  const n = to - from;
  const st = t[to]! - t[from]!;
  const sv = v[to]! - v[from]!;
  const spread = tt[to]! - tt[from]! - (st * st) / n;
  const together = tv[to]! - tv[from]! - (st * sv) / n;
  const level = Math.max(0, vv[to]! - vv[from]! - (sv * sv) / n);
  errors.level = level;
  errors.slope = spread > 1e-9 ? Math.max(0, level - (together * together) / spread) : level;
}

/** The straight line itself. */
function fitLine({ t, tt, v, tv }: Sums, from: number, to: number): { mean: number; middle: number; slope: number } {
  const n = to - from;
  const st = t[to]! - t[from]!;
  const middle = st / n;
  const mean = (v[to]! - v[from]!) / n;
  const spread = tt[to]! - tt[from]! - st * middle;
  return { mean, middle, slope: spread > 1e-9 ? (tv[to]! - tv[from]! - st * mean) / spread : 0 };
}
