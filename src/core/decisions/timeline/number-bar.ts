import { say } from '../../words';
import { Equals, IsInt, Max, Min, ValidateIf } from 'class-validator';
import { decisionKind } from '../decision-kind';
import { mended, placeWords } from './mended';

/** The bar that begins at a place has a number, those after it go on; null lets them go on from before. */
export class NumberBar {
  @Equals('numberBar') kind!: 'numberBar';
  @IsInt() @Min(0) at!: number;
  @ValidateIf((made: NumberBar) => made.number !== null) @IsInt() @Min(-999) @Max(99_999) number!: number | null;
}

export const numberBar = decisionKind({
  kind: 'numberBar',
  points: { at: 'place' },
  dto: NumberBar,
  apply: (settings, { at, number }) => mended(settings, { kind: 'number', at, number }),
  describe: ({ at, number }) =>
    number === null
      ? say('decisions.barsCountedOnPlaceWords', { placeWords: placeWords(at) })
      : say('decisions.theBarPlaceWordsIsBarNumber', { placeWords: placeWords(at), number }),
});
