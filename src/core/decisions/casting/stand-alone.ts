import { say } from '../../words';
import { ArrayNotEmpty, Equals, IsArray, Matches } from 'class-validator';
import type { TrackId } from '../../base';
import { decisionKind, namesOf } from '../decision-kind';
import { SOME_TRACKS } from '../roles';
import { each } from '../records';
import { TRACK } from '../validators';

/** Tracks that were gathered are parts of their own again. */
export class StandAlone {
  @Equals('standAlone') kind!: 'standAlone';
  @IsArray() @ArrayNotEmpty() @Matches(TRACK, { each: true }) tracks!: TrackId[];
}

export const standAlone = decisionKind({
  kind: 'standAlone',
  points: SOME_TRACKS,
  dto: StandAlone,
  apply: (settings, made) => ({ ...settings, gathered: each(settings.gathered, made.tracks, null) }),
  describe: (made, nameOf) =>
    `${namesOf(made.tracks, nameOf)}: ${made.tracks.length === 1 ? say('decisions.aSeparatePart') : say('decisions.separateParts')}`,
});
