/*
 * The dynamics of a part as a curve over the written bars: level from each sign on, ramps along hairpins.
 *
 *     p      <      f            49 49 ╱ 96 96
 */
import { DYNAMICS, type Dynamic, type DynamicMark, type Part } from '../../score';
import { lastNotAfter, QUARTER, type WrittenUnits } from '../../time';
import { UNSAID } from '../../settings';

export interface CurvePoint {
  at: WrittenUnits;
  /** On the scale of velocities; the curve goes straight from point to point. */
  value: number;
}

/** A sign this near to the end of a hairpin is where it leads. */
const LEADS_TO: WrittenUnits = QUARTER;

/** @param levels velocity of each sign @returns at least one point; a step is two points at one place */
export function loudnessCurve({ lines }: Pick<Part, 'lines'>, levels: Readonly<Record<Dynamic, number>>): CurvePoint[] {
  const signs = [...lines.dynamics].sort((a, b) => a.at - b.at);
  const hairpins = [...lines.hairpins].sort((a, b) => a.start - b.start);
  const valueOf = ({ level, velocity }: DynamicMark) => velocity ?? levels[level];
  const points: CurvePoint[] = [{ at: 0, value: signs[0]?.at === 0 ? valueOf(signs[0]) : levels[UNSAID] }];
  const step = (at: WrittenUnits, value: number) => {
    const now = points.at(-1)!;
    if (now.value === value && now.at <= at) return;
    if (now.at < at) points.push({ at, value: now.value });
    points.push({ at, value });
  };
  let s = 0;
  let until: WrittenUnits = 0;
  for (const hairpin of hairpins) {
    while (signs[s] && signs[s]!.at <= hairpin.start) step(signs[s]!.at, valueOf(signs[s++]!));
    if (hairpin.start < until) continue;
    const from = points.at(-1)!.value;
    const goal = signs.find((sign) => sign.at > hairpin.start && sign.at <= hairpin.end + LEADS_TO);
    const to =
      goal && (hairpin.kind === 'crescendo') === valueOf(goal) > from
        ? valueOf(goal)
        : neighbour(from, hairpin.kind === 'crescendo', levels);
    step(hairpin.start, from);
    if (points.at(-1)!.at < hairpin.start) points.push({ at: hairpin.start, value: from });
    points.push({ at: hairpin.end, value: to });
    until = hairpin.end;
    // Signs inside the hairpin were its goal.
    while (signs[s] && signs[s]!.at < hairpin.end) s++;
  }
  while (signs[s]) step(signs[s]!.at, valueOf(signs[s++]!));
  return points;
}

/** The next sign louder or softer. */
function neighbour(value: number, louder: boolean, levels: Readonly<Record<Dynamic, number>>): number {
  const sorted = DYNAMICS.map((level) => levels[level]).sort((a, b) => a - b);
  return (louder ? sorted.find((one) => one > value + 2) : sorted.findLast((one) => one < value - 2)) ?? value;
}

export function loudnessAt(points: readonly CurvePoint[], at: WrittenUnits): number {
  // The last point at a place counts: a step has two.
  let i = points.findLastIndex((point) => point.at <= at);
  if (i < 0) i = 0;
  const [from, to] = [points[i]!, points[i + 1]];
  if (!to || to.at === from.at) return from.value;
  return from.value + ((to.value - from.value) * Math.max(0, at - from.at)) / (to.at - from.at);
}

/**
 * Where a controller must be sent so that it follows the curve over a stretch: at its beginning, at steps, and along
 * ramps.
 */
export function curveSteps(
  points: readonly CurvePoint[],
  from: WrittenUnits,
  to: WrittenUnits,
  every: WrittenUnits,
): WrittenUnits[] {
  const places = new Set<WrittenUnits>([from]);
  const starts = points.map((point) => point.at);
  for (let i = Math.max(0, lastNotAfter(starts, from)); i < points.length && points[i]!.at < to; i++) {
    const [a, b] = [points[i]!, points[i + 1]];
    if (a.at >= from) places.add(a.at);
    if (b && b.at > a.at && b.value !== a.value)
      for (let at = a.at + every; at < Math.min(b.at, to); at += every) if (at >= from) places.add(at);
  }
  return [...places].sort((a, b) => a - b);
}
