import { say } from '../../words';
import { Equals, IsIn, IsInt, Matches, Min, ValidateIf } from 'class-validator';
import type { PartId } from '../../base';
import { HAIRPINS, type Hairpin } from '../../score';
import { decisionKind } from '../decision-kind';
import { FROM_NOTE_TO_NOTE } from '../roles';
import { marked } from '../edited';
import { PART } from '../validators';

/** A hairpin from one note to another, instead of what stands there; null: none. */
export class SetHairpin {
  @Equals('setHairpin') kind!: 'setHairpin';
  @Matches(PART) part!: PartId;
  @IsInt() @Min(0) from!: number;
  @IsInt() @Min(0) to!: number;
  @ValidateIf((one: SetHairpin) => one.shape !== null) @IsIn(HAIRPINS) shape!: Hairpin['kind'] | null;
}

export const setHairpin = decisionKind({
  kind: 'setHairpin',
  points: FROM_NOTE_TO_NOTE,
  dto: SetHairpin,
  apply: (settings, { part, from, to, shape }) => marked(settings, part, [{ kind: 'hairpin', from, to, shape }]),
  describe: ({ part, shape }, nameOf) =>
    `${nameOf(part)}: ${shape === null ? say('decisions.aHairpinRemoved') : say('decisions.aShapeWritten', { shape })}`,
});
