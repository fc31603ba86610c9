import { say } from '../../words';
import { ArrayNotEmpty, Equals, IsArray, Matches } from 'class-validator';
import type { TrackId } from '../../base';
import { decisionKind, namesOf } from '../decision-kind';
import { SOME_TRACKS } from '../roles';
import { each } from '../records';
import { TRACK } from '../validators';

export class TakeIn {
  @Equals('takeIn') kind!: 'takeIn';
  @IsArray() @ArrayNotEmpty() @Matches(TRACK, { each: true }) tracks!: TrackId[];
}

export const takeIn = decisionKind({
  kind: 'takeIn',
  points: SOME_TRACKS,
  dto: TakeIn,
  apply: (settings, made) => ({ ...settings, leftOut: each(settings.leftOut, made.tracks, false) }),
  describe: (made, nameOf) => say('decisions.namesOfIncluded', { namesOf: namesOf(made.tracks, nameOf) }),
});
