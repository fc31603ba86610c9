import { Equals, IsIn, IsOptional, Matches } from 'class-validator';
import type { TrackId } from '../../base';
import { decisionKind } from '../decision-kind';
import { entered } from '../records';
import { TRACK } from '../validators';

const SPLITS = ['channel', 'sounds'] as const;

/**
 * A track that carries several channels becomes one track for each; one of percussion, one for each instrument struck.
 */
export class SplitTrack {
  @Equals('splitTrack') kind!: 'splitTrack';
  @Matches(TRACK) track!: TrackId;
  /** By channel when absent. */
  @IsOptional() @IsIn(SPLITS) by?: (typeof SPLITS)[number];
}

export const splitTrack = decisionKind({
  kind: 'splitTrack',
  dto: SplitTrack,
  apply: (settings, made) =>
    made.by === 'sounds'
      ? { ...settings, soundSplits: entered(settings.soundSplits, made.track, true) }
      : { ...settings, splits: entered(settings.splits, made.track, true) },
  describe: (made, nameOf) => `${nameOf(made.track)}: split by ${made.by === 'sounds' ? 'what is struck' : 'channel'}`,
});
