/*
 * Few tempo changes for many: a clock that is never further from the exact one than a tolerance.
 *
 *     seconds │        .·'          Time over ticks is a line of straight pieces, one for each tempo. A piece may stretch
 *             │     .·'             over several changes as long as none of them lies further from it than the tolerance:
 *             │  .·'                all slopes that pass them within it form a cone, which gets narrower with each.
 *             └──────────── ticks   (Imai and Iri, Polygonal approximations of a curve, 1988; from memory.)
 */
import { secondsAtTick, tempoInFile, type Seconds, type TempoEvent, type TempoMap, type Ticks } from '../time';

export interface ThinnedTempo {
  events: TempoEvent[];
  /** Of the clock, over all places where the exact tempo changes. */
  largest: Seconds;
}

/** What rounding to whole microseconds may take of the tolerance. */
const FOR_ROUNDING = 0.9;

/**
 * @param end last tick that counts
 * @param tolerance 0 keeps every change
 */
export function thinTempo(map: TempoMap, end: Ticks, tolerance: Seconds): ThinnedTempo {
  const changes = map.events.filter(({ tick }) => tick < end || tick === 0);
  if (tolerance <= 0 || changes.length < 2) return { events: changes, largest: 0 };
  for (let allowed = tolerance * FOR_ROUNDING; ; allowed /= 2) {
    const events = fewest(map, changes, end, allowed);
    const largest = largestDrift(map, events, changes, end);
    if (largest <= tolerance) return { events, largest };
    if (allowed < tolerance / 64) return { events: changes, largest: 0 };
  }
}

interface Point {
  tick: Ticks;
  at: Seconds;
}

/** Knots on the exact clock, each as far from the last as the cone allows. */
function fewest(map: TempoMap, changes: readonly TempoEvent[], end: Ticks, allowed: Seconds): TempoEvent[] {
  const points: Point[] = [...changes.map(({ tick }) => tick), Math.max(end, changes.at(-1)!.tick + 1)].map((tick) => ({
    tick,
    at: secondsAtTick(map, tick),
  }));
  const knots = [0];
  while (knots.at(-1)! < points.length - 1) knots.push(farthest(points, knots.at(-1)!, allowed));
  return tempos(
    knots.map((i) => points[i]!),
    map.ticksPerQuarter,
  );
}

function farthest(points: readonly Point[], from: number, allowed: Seconds): number {
  const begin = points[from]!;
  let [low, high] = [-Infinity, Infinity];
  let reached = from + 1;
  for (let i = from + 1; i < points.length && low <= high; i++) {
    const ticks = points[i]!.tick - begin.tick;
    const rise = points[i]!.at - begin.at;
    const slope = rise / ticks;
    if (slope >= low && slope <= high) reached = i;
    low = Math.max(low, (rise - allowed) / ticks);
    high = Math.min(high, (rise + allowed) / ticks);
  }
  return reached;
}

/** Tempos in whole microseconds from knot to knot; what rounding leaves over goes into the next. */
function tempos(knots: readonly Point[], ticksPerQuarter: number): TempoEvent[] {
  const events: TempoEvent[] = [];
  let now = knots[0]!.at;
  for (let i = 0; i + 1 < knots.length; i++) {
    const { tick } = knots[i]!;
    const quarters = (knots[i + 1]!.tick - tick) / ticksPerQuarter;
    const exact = ((knots[i + 1]!.at - now) * 1e6) / quarters;
    const microsecondsPerQuarter = tempoInFile(exact);
    now += (microsecondsPerQuarter * quarters) / 1e6;
    if (events.at(-1)?.microsecondsPerQuarter !== microsecondsPerQuarter) events.push({ tick, microsecondsPerQuarter });
  }
  return events;
}

function largestDrift(
  map: TempoMap,
  events: readonly TempoEvent[],
  changes: readonly TempoEvent[],
  end: Ticks,
): Seconds {
  let largest = 0;
  let e = 0;
  let [tick, now] = [0, 0];
  // Both clocks are straight between their changes: they are furthest apart at one of them.
  for (const place of [...new Set([...changes, ...events].map((one) => one.tick)), end].sort((a, b) => a - b)) {
    while (events[e + 1] && events[e + 1]!.tick <= place) {
      now += ((events[e + 1]!.tick - tick) * events[e]!.microsecondsPerQuarter) / 1e6 / map.ticksPerQuarter;
      tick = events[++e]!.tick;
    }
    const at = now + ((place - tick) * events[e]!.microsecondsPerQuarter) / 1e6 / map.ticksPerQuarter;
    largest = Math.max(largest, Math.abs(at - secondsAtTick(map, place)));
  }
  return largest;
}
