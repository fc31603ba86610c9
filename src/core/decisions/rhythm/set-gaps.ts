import { say } from '../../words';
import { Equals, IsIn, Matches, ValidateIf } from 'class-validator';
import type { PartId } from '../../base';
import { SMALLEST_VALUES, type SmallestValue } from '../../settings';
import { decisionKind } from '../decision-kind';
import { A_PART } from '../roles';
import { entered, without } from '../records';
import { PART } from '../validators';
import { valueName } from '../words';

/** Gaps up to a value are closed; null closes only what looks like one. */
export class SetGaps {
  @Equals('setGaps') kind!: 'setGaps';
  @Matches(PART) part!: PartId;
  @ValidateIf((one: SetGaps) => one.upTo !== null) @IsIn(SMALLEST_VALUES) upTo!: SmallestValue | null;
}

export const setGaps = decisionKind({
  kind: 'setGaps',
  points: A_PART,
  dto: SetGaps,
  apply: (settings, made) => ({
    ...settings,
    closeGaps:
      made.upTo === null ? without(settings.closeGaps, made.part) : entered(settings.closeGaps, made.part, made.upTo),
  }),
  describe: (made, nameOf) =>
    `${nameOf(made.part)}: ${made.upTo === null ? say('decisions.gapsAutomatic') : say('decisions.gapsUpToAValueNameClosed', { valueName: valueName(made.upTo).replace(/ notes$/, '') })}`,
});
