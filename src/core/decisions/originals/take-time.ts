import { say } from '../../words';
import { Equals, IsInt, Max, Min } from 'class-validator';
import { decisionKind } from '../decision-kind';
import { NOWHERE } from '../roles';

/** One of the originals is another version of the same music: the others have the bars, it has the times. */
export class TakeTime {
  @Equals('takeTime') kind!: 'takeTime';
  /** Its number from 1; 0 takes nobody's time. */
  @IsInt() @Min(0) @Max(99) original!: number;
}

export const takeTime = decisionKind({
  kind: 'takeTime',
  points: NOWHERE,
  dto: TakeTime,
  apply: (settings, { original }) => ({ ...settings, timeFrom: original }),
  describe: ({ original }) =>
    original === 0
      ? say('decisions.timesOfNoOtherOriginalUsed')
      : say('decisions.timesVelocitiesAndControllersOf', { original }),
});
