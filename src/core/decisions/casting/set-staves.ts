import { say } from '../../words';
import { Equals, IsIn, Matches, ValidateIf } from 'class-validator';
import type { PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { A_PART } from '../roles';
import { entered, without } from '../records';
import { PART } from '../validators';

/** One staff or two, for instruments that may have either; null leaves it to the engine again. */
export class SetStaves {
  @Equals('setStaves') kind!: 'setStaves';
  @Matches(PART) part!: PartId;
  @ValidateIf((one: SetStaves) => one.staves !== null) @IsIn([1, 2]) staves!: 1 | 2 | null;
}

export const setStaves = decisionKind({
  kind: 'setStaves',
  points: A_PART,
  dto: SetStaves,
  apply: (settings, made) => ({
    ...settings,
    staves:
      made.staves === null ? without(settings.staves, made.part) : entered(settings.staves, made.part, made.staves),
  }),
  describe: (made, nameOf) => {
    const chosen = made.staves === 1 ? say('decisions.oneStaff') : say('decisions.twoStaves');
    return `${nameOf(made.part)}: ${made.staves === null ? say('decisions.stavesAutomatic') : chosen}`;
  },
});
