import { say } from '../../words';
import { ArrayMaxSize, Equals, IsIn, IsInt, Matches, Max, Min } from 'class-validator';
import type { TrackId } from '../../base';
import { type TechniqueId, techniqueName } from '../../instruments';
import { keyInWords } from '../../score';
import { decisionKind } from '../decision-kind';
import { A_TRACK } from '../roles';
import { TRACK, TECHNIQUE_OR_NONE, AreShapes } from '../validators';

export class SwitchMeaning {
  @IsInt() @Min(0) @Max(127) key!: number;
  @IsIn(TECHNIQUE_OR_NONE) technique!: TechniqueId | 'none';
}

/** Which keys of a track are keyswitches, and what they mean; none when they are ordinary notes. */
export class SetKeyswitches {
  @Equals('setKeyswitches') kind!: 'setKeyswitches';
  @Matches(TRACK) track!: TrackId;
  @ArrayMaxSize(128) @AreShapes(SwitchMeaning) meanings!: SwitchMeaning[];
}

export const setKeyswitches = decisionKind({
  kind: 'setKeyswitches',
  points: A_TRACK,
  dto: SetKeyswitches,
  apply: (settings, made) => ({
    ...settings,
    keyswitches: {
      ...settings.keyswitches,
      [made.track]: Object.fromEntries(made.meanings.map(({ key, technique }) => [key, technique])),
    },
  }),
  describe: (made, nameOf) =>
    made.meanings.length === 0
      ? say('decisions.nameOfNoKeyswitchesAllNotesAre', { nameOf: nameOf(made.track) })
      : say('decisions.nameOfKeyswitchesMeaningsTakenOut', {
          nameOf: nameOf(made.track),
          meanings: made.meanings
            .map(
              ({ key, technique }) =>
                `${keyInWords(key)}${technique === 'none' ? '' : ` = ${techniqueName(technique)}`}`,
            )
            .join(', '),
        }),
});
