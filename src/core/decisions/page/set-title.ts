import { Equals, IsString, MaxLength } from 'class-validator';
import { decisionKind } from '../decision-kind';

export class SetTitle {
  @Equals('setTitle') kind!: 'setTitle';
  @IsString() @MaxLength(300) title!: string;
}

export const setTitle = decisionKind({
  kind: 'setTitle',
  dto: SetTitle,
  apply: (settings, made) => ({ ...settings, title: made.title }),
  describe: (made) => `Title: “${made.title}”`,
});
