import { begunByLongNotes } from './beat-phase';
import { beatsOfThree } from './beats-of-three';
import type { Onset } from './onsets';
import { beatsUnderThreeThreeTwo } from './three-three-two';
import { trackBeats, type BeatOptions, type FoundBeats } from './track-beats';
import { unevenBeats } from './uneven-beats';

/**
 * The beats of several paces; the best first. Where nobody said a pace, those that are told by what stands out on a pulse
 * come before them: uneven ones, or threes. Empty where there is nothing to count.
 */
export function findBeats(onsets: readonly Onset[], options: BeatOptions = {}): FoundBeats[] {
  const tracked = trackBeats(onsets, options);
  const said = (options.anchors?.length ?? 0) + (options.placed?.length ?? 0) > 0;
  const even = said ? tracked : tracked.map((level) => begunByLongNotes(level, onsets));
  if (options.period !== undefined || (options.anchors?.length ?? 0) > 0) return even;
  const grouped = unevenBeats(even, onsets) ?? beatsOfThree(even, onsets) ?? beatsUnderThreeThreeTwo(even, onsets);
  return grouped ? [grouped, ...even] : even;
}
