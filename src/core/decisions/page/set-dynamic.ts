import { say } from '../../words';
import { Equals, IsIn, IsInt, Matches, Min, ValidateIf } from 'class-validator';
import type { PartId } from '../../base';
import { DYNAMICS, type Dynamic } from '../../score';
import { decisionKind } from '../decision-kind';
import { A_NOTE } from '../roles';
import { marked } from '../edited';
import { PART } from '../validators';

/** A dynamic sign where a note begins, instead of what stands there; null: none. */
export class SetDynamic {
  @Equals('setDynamic') kind!: 'setDynamic';
  @Matches(PART) part!: PartId;
  @IsInt() @Min(0) note!: number;
  @ValidateIf((one: SetDynamic) => one.level !== null) @IsIn(DYNAMICS) level!: Dynamic | null;
}

export const setDynamic = decisionKind({
  kind: 'setDynamic',
  points: A_NOTE,
  dto: SetDynamic,
  apply: (settings, { part, note, level }) => marked(settings, part, [{ kind: 'dynamic', note, level }]),
  describe: ({ part, level }, nameOf) =>
    `${nameOf(part)}: ${level === null ? say('decisions.aDynamicRemoved') : say('decisions.levelWritten', { level })}`,
});
