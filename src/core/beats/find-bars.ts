/*
 * Barlines among beats: where the bass moves, the harmony changes, long and strong notes begin, and what was played before
 * comes again.
 */
import type { Seconds } from '../time';
import { featuresOf } from './beat-features';
import { lengthsLeantOn, twoOrFour } from './leaning';
import type { Onset } from './onsets';
import { bestWay, LENGTHS } from './part-beats';

export interface FoundBars {
  /** Indexes of the beats that begin a bar, rising. Beats before the first are a pickup. */
  downbeats: number[];
  /** Beats of most bars. */
  beatsPerBar: number;
  /** How much better the best way is than the best of another single length, a bar: 0 says nothing, 1 a good deal. */
  evidence: number;
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
  const best = bestWay(features, lengths, { fixed });
  const beatsPerBar = mostCommon(best.lengths) ?? lengths[0]!;
  const others = (wanted ? LENGTHS : lengths)
    .filter((length) => length !== beatsPerBar)
    .map((length) => bestWay(features, [length], { fixed }).score);
  const bars = Math.max(1, best.lengths.length);
  const found = { downbeats: best.downbeats, beatsPerBar, evidence: (best.score - Math.max(...others)) / bars };
  return lengths.includes(2) ? twoOrFour(found, features) : found;
}

function mostCommon(lengths: readonly number[]): number | undefined {
  const counts = new Map<number, number>();
  for (const length of lengths) counts.set(length, (counts.get(length) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
}
