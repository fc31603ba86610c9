import { say } from '../../words';
import { Equals, IsIn, IsInt, Matches, Max, Min, ValidateIf } from 'class-validator';
import type { PartId } from '../../base';
import { CLEF_NAMES, type Clef } from '../../instruments';
import { decisionKind } from '../decision-kind';
import { A_PART } from '../roles';
import { PART } from '../validators';

/** Clef of a staff throughout; null leaves it to custom again. */
export class ChooseClef {
  @Equals('chooseClef') kind!: 'chooseClef';
  @Matches(PART) part!: PartId;
  @IsInt() @Min(1) @Max(4) staff!: number;
  @ValidateIf((one: ChooseClef) => one.clef !== null) @IsIn(CLEF_NAMES) clef!: Clef | null;
}

export const chooseClef = decisionKind({
  kind: 'chooseClef',
  points: A_PART,
  dto: ChooseClef,
  apply: (settings, made) => {
    const own = Object.fromEntries(
      Object.entries(settings.clefs[made.part] ?? {}).filter(([staff]) => Number(staff) !== made.staff),
    );
    return {
      ...settings,
      clefs: {
        ...settings.clefs,
        [made.part]: made.clef === null ? own : { ...own, [made.staff]: made.clef },
      },
    };
  },
  describe: (made, nameOf) =>
    `${nameOf(made.part)}: ${made.clef === null ? say('decisions.defaultClef') : `${made.clef.replace('-8vb', ' clef an octave lower')}${made.clef.includes('8vb') ? '' : ' clef'}`}${made.staff > 1 ? say('decisions.staffStaff', { staff: made.staff }) : ''}`,
});
