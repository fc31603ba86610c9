import { say } from '../../words';
import { Equals, IsInt, IsOptional, IsString, MaxLength, Min, ValidateIf } from 'class-validator';
import { decisionKind } from '../decision-kind';
import { mended, placeWords } from './mended';

/** A marker at a place; null takes one away. */
export class SetMarker {
  @Equals('setMarker') kind!: 'setMarker';
  @IsInt() @Min(0) at!: number;
  @ValidateIf((made: SetMarker) => made.text !== null) @IsString() @MaxLength(200) text!: string | null;
  /** Which of several there; all of them when absent. */
  @IsOptional() @IsString() @MaxLength(1000) was?: string;
}

export const setMarker = decisionKind({
  kind: 'setMarker',
  points: { at: 'place' },
  dto: SetMarker,
  apply: (settings, { at, text, was }) =>
    mended(settings, { kind: 'marker', at, text, ...(was !== undefined && { was }) }),
  describe: ({ at, text, was }) =>
    text === null
      ? say('decisions.noMarker', { was: Boolean(was), was2: was, placeWords: placeWords(at) })
      : say('decisions.markerTextPlaceWords', { text, placeWords: placeWords(at) }),
});
