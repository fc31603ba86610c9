import { say } from '../../words';
import { Equals, IsArray, IsBoolean, IsIn, IsOptional, Matches } from 'class-validator';
import type { PartId } from '../../base';
import { FURTHER_TUPLETS, SMALLEST_VALUES, type FurtherTuplet, type SmallestValue } from '../../settings';
import { decisionKind } from '../decision-kind';
import { BARS_OF_A_PART } from '../roles';
import { entered, listed } from '../records';
import { BarRange, inBars } from '../shapes/bar-range';
import { PART, IsShape } from '../validators';
import { valueName } from '../words';

/** The grid of a part, or of some of its bars. */
export class SetGrid {
  @Equals('setGrid') kind!: 'setGrid';
  @Matches(PART) part!: PartId;
  @IsIn(SMALLEST_VALUES) smallest!: SmallestValue;
  @IsBoolean() triplets!: boolean;
  @IsOptional() @IsArray() @IsIn(FURTHER_TUPLETS, { each: true }) also?: FurtherTuplet[];
  @IsOptional() @IsShape(BarRange) bars?: BarRange;
}

export const setGrid = decisionKind({
  kind: 'setGrid',
  points: BARS_OF_A_PART,
  dto: SetGrid,
  apply: (settings, made) => {
    const { smallest, triplets, also = [], bars } = made;
    // A grid for the whole part takes the place of all before it.
    const before = bars ? (settings.grids[made.part] ?? []) : [];
    return {
      ...settings,
      grids: entered(settings.grids, made.part, listed(before, { smallest, triplets, also, ...(bars && { bars }) })),
    };
  },
  describe: (made, nameOf) => {
    const { also = [] } = made;
    return say('decisions.nameOfGridPinnedToValueNameInBars', {
      nameOf: nameOf(made.part),
      valueName: valueName(made.smallest),
      inBars: inBars(made.bars),
      madeTriplets: Boolean(made.triplets),
      several: also.length > 0,
      also: also.join('-, '),
    });
  },
});
