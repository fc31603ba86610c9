import { say } from '../../words';
import { Equals, IsInt, Max, Min } from 'class-validator';
import { QUARTER } from '../../time';
import { decisionKind } from '../decision-kind';
import { mended, placeWords } from './mended';

/** Every barline from a place on so much later, or earlier. */
export class ShiftBarlines {
  @Equals('shiftBarlines') kind!: 'shiftBarlines';
  @IsInt() @Min(0) from!: number;
  @IsInt() @Min(-64 * QUARTER) @Max(64 * QUARTER) by!: number;
}

export const shiftBarlines = decisionKind({
  kind: 'shiftBarlines',
  points: { from: 'place' },
  dto: ShiftBarlines,
  apply: (settings, { from, by }) => mended(settings, { kind: 'barlines', from, by }),
  describe: ({ from, by }) => {
    const quarters = Math.abs(by) / QUARTER;
    return say('decisions.barlinesQuartersQuarterEarlier', { quarters, by0: by < 0, placeWords: placeWords(from) });
  },
});
