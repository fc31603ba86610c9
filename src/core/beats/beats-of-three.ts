/*
 * Beats of three pulses that were counted in twos: where eighths run through, every second one makes as even a beat as
 * every third. What stands out tells.
 *
 *     pulses      x . . x . . x . . x . .      x stands out
 *     in twos     |   |   |   |   |   |        even, and as often beside what stands out as on it
 *     in threes   |     |     |     |
 */
import { upperMedian } from '../base';
import type { Seconds } from '../time';
import { findBars } from './find-bars';
import type { Onset } from './onsets';
import { pulsesBelow } from './pulses';
import { tellingOf, threesOverTwos } from './telling';
import type { FoundBeats } from './track-beats';

const SLOWEST_PULSE: Seconds = 0.42;
/** What the place among three must tell, and how much more than that among two and four. */
const TELLING = 0.1;
/** Octaves by which a pace may differ from that of the threes and be the same. */
const SAME_PACE = 0.15;
/** A pulse may slip in free playing, now and then. */
const SLIPPING = [3, 2, 4];
const MOSTLY = 0.9;
const FEWEST_PULSES = 48;

/** @param levels even beats of several paces, the best first; @returns null where the best is as good */
export function beatsOfThree(levels: readonly FoundBeats[], onsets: readonly Onset[]): FoundBeats | null {
  const [best] = levels;
  if (!best) return null;
  for (const { level, marks } of pulsesBelow(levels, onsets, SLOWEST_PULSE)) {
    const { beats: pulses, period, worth } = level;
    if (pulses.length < FEWEST_PULSES || Math.abs(Math.log2(best.period / (3 * period))) < SAME_PACE) continue;
    if (tellingOf(marks, 3) < TELLING || threesOverTwos(marks) < TELLING) continue;
    const beats = everyThird(pulses, onsets).map((pulse) => pulses[pulse]!);
    return { beats, period: upperMedian(beats.slice(1).map((beat, i) => beat - beats[i]!)), worth };
  }
  return null;
}

/** Indexes of the pulses that begin threes. */
function everyThird(pulses: readonly Seconds[], onsets: readonly Onset[]): number[] {
  const { downbeats } = findBars(pulses, onsets, [], SLIPPING);
  const threes = downbeats.filter((pulse, i) => i > 0 && pulse - downbeats[i - 1]! === 3).length;
  return threes >= MOSTLY * (downbeats.length - 1) ? downbeats : findBars(pulses, onsets, [], [3]).downbeats;
}
