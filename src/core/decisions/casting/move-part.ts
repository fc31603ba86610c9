import { say } from '../../words';
import { Equals, Matches, ValidateIf } from 'class-validator';
import type { PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { listed } from '../records';
import { PART } from '../validators';

export class MovePart {
  @Equals('movePart') kind!: 'movePart';
  @Matches(PART) part!: PartId;
  /** The part it now stands before; null for the foot of the page. */
  @ValidateIf((one: MovePart) => one.before !== null) @Matches(PART) before!: PartId | null;
}

export const movePart = decisionKind({
  kind: 'movePart',
  points: { part: 'id', before: 'id' },
  dto: MovePart,
  apply: (settings, made) => ({
    ...settings,
    moves: listed(settings.moves, { part: made.part, before: made.before }),
  }),
  describe: (made, nameOf) =>
    say('decisions.nameOfMovedToTheBottomOfTheScore', {
      nameOf: nameOf(made.part),
      madeBefore: made.before === null,
      nameOf2: made.before && nameOf(made.before),
    }),
});
