/*
 * Beats under a rhythm of three, three and two: nothing but the first of four is struck as a rule, and a path from one
 * struck note to the next loses them. Even are the eighths below, and what stands out on them comes back after eight, while
 * every second or fourth of them tells nothing.
 *
 *     eighths     x . . x . . x .  x . . x . . x .      x stands out
 *     beats       |   |   |   |    |   |   |   |
 */
import { firstNotBefore, upperMedian } from '../base';
import type { Seconds } from '../time';
import type { Onset } from './onsets';
import { pulsesBelow, type Pulse } from './pulses';
import { tellingOf } from './telling';
import type { FoundBeats } from './track-beats';

const BAR = 8;
/** Where the rhythm strikes, and how much that counts; many leave the last one out. */
const STRIKES = [
  [0, 1],
  [3, 1],
  [6, 0.5],
] as const;
const SLOWEST_PULSE: Seconds = 0.42;
/** An even path that is worth more fits what is struck: under this rhythm none does. */
const FITS = 0.5;
/** Most eighths are silent: their path is worth little. */
const LEAST_WORTH = -0.8;
/** What the place among eight must tell more than those among fewer: pulses that slip in free playing blur even bars. */
const TELLS_MORE = 0.12;
const FEWER = [2, 3, 4, 6];
/** The most that those may tell. */
const TELLING_NOTHING = 0.12;
/** Music begins with a bar, mostly: what another place must strike more. */
const PICKUP = 1.1;

/** @param levels even beats of several paces, the best first; @returns null where the music is of another kind */
export function beatsUnderThreeThreeTwo(levels: readonly FoundBeats[], onsets: readonly Onset[]): FoundBeats | null {
  if ((levels[0]?.worth ?? FITS) >= FITS) return null;
  for (const pulse of pulsesBelow(levels, onsets, SLOWEST_PULSE, LEAST_WORTH)) {
    if (!comesBackAfterEight(pulse)) continue;
    const { beats: pulses, worth } = pulse.level;
    const odd = beginOfBars(pulses, onsets) % 2;
    const beats = pulses.filter((_, i) => i % 2 === odd);
    return { beats, period: upperMedian(beats.slice(1).map((beat, i) => beat - beats[i]!)), worth };
  }
  return null;
}

function comesBackAfterEight({ marks }: Pulse): boolean {
  const fewer = Math.max(...FEWER.map((length) => tellingOf(marks, length)));
  return fewer <= TELLING_NOTHING && tellingOf(marks, BAR) - fewer >= TELLS_MORE;
}

/** The place among eight that the rhythm is struck from. */
function beginOfBars(pulses: readonly Seconds[], onsets: readonly Onset[]): number {
  const keys = Array<number>(BAR).fill(0);
  let first: number | null = null;
  pulses.forEach((pulse, i) => {
    const struck = struckOn(onsets, pulse, (pulses[i + 1] ?? Infinity) - pulse);
    keys[i % BAR]! += struck;
    if (struck > 0) first ??= i % BAR;
  });
  const strikes = (place: number): number => {
    const struck = STRIKES.reduce((sum, [later, counts]) => sum + counts * keys[(place + later) % BAR]!, 0);
    return place === first ? PICKUP * struck : struck;
  };
  return keys.reduce((best, _, place) => (strikes(place) > strikes(best) ? place : best), 0);
}

/** Keys that are struck with a pulse. */
function struckOn(onsets: readonly Onset[], pulse: Seconds, length: Seconds): number {
  const reach = Math.min(length, 1) / 4;
  let keys = 0;
  for (let k = firstNotBefore(onsets, pulse - reach, ({ at }) => at); onsets[k] && onsets[k]!.at < pulse + reach; k++)
    keys += onsets[k]!.keys.length + onsets[k]!.drums.length;
  return keys;
}
