import { say } from '../../words';
import { Equals, IsIn, IsOptional, Matches } from 'class-validator';
import type { TrackId } from '../../base';
import { decisionKind } from '../decision-kind';
import { A_TRACK } from '../roles';
import { entered } from '../records';
import { TRACK } from '../validators';

const SPLITS = ['channel', 'programs', 'sounds'] as const;
type By = (typeof SPLITS)[number];

const IN_WORDS: Readonly<Record<By, string>> = {
  get channel() {
    return say('decisions.channel');
  },
  get programs() {
    return say('decisions.program');
  },
  get sounds() {
    return say('decisions.whatIsStruck');
  },
};

/**
 * A track that carries several channels becomes one track for each; one whose program changes, one for each program; one
 * of percussion, one for each instrument struck.
 */
export class SplitTrack {
  @Equals('splitTrack') kind!: 'splitTrack';
  @Matches(TRACK) track!: TrackId;
  /** By channel when absent. */
  @IsOptional() @IsIn(SPLITS) by?: By;
}

export const splitTrack = decisionKind({
  kind: 'splitTrack',
  points: A_TRACK,
  dto: SplitTrack,
  apply: (settings, { track, by = 'channel' }) => {
    if (by === 'channel') return { ...settings, splits: entered(settings.splits, track, true) };
    if (by === 'programs') return { ...settings, programSplits: entered(settings.programSplits, track, true) };
    return { ...settings, soundSplits: entered(settings.soundSplits, track, true) };
  },
  describe: ({ track, by = 'channel' }, nameOf) =>
    say('decisions.nameOfSplitByInWords', { nameOf: nameOf(track), inWords: IN_WORDS[by] }),
});
