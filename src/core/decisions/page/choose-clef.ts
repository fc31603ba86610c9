import { say } from '../../words';
import { Equals, IsIn, IsInt, Matches, Max, Min, ValidateIf } from 'class-validator';
import type { PartId } from '../../base';
import { CLEF_NAMES, clefName, type Clef } from '../../instruments';
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
  describe: ({ part, staff, clef }, nameOf) =>
    clef === null
      ? say('decisions.clefDefault', { part: nameOf(part), staff })
      : say('decisions.clefChosen', { part: nameOf(part), staff, clef: clefName(clef) }),
});
