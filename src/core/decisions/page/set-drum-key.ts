import { say } from '../../words';
import { Equals, IsInt, Matches, Max, Min } from 'class-validator';
import type { PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { A_PART } from '../roles';
import { PART } from '../validators';

/** A key of a percussion part means another key of its map. */
export class SetDrumKey {
  @Equals('setDrumKey') kind!: 'setDrumKey';
  @Matches(PART) part!: PartId;
  @IsInt() @Min(0) @Max(127) key!: number;
  @IsInt() @Min(0) @Max(127) as!: number;
}

export const setDrumKey = decisionKind({
  kind: 'setDrumKey',
  points: A_PART,
  dto: SetDrumKey,
  apply: (settings, made) => ({
    ...settings,
    drumKeys: {
      ...settings.drumKeys,
      [made.part]: { ...settings.drumKeys[made.part], [made.key]: made.as },
    },
  }),
  describe: (made, nameOf) =>
    say('decisions.nameOfKeyKeyMeansKeyAs', { nameOf: nameOf(made.part), key: made.key, as: made.as }),
});
