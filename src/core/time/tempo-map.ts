import { DEFAULT_TEMPO, type MicrosecondsPerQuarter, type Seconds, type Ticks } from './units';

export interface TempoEvent {
  tick: Ticks;
  microsecondsPerQuarter: MicrosecondsPerQuarter;
}

/**
 * Converts between ticks and seconds. Tempo is constant from one event to the next:
 *
 *     tick     0          480               960
 *     tempo    500000 ----|250000 ----------|------->
 *     seconds  0          0.5               0.75
 */
export interface TempoMap {
  readonly ticksPerQuarter: number;
  /** In order of tick, the first one at tick 0; never empty. */
  readonly events: readonly TempoEvent[];
  /** Seconds at each event, the same indices as `events`. */
  readonly seconds: readonly Seconds[];
}

/**
 * @param events tempo metas in any order; of several at one tick the last one counts. A tempo of 0 is passed over.
 * @param ticksPerQuarter greater than 0
 */
export function buildTempoMap(events: readonly TempoEvent[], ticksPerQuarter: number): TempoMap {
  const byTick = new Map<Ticks, TempoEvent>([[0, { tick: 0, microsecondsPerQuarter: DEFAULT_TEMPO }]]);
  for (const event of events) if (event.microsecondsPerQuarter > 0) byTick.set(event.tick, event);
  const ordered = [...byTick.values()].sort((a, b) => a.tick - b.tick);
  const kept = ordered.filter((event, i) => event.microsecondsPerQuarter !== ordered[i - 1]?.microsecondsPerQuarter);
  const seconds: Seconds[] = [];
  kept.forEach((event, i) => {
    const before = kept[i - 1];
    seconds.push(
      before
        ? seconds[i - 1]! + ((event.tick - before.tick) * before.microsecondsPerQuarter) / 1e6 / ticksPerQuarter
        : 0,
    );
  });
  return { ticksPerQuarter, events: kept, seconds };
}

/** Index of the last entry that is not after `value`, at least 0. `sorted` rises. */
export function lastNotAfter(sorted: ArrayLike<number>, value: number): number {
  let low = 0;
  let high = sorted.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (sorted[middle]! <= value) low = middle;
    else high = middle - 1;
  }
  return low;
}

const ticksOf = new WeakMap<TempoMap, Float64Array>();

function eventTicks(map: TempoMap): Float64Array {
  let ticks = ticksOf.get(map);
  if (!ticks) ticksOf.set(map, (ticks = Float64Array.from(map.events, (event) => event.tick)));
  return ticks;
}

export function tempoAt(map: TempoMap, tick: Ticks): MicrosecondsPerQuarter {
  return map.events[lastNotAfter(eventTicks(map), tick)]!.microsecondsPerQuarter;
}

/** Works for fractions of a tick and for ticks before 0 (the first tempo reaches back). */
export function secondsAtTick(map: TempoMap, tick: Ticks): Seconds {
  const i = lastNotAfter(eventTicks(map), tick);
  const event = map.events[i]!;
  return map.seconds[i]! + ((tick - event.tick) * event.microsecondsPerQuarter) / 1e6 / map.ticksPerQuarter;
}

/** The inverse of secondsAtTick; a fraction of a tick is kept. */
export function tickAtSeconds(map: TempoMap, seconds: Seconds): Ticks {
  const i = lastNotAfter(map.seconds, seconds);
  const event = map.events[i]!;
  return event.tick + ((seconds - map.seconds[i]!) * 1e6 * map.ticksPerQuarter) / event.microsecondsPerQuarter;
}
