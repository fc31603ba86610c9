import { say } from '../../words';
import { Equals, IsBoolean } from 'class-validator';
import { decisionKind } from '../decision-kind';
import { NOWHERE } from '../roles';

/** Whether lines and pages of a received score begin where they did. */
export class SetBreaks {
  @Equals('setBreaks') kind!: 'setBreaks';
  @IsBoolean() keep!: boolean;
}

export const setBreaks = decisionKind({
  kind: 'setBreaks',
  points: NOWHERE,
  dto: SetBreaks,
  apply: (settings, { keep }) => ({ ...settings, keepBreaks: keep }),
  describe: ({ keep }) =>
    keep ? say('decisions.lineAndPageBreaksKept') : say('decisions.noBreaksTheTargetProgramLaysOut'),
});
