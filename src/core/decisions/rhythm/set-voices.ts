import { say } from '../../words';
import { Equals, IsInt, Matches, Max, Min } from 'class-validator';
import type { PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { A_PART } from '../roles';
import { entered } from '../records';
import { PART } from '../validators';

export class SetVoices {
  @Equals('setVoices') kind!: 'setVoices';
  @Matches(PART) part!: PartId;
  @IsInt() @Min(1) @Max(4) most!: number;
}

export const setVoices = decisionKind({
  kind: 'setVoices',
  points: A_PART,
  dto: SetVoices,
  apply: (settings, made) => ({ ...settings, voices: entered(settings.voices, made.part, made.most) }),
  describe: (made, nameOf) =>
    say('decisions.nameOfAtMostMostVoicePerStaff', { nameOf: nameOf(made.part), most: made.most }),
});
