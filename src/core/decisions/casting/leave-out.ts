import { say } from '../../words';
import { ArrayNotEmpty, Equals, IsArray, Matches } from 'class-validator';
import type { TrackId } from '../../base';
import { decisionKind, namesOf } from '../decision-kind';
import { SOME_TRACKS } from '../roles';
import { each } from '../records';
import { TRACK } from '../validators';

export class LeaveOut {
  @Equals('leaveOut') kind!: 'leaveOut';
  @IsArray() @ArrayNotEmpty() @Matches(TRACK, { each: true }) tracks!: TrackId[];
}

export const leaveOut = decisionKind({
  kind: 'leaveOut',
  points: SOME_TRACKS,
  dto: LeaveOut,
  apply: (settings, made) => ({ ...settings, leftOut: each(settings.leftOut, made.tracks, true) }),
  describe: (made, nameOf) => say('decisions.namesOfLeftOut', { namesOf: namesOf(made.tracks, nameOf) }),
});
