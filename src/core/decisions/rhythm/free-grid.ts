import { Equals, Matches } from 'class-validator';
import type { PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { without } from '../records';
import { PART } from '../validators';

export class FreeGrid {
  @Equals('freeGrid') kind!: 'freeGrid';
  @Matches(PART) part!: PartId;
}

export const freeGrid = decisionKind({
  kind: 'freeGrid',
  dto: FreeGrid,
  apply: (settings, made) => ({ ...settings, grids: without(settings.grids, made.part) }),
  describe: (made, nameOf) => `${nameOf(made.part)}: grid found by the engine again`,
});
