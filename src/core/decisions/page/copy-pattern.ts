import { say } from '../../words';
import { Equals, IsInt, Matches, Min } from 'class-validator';
import type { PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { marked } from '../edited';
import { BarRange, inBars } from '../shapes/bar-range';
import { PART, IsShape } from '../validators';

/** Articulations and slurs of a bar go to all bars of the same rhythm in a range. */
export class CopyPattern {
  @Equals('copyPattern') kind!: 'copyPattern';
  @Matches(PART) part!: PartId;
  @IsInt() @Min(0) bar!: number;
  @IsShape(BarRange) bars!: BarRange;
}

export const copyPattern = decisionKind({
  kind: 'copyPattern',
  points: { part: 'id', bar: 'bar', bars: 'span' },
  dto: CopyPattern,
  apply: (settings, { part, bar, bars }) => marked(settings, part, [{ kind: 'pattern', bar, to: bars }]),
  describe: (made, nameOf) =>
    say('decisions.nameOfArticulationOfABarCopiedTo', { nameOf: nameOf(made.part), inBars: inBars(made.bars) }),
});
