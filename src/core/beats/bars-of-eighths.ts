/*
 * Bars of three, five and seven eighths where a file's own eighths are known: what stands out comes back after three, five
 * or seven of them, and not after two or four.
 */
import type { Seconds } from '../time';
import { featuresOf } from './beat-features';
import { findBars } from './find-bars';
import type { Onset } from './onsets';
import { tellingOf, threesOverTwos } from './telling';
import { unevenBars, unevenLength } from './uneven-beats';

/** What the place among three must tell, and how much more than that among two and four. */
const TELLING = 0.1;
const TELLS_MORE = 0.12;
/** Evidence as of {@link findBars} for 9/8: else it is 6/8, which is far more common, and which 12/8 may be written as. */
const CLEARLY_THREE = 0.13;

export interface BarsOfEighths {
  /** Eighths of a bar: 5, 6, 7 or 9. */
  length: number;
  /** How they are counted: 2, 2 and 3 of 7. */
  groups: number[];
  /** The eighth that begins the first full bar. */
  first: number;
}

/** @param eighths where they lie; @returns null where the music is counted in quarters, or says nothing */
export function barsOfEighths(eighths: Seconds[], onsets: readonly Onset[]): BarsOfEighths | null {
  const marks = featuresOf(eighths, onsets).map(({ mark }) => mark);
  const uneven = unevenLength(marks)?.length;
  if (uneven) {
    const { groups, downbeats } = unevenBars(eighths, marks, onsets, [uneven]);
    return { length: uneven, groups, first: downbeats[0] ?? 0 };
  }
  if (tellingOf(marks, 3) < TELLING || threesOverTwos(marks) < TELLS_MORE) return null;
  const begins = findBars(eighths, onsets, [], [3]).downbeats;
  const beats = begins.map((eighth) => eighths[eighth]!);
  const free = findBars(beats, onsets);
  const three = free.beatsPerBar === 3 && free.evidence >= CLEARLY_THREE;
  const bars = three ? free : findBars(beats, onsets, [], [2]);
  const groups = Array<number>(bars.beatsPerBar).fill(3);
  return { length: 3 * bars.beatsPerBar, groups, first: begins[bars.downbeats[0] ?? 0] ?? 0 };
}
