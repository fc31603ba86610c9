import { say } from '../../words';
import { Equals, IsBoolean, Matches } from 'class-validator';
import type { PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { A_PART } from '../roles';
import { entered, without } from '../records';
import { PART } from '../validators';

export class SetOctaveLines {
  @Equals('setOctaveLines') kind!: 'setOctaveLines';
  @Matches(PART) part!: PartId;
  @IsBoolean() on!: boolean;
}

export const setOctaveLines = decisionKind({
  kind: 'setOctaveLines',
  points: A_PART,
  dto: SetOctaveLines,
  apply: (settings, made) => ({
    ...settings,
    plainOctaves: made.on ? without(settings.plainOctaves, made.part) : entered(settings.plainOctaves, made.part, true),
  }),
  describe: (made, nameOf) =>
    `${nameOf(made.part)}: ${made.on ? say('decisions.n8vaWhereLedgerLinesPileUp') : say('decisions.no8va')}`,
});
