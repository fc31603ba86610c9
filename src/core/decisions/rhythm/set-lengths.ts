import { say } from '../../words';
import { Equals, IsIn, IsOptional, Matches } from 'class-validator';
import type { PartId } from '../../base';
import { LENGTHS, type Lengths } from '../../settings';
import { decisionKind } from '../decision-kind';
import { BARS_OF_A_PART } from '../roles';
import { entered } from '../records';
import { BarRange, inBars } from '../shapes/bar-range';
import { PART, IsShape } from '../validators';

/** Whether short notes may be written longer, with a dot, where that reads better; or as long as they were played. */
export class SetLengths {
  @Equals('setLengths') kind!: 'setLengths';
  @Matches(PART) part!: PartId;
  @IsIn(LENGTHS) as!: Lengths;
  @IsOptional() @IsShape(BarRange) bars?: BarRange;
}

export const setLengths = decisionKind({
  kind: 'setLengths',
  points: BARS_OF_A_PART,
  dto: SetLengths,
  apply: (settings, { part, as, bars }) => {
    // A choice for the whole part takes the place of all before it.
    const chosen = bars ? [...(settings.lengths[part] ?? []), { as, bars }] : [{ as }];
    return { ...settings, lengths: entered(settings.lengths, part, chosen) };
  },
  describe: (made, nameOf) =>
    say('decisions.nameOfShortNotesWritten', { nameOf: nameOf(made.part), as: made.as, inBars: inBars(made.bars) }),
});
