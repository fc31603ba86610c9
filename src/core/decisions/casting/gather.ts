import { say } from '../../words';
import { ArrayMinSize, Equals, IsArray, Matches } from 'class-validator';
import type { TrackId } from '../../base';
import { decisionKind, namesOf } from '../decision-kind';
import { SOME_TRACKS } from '../roles';
import { each, without } from '../records';
import { TRACK } from '../validators';

/** Several tracks become one part, under the first of them. */
export class Gather {
  @Equals('gather') kind!: 'gather';
  @IsArray() @ArrayMinSize(2) @Matches(TRACK, { each: true }) tracks!: TrackId[];
}

export const gather = decisionKind({
  kind: 'gather',
  points: SOME_TRACKS,
  dto: Gather,
  apply: (settings, made) => {
    const [first, ...others] = made.tracks;
    return { ...settings, gathered: each(without(settings.gathered, first!), others, first!) };
  },
  describe: (made, nameOf) => say('decisions.namesOfCombinedIntoOnePart', { namesOf: namesOf(made.tracks, nameOf) }),
});
