import { say } from '../../words';
import { Equals, Matches } from 'class-validator';
import type { PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { A_PART } from '../roles';
import { without } from '../records';
import { PART } from '../validators';

export class FreeGrid {
  @Equals('freeGrid') kind!: 'freeGrid';
  @Matches(PART) part!: PartId;
}

export const freeGrid = decisionKind({
  kind: 'freeGrid',
  points: A_PART,
  dto: FreeGrid,
  apply: (settings, made) => ({ ...settings, grids: without(settings.grids, made.part) }),
  describe: (made, nameOf) => say('decisions.nameOfGridAutomatic', { nameOf: nameOf(made.part) }),
});
