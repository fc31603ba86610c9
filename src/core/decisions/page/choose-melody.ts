import { say } from '../../words';
import { Equals, Matches, ValidateIf } from 'class-validator';
import type { PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { A_PART } from '../roles';
import { PART } from '../validators';

/** Whose tune the lead sheet has. */
export class ChooseMelody {
  @Equals('chooseMelody') kind!: 'chooseMelody';
  /** Null: the one that is sung, or lies highest. */
  @ValidateIf((one: ChooseMelody) => one.part !== null) @Matches(PART) part!: PartId | null;
}

export const chooseMelody = decisionKind({
  kind: 'chooseMelody',
  points: A_PART,
  dto: ChooseMelody,
  apply: (settings, { part }) => ({ ...settings, extracts: { ...settings.extracts, melody: part } }),
  describe: ({ part }, nameOf) =>
    part === null
      ? say('decisions.leadSheetTuneAutomatic')
      : say('decisions.leadSheetTuneFromNameOf', { nameOf: nameOf(part) }),
});
