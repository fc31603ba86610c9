import { say } from '../../words';
import { Equals, IsBoolean, Matches } from 'class-validator';
import type { PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { A_PART } from '../roles';
import { entered, without } from '../records';
import { PART } from '../validators';

/** Whether trills, tremolos, grace notes and spread chords are looked for. */
export class SetOrnaments {
  @Equals('setOrnaments') kind!: 'setOrnaments';
  @Matches(PART) part!: PartId;
  @IsBoolean() on!: boolean;
}

export const setOrnaments = decisionKind({
  kind: 'setOrnaments',
  points: A_PART,
  dto: SetOrnaments,
  apply: (settings, made) => ({
    ...settings,
    plain: made.on ? without(settings.plain, made.part) : entered(settings.plain, made.part, true),
  }),
  describe: (made, nameOf) =>
    `${nameOf(made.part)}: ${made.on ? say('decisions.trillsTremolosAndGraceNotesFound') : say('decisions.noTrillsTremolosOrGraceNotes')}`,
});
