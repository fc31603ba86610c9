import { say } from '../../words';
import { Equals, IsInt, IsNumber, Max, Min, ValidateIf } from 'class-validator';
import { decisionKind } from '../decision-kind';
import { mended, placeWords } from './mended';

/** A tempo from a place on; null takes a change away. */
export class SetTempo {
  @Equals('setTempo') kind!: 'setTempo';
  /** Units of a 10080th of a quarter. */
  @IsInt() @Min(0) at!: number;
  /** Quarters a minute. */
  @ValidateIf((made: SetTempo) => made.bpm !== null) @IsNumber() @Min(4) @Max(1000) bpm!: number | null;
}

export const setTempo = decisionKind({
  kind: 'setTempo',
  points: { at: 'place' },
  dto: SetTempo,
  apply: (settings, { at, bpm }) => mended(settings, { kind: 'tempo', at, bpm }),
  describe: ({ at, bpm }) =>
    bpm === null
      ? say('decisions.noTempoChangePlaceWords', { placeWords: placeWords(at) })
      : say('decisions.tempoBpmQuartersPerMinute', { bpm, placeWords: placeWords(at) }),
});
