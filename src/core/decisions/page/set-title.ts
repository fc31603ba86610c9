import { say } from '../../words';
import { Equals, IsString, MaxLength } from 'class-validator';
import { decisionKind } from '../decision-kind';
import { NOWHERE } from '../roles';

export class SetTitle {
  @Equals('setTitle') kind!: 'setTitle';
  @IsString() @MaxLength(300) title!: string;
}

export const setTitle = decisionKind({
  kind: 'setTitle',
  points: NOWHERE,
  dto: SetTitle,
  apply: (settings, made) => ({ ...settings, title: made.title }),
  describe: (made) => say('decisions.titleMade', { made: made.title }),
});
