import { say } from '../../words';
import { Equals, IsBoolean, IsInt, Matches, Min } from 'class-validator';
import type { PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { FROM_NOTE_TO_NOTE } from '../roles';
import { marked } from '../edited';
import { PART } from '../validators';

/** A slur from one note to another, or none there. */
export class SetSlur {
  @Equals('setSlur') kind!: 'setSlur';
  @Matches(PART) part!: PartId;
  @IsInt() @Min(0) from!: number;
  @IsInt() @Min(0) to!: number;
  @IsBoolean() on!: boolean;
}

export const setSlur = decisionKind({
  kind: 'setSlur',
  points: FROM_NOTE_TO_NOTE,
  dto: SetSlur,
  apply: (settings, { part, from, to, on }) => marked(settings, part, [{ kind: 'slur', from, to, on }]),
  describe: (made, nameOf) =>
    say('decisions.nameOfASlurWritten', { nameOf: nameOf(made.part), madeOn: Boolean(made.on) }),
});
