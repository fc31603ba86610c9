import { say } from '../../words';
import { Equals, Matches, ValidateIf } from 'class-validator';
import type { PartId } from '../../base';
import type { Treatment } from '../../settings';
import { decisionKind } from '../decision-kind';
import { BARS_OF_A_PART } from '../roles';
import { listed } from '../records';
import { BarRange, inSomeBars } from '../shapes/bar-range';
import { TreatmentDto, treatmentInWords } from '../shapes/treatment';
import { IsShape, SCORE_PART } from '../validators';

/** How a part is played is changed, after all that was decided about it before; null means all parts, or all bars. */
export class Treat {
  @Equals('treat') kind!: 'treat';
  @ValidateIf((one: Treat) => one.part !== null) @Matches(SCORE_PART) part!: PartId | null;
  @ValidateIf((one: Treat) => one.bars !== null) @IsShape(BarRange) bars!: BarRange | null;
  @IsShape(TreatmentDto) does!: Treatment;
}

export const treat = decisionKind({
  kind: 'treat',
  points: BARS_OF_A_PART,
  dto: Treat,
  apply: (settings, { part, bars, does }) => {
    const { sequencing } = settings;
    return {
      ...settings,
      sequencing: { ...sequencing, treatments: listed(sequencing.treatments, { part, bars, does }) },
    };
  },
  describe: ({ part, bars, does }, nameOf) =>
    inSomeBars(
      `${part === null ? say('decisions.allParts') : nameOf(part)}: ${treatmentInWords(does)}`,
      bars ?? undefined,
    ),
});
