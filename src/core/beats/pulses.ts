import type { Seconds } from '../time';
import { featuresOf } from './beat-features';
import type { Onset } from './onsets';
import type { FoundBeats } from './track-beats';

/** Even beats that may be the pulse below others, and how much each of them stands out. */
export interface Pulse {
  level: FoundBeats;
  marks: number[];
}

/** A pulse is faster than what is counted by so much at least. */
const FASTER = 0.85;
/** A path that fits its onsets worse is no pulse. */
const LEAST_WORTH = -0.2;

/**
 * @param levels even beats of several paces, the best first
 * @param slowest period: slower ones are beats
 * @param least worth of its path
 */
export function pulsesBelow(
  levels: readonly FoundBeats[],
  onsets: readonly Onset[],
  slowest: Seconds,
  least = LEAST_WORTH,
): Pulse[] {
  const counted = levels[0]?.period ?? 0;
  return levels
    .filter(({ period, worth }) => period <= slowest && period <= FASTER * counted && worth >= least)
    .map((level) => ({ level, marks: featuresOf(level.beats, onsets).map(({ mark }) => mark) }));
}
