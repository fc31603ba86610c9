import { say } from '../../words';
import { Equals, IsBoolean, Matches } from 'class-validator';
import type { PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { A_PART } from '../roles';
import { entered, without } from '../records';
import { PART } from '../validators';

/** Whether a part may change its clef. */
export class SetClefs {
  @Equals('setClefs') kind!: 'setClefs';
  @Matches(PART) part!: PartId;
  @IsBoolean() changes!: boolean;
}

export const setClefs = decisionKind({
  kind: 'setClefs',
  points: A_PART,
  dto: SetClefs,
  apply: (settings, made) => ({
    ...settings,
    fixedClefs: made.changes ? without(settings.fixedClefs, made.part) : entered(settings.fixedClefs, made.part, true),
  }),
  describe: (made, nameOf) =>
    `${nameOf(made.part)}: ${made.changes ? say('decisions.clefChangesAutomatic') : say('decisions.oneClefThroughout')}`,
});
