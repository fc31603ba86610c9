import { say } from '../../words';
import { Equals, IsBoolean, Matches } from 'class-validator';
import type { PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { A_PART } from '../roles';
import { entered, without } from '../records';
import { PART } from '../validators';

/** Equal bars of a part as repeat signs. */
export class SetBarRepeats {
  @Equals('setBarRepeats') kind!: 'setBarRepeats';
  @Matches(PART) part!: PartId;
  @IsBoolean() on!: boolean;
}

export const setBarRepeats = decisionKind({
  kind: 'setBarRepeats',
  points: A_PART,
  dto: SetBarRepeats,
  apply: (settings, made) => ({
    ...settings,
    barRepeats: made.on ? entered(settings.barRepeats, made.part, true) : without(settings.barRepeats, made.part),
  }),
  describe: (made, nameOf) =>
    say('decisions.nameOfRepeatedBarsAsRepeatSigns', { nameOf: nameOf(made.part), madeOn: Boolean(made.on) }),
});
