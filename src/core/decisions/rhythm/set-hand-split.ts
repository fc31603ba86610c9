import { say } from '../../words';
import { Equals, IsInt, Matches, Max, Min, ValidateIf } from 'class-validator';
import type { PartId } from '../../base';
import { keyInWords } from '../../score';
import { decisionKind } from '../decision-kind';
import { A_PART } from '../roles';
import { entered, without } from '../records';
import { PART } from '../validators';

/** Lowest key of the upper staff; null lets the hands move. */
export class SetHandSplit {
  @Equals('setHandSplit') kind!: 'setHandSplit';
  @Matches(PART) part!: PartId;
  @ValidateIf((one: SetHandSplit) => one.key !== null) @IsInt() @Min(0) @Max(127) key!: number | null;
}

export const setHandSplit = decisionKind({
  kind: 'setHandSplit',
  points: A_PART,
  dto: SetHandSplit,
  apply: (settings, made) => ({
    ...settings,
    handSplits:
      made.key === null ? without(settings.handSplits, made.part) : entered(settings.handSplits, made.part, made.key),
  }),
  describe: (made, nameOf) =>
    `${nameOf(made.part)}: ${made.key === null ? say('decisions.handsMoveFreely') : say('decisions.stavesSplitAtKeyInWords', { keyInWords: keyInWords(made.key) })}`,
});
