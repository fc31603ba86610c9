import { say } from '../../words';
import { Equals, Matches, ValidateIf } from 'class-validator';
import type { PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { entered, without } from '../records';
import { PART } from '../validators';

/**
 * A part that doubles another is written as that one is; as itself, when it is its own model; null leaves it to the
 * engine again.
 */
export class WriteAs {
  @Equals('writeAs') kind!: 'writeAs';
  @Matches(PART) part!: PartId;
  @ValidateIf((one: WriteAs) => one.as !== null) @Matches(PART) as!: PartId | null;
}

export const writeAs = decisionKind({
  kind: 'writeAs',
  points: { part: 'id', as: 'id' },
  dto: WriteAs,
  apply: (settings, made) => ({
    ...settings,
    doubles: made.as === null ? without(settings.doubles, made.part) : entered(settings.doubles, made.part, made.as),
  }),
  describe: (made, nameOf) => {
    if (made.as === null) return say('decisions.nameOfDoubledPassagesAutomatic', { nameOf: nameOf(made.part) });
    return say('decisions.nameOfDoubledPassagesWrittenAs', {
      nameOf: nameOf(made.part),
      madeAsMadePart: made.as === made.part,
      nameOf2: nameOf(made.as),
    });
  },
});
