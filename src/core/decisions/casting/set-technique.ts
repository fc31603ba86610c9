import { say } from '../../words';
import { ArrayNotEmpty, Equals, IsArray, IsIn, Matches } from 'class-validator';
import type { TrackId } from '../../base';
import { type TechniqueId, techniqueName } from '../../instruments';
import { decisionKind, namesOf } from '../decision-kind';
import { SOME_TRACKS } from '../roles';
import { each } from '../records';
import { TRACK, TECHNIQUE_OR_NONE } from '../validators';

export class SetTechnique {
  @Equals('setTechnique') kind!: 'setTechnique';
  @IsArray() @ArrayNotEmpty() @Matches(TRACK, { each: true }) tracks!: TrackId[];
  @IsIn(TECHNIQUE_OR_NONE) technique!: TechniqueId | 'none';
}

export const setTechnique = decisionKind({
  kind: 'setTechnique',
  points: SOME_TRACKS,
  dto: SetTechnique,
  apply: (settings, made) => ({
    ...settings,
    techniques: each(settings.techniques, made.tracks, made.technique),
  }),
  describe: (made, nameOf) =>
    `${namesOf(made.tracks, nameOf)}: ${made.technique === 'none' ? say('decisions.normalPlaying') : techniqueName(made.technique)}`,
  learns: ({ tracks, technique }) => (technique === 'none' ? [] : tracks.map((track) => ({ track, technique }))),
});
