import type { Performance, TrackId } from './performance';
import { splitChannels } from './split-channels';
import { splitPrograms } from './split-programs';
import { splitSounds } from './split-sounds';

/** Tracks that were split; one that was may be split again by something else. */
export interface TrackSplits {
  splits: Readonly<Record<TrackId, true>>;
  programSplits: Readonly<Record<TrackId, true>>;
  soundSplits: Readonly<Record<TrackId, true>>;
}

/** The same performance with its tracks split: by channel, then by program, then by what is struck. */
export function splitTracks(
  performance: Performance,
  { splits, programSplits, soundSplits }: TrackSplits,
): Performance {
  return splitSounds(splitPrograms(splitChannels(performance, splits), programSplits), soundSplits);
}
