import { firstNotBefore } from '../base';
import type { Seconds } from '../time';
import { begunByLongNotes } from './beat-phase';
import { beatsOfThree } from './beats-of-three';
import type { Onset } from './onsets';
import { beatsUnderThreeThreeTwo } from './three-three-two';
import { trackBeats, withPlaced, type BeatOptions, type FoundBeats } from './track-beats';
import { unevenBeats } from './uneven-beats';

/**
 * The beats of several paces; the best first. Where nobody said a pace, those that are told by what stands out on a pulse
 * come before them: uneven ones, or threes. Empty where there is nothing to count.
 */
export function findBeats(onsets: readonly Onset[], options: BeatOptions = {}): FoundBeats[] {
  const even = evenBeats(onsets, options);
  if (options.period !== undefined || (options.anchors?.length ?? 0) > 0) return even;
  const grouped = unevenBeats(even, onsets) ?? beatsOfThree(even, onsets) ?? beatsUnderThreeThreeTwo(even, onsets);
  return grouped ? [grouped, ...even] : even;
}

/** Even beats of several paces, begun by long notes where nobody tapped, and where that brings them no further from what was set. */
function evenBeats(onsets: readonly Onset[], options: BeatOptions): FoundBeats[] {
  const { placed = [], anchors = [] } = options;
  const tracked = trackBeats(onsets, options);
  if (anchors.length > 0) return tracked;
  if (placed.length === 0) return tracked.map((level) => begunByLongNotes(level, onsets));
  // A beat that was set draws the path to it: whether all lie beside it is told by the path without.
  const [free] = trackBeats(onsets, { ...options, placed: [] });
  const moved = free && begunByLongNotes(free, onsets);
  if (!moved || moved === free || distance(moved, placed) > distance(free, placed)) return tracked;
  return [{ ...moved, beats: withPlaced(moved.beats, placed) }, ...tracked];
}

/** How far places that were set lie from the nearest beats, all in all. */
const distance = ({ beats }: FoundBeats, placed: readonly Seconds[]): Seconds =>
  placed.reduce((sum, at) => sum + Math.min(...nextTo(beats, at).map((beat) => Math.abs(beat - at))), 0);

/** The beats before and after a time. */
function nextTo(beats: readonly Seconds[], at: Seconds): Seconds[] {
  const next = firstNotBefore(beats, at, (beat) => beat);
  return beats.slice(Math.max(0, next - 1), next + 1);
}
