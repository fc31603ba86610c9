import { say } from '../../words';
import { Equals, IsIn, Matches, ValidateIf } from 'class-validator';
import type { PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { BARS_OF_A_PART } from '../roles';
import { listed } from '../records';
import { BarRange, inBars } from '../shapes/bar-range';
import { PART, IsShape } from '../validators';

/** Chromatic notes of some bars; null means all parts. */
export class PreferNames {
  @Equals('preferNames') kind!: 'preferNames';
  @ValidateIf((one: PreferNames) => one.part !== null) @Matches(PART) part!: PartId | null;
  @IsShape(BarRange) bars!: BarRange;
  @IsIn(['sharps', 'flats']) prefer!: 'sharps' | 'flats';
}

export const preferNames = decisionKind({
  kind: 'preferNames',
  points: BARS_OF_A_PART,
  dto: PreferNames,
  apply: (settings, made) => ({
    ...settings,
    spellings: listed(settings.spellings, { kind: 'bars', part: made.part, bars: made.bars, prefer: made.prefer }),
  }),
  describe: (made, nameOf) =>
    say('decisions.partPreferPreferredInBars', {
      part: made.part === null ? say('decisions.allParts') : nameOf(made.part),
      prefer: made.prefer,
      inBars: inBars(made.bars),
    }),
});
