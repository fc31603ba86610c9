import { say } from '../../words';
import { Equals, IsBoolean, Matches } from 'class-validator';
import type { PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { A_PART } from '../roles';
import { entered } from '../records';
import { TRACK } from '../validators';

export class SetSolo {
  @Equals('setSolo') kind!: 'setSolo';
  /** First track of the part. */
  @Matches(TRACK) part!: PartId;
  @IsBoolean() solo!: boolean;
}

export const setSolo = decisionKind({
  kind: 'setSolo',
  points: A_PART,
  dto: SetSolo,
  apply: (settings, made) => ({ ...settings, solos: entered(settings.solos, made.part, made.solo) }),
  describe: (made, nameOf) => `${nameOf(made.part)}: ${made.solo ? say('decisions.solo') : say('decisions.section')}`,
});
