/*
 * Where each played bar of the original should begin in what goes out, by what was decided about bars: some bars only, repeats
 * once, a pickup padded, empty bars before. Counted here from the original's own bars, not taken from what was made.
 *
 *     original    |♩|1      |2      |           pickup padded     |    ♩|1      |2      |
 */
import type { DirectionB } from '../../settings';
import { barLength, type Bar, type Seconds } from '../../time';

/** A bar of the original as it is played. */
export interface OriginalBar {
  bar: Bar;
  /** Which playing of it, from 1. */
  time: number;
  at: Seconds;
  seconds: Seconds;
}

export type BarWishes = Pick<DirectionB, 'onlyBars' | 'playRepeats' | 'padPickup'> & { emptyBars: number };

/** Seconds of a full bar at the pace of this one. */
const fullBar = ({ bar, seconds }: OriginalBar): Seconds => (seconds * barLength(bar.meter)) / bar.length;

/** @returns by bar of the original: when it should begin; null where it is not to be played */
export function decidedStarts(bars: readonly OriginalBar[], wishes: BarWishes): (Seconds | null)[] {
  const { onlyBars, playRepeats, padPickup, emptyBars } = wishes;
  const once = onlyBars !== null || !playRepeats;
  const starts: (Seconds | null)[] = bars.map(() => null);
  const order = bars
    .map((one, i) => ({ ...one, i }))
    .filter(({ time }) => !once || time === 1)
    .filter(({ bar }) => !onlyBars || (bar.index >= onlyBars.from && bar.index < onlyBars.to));
  if (once) order.sort((a, b) => a.bar.index - b.bar.index);
  let at: Seconds = order[0] ? emptyBars * fullBar(order[0]) : 0;
  order.forEach((one, n) => {
    const { bar, seconds, i } = one;
    const missing = barLength(bar.meter) - bar.length;
    const isPickup = padPickup && bar.implicit && missing > 0 && (n === 0 || bar.index === 0);
    const before = order[n - 1]?.bar;
    const fillsUp = before !== undefined && before.implicit && before.length === missing;
    if (isPickup && !fillsUp) at += fullBar(one) - seconds;
    starts[i] = at;
    at += seconds;
  });
  return starts;
}
