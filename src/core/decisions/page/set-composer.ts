import { say } from '../../words';
import { Equals, IsString, MaxLength } from 'class-validator';
import { decisionKind } from '../decision-kind';
import { NOWHERE } from '../roles';

export class SetComposer {
  @Equals('setComposer') kind!: 'setComposer';
  @IsString() @MaxLength(300) composer!: string;
}

export const setComposer = decisionKind({
  kind: 'setComposer',
  points: NOWHERE,
  dto: SetComposer,
  apply: (settings, made) => ({ ...settings, composer: made.composer }),
  describe: (made) => say('decisions.composerComposer', { composer: made.composer }),
});
