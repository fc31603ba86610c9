import { Equals, IsBoolean } from 'class-validator';
import { decisionKind } from '../decision-kind';

/** Whether lines and pages of a received score begin where they did. */
export class SetBreaks {
  @Equals('setBreaks') kind!: 'setBreaks';
  @IsBoolean() keep!: boolean;
}

export const setBreaks = decisionKind({
  kind: 'setBreaks',
  dto: SetBreaks,
  apply: (settings, { keep }) => ({ ...settings, keepBreaks: keep }),
  describe: ({ keep }) => (keep ? 'Breaks of lines and pages kept' : 'No breaks: the target program lays out'),
});
