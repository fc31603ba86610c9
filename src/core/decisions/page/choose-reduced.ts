import { say } from '../../words';
import { ArrayMaxSize, ArrayNotEmpty, Equals, IsArray, Matches, ValidateIf } from 'class-validator';
import { few, type PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { PART } from '../validators';

/** Whose notes the piano reduction has. */
export class ChooseReduced {
  @Equals('chooseReduced') kind!: 'chooseReduced';
  /** Null: all pitched parts. */
  @ValidateIf((one: ChooseReduced) => one.parts !== null)
  @IsArray()
  @ArrayNotEmpty()
  @ArrayMaxSize(1000)
  @Matches(PART, { each: true })
  parts!: PartId[] | null;
}

export const chooseReduced = decisionKind({
  kind: 'chooseReduced',
  points: { parts: 'id' },
  dto: ChooseReduced,
  apply: (settings, { parts }) => ({ ...settings, extracts: { ...settings.extracts, reduced: parts } }),
  describe: ({ parts }, nameOf) =>
    parts === null
      ? say('decisions.pianoReductionOfAllParts')
      : say('decisions.pianoReductionOfFew', { few: few(parts.map(nameOf), ', ') }),
});
