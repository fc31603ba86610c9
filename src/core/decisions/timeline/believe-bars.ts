import { say } from '../../words';
import { Equals } from 'class-validator';
import { decisionKind } from '../decision-kind';
import { NOWHERE } from '../roles';

/** The file's own bars hold again. */
export class BelieveBars {
  @Equals('believeBars') kind!: 'believeBars';
}

export const believeBars = decisionKind({
  kind: 'believeBars',
  points: NOWHERE,
  dto: BelieveBars,
  apply: (settings) => ({ ...settings, freeTime: null }),
  describe: () => say('decisions.barsAsInTheFile'),
});
