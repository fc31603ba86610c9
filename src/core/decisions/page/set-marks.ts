import { say, withinASentence } from '../../words';
import { Equals, IsIn, IsOptional, Matches } from 'class-validator';
import type { PartId } from '../../base';
import { MARK_CLASSES, type MarkClass } from '../../score';
import { MARK_STRENGTHS, MARK_USES, type MarkStrength, type MarkUse } from '../../settings';
import { decisionKind } from '../decision-kind';
import { BARS_OF_A_PART } from '../roles';
import { entered, listed } from '../records';
import { BarRange, inSomeBars } from '../shapes/bar-range';
import { PART, IsShape } from '../validators';
import { MARK_NAMES } from '../words';

/** What becomes of a class of marks, in a part or in some of its bars. */
export class SetMarks {
  @Equals('setMarks') kind!: 'setMarks';
  @Matches(PART) part!: PartId;
  @IsIn(MARK_CLASSES) mark!: MarkClass;
  @IsIn(MARK_USES) use!: MarkUse;
  @IsIn(MARK_STRENGTHS) strength!: MarkStrength;
  @IsOptional() @IsShape(BarRange) bars?: BarRange;
}

export const setMarks = decisionKind({
  kind: 'setMarks',
  points: BARS_OF_A_PART,
  dto: SetMarks,
  apply: (settings, made) => {
    const { mark, use, strength, bars } = made;
    // A rule for the whole part takes the place of all before it.
    const before = (settings.marks[made.part] ?? []).filter((rule) => bars !== undefined || rule.mark !== mark);
    return {
      ...settings,
      marks: entered(settings.marks, made.part, listed(before, { mark, use, strength, ...(bars && { bars }) })),
    };
  },
  describe: (made, nameOf) =>
    inSomeBars(
      say('decisions.marksOf', {
        part: nameOf(made.part),
        mark: withinASentence(MARK_NAMES[made.mark]),
        use: made.use,
        strength: made.strength,
      }),
      made.bars,
    ),
});
