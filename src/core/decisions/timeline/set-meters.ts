import { say } from '../../words';
import { ArrayMaxSize, Equals, IsIn, IsInt, IsOptional, Max, Min, ValidateIf } from 'class-validator';
import { meterInWords } from '../../time';
import { decisionKind } from '../decision-kind';
import { AreParts, AreShapes } from '../validators';
import { mended, placeWords } from './mended';

const BEAT_TYPES = [1, 2, 4, 8, 16, 32] as const;

export class MeterShape {
  @IsInt() @Min(1) @Max(64) beats!: number;
  @IsIn(BEAT_TYPES) beatType!: number;
  /** How the beats are counted, where that is written: 3, 2 and 2 of 7/8. */
  @IsOptional() @AreParts('beats') groups?: readonly number[];
}

/** Meters in turn from a barline on; an empty list lets go what begins there. */
export class SetMeters {
  @Equals('setMeters') kind!: 'setMeters';
  @IsInt() @Min(0) from!: number;
  /** Where what was there before goes on; null for the end. */
  @ValidateIf((made: SetMeters) => made.to !== null) @IsInt() @Min(1) to!: number | null;
  @ArrayMaxSize(16) @AreShapes(MeterShape) meters!: MeterShape[];
}

export const setMeters = decisionKind({
  kind: 'setMeters',
  points: { from: 'place', to: 'placeEnd' },
  dto: SetMeters,
  apply: (settings, { from, to, meters }) =>
    to === null || to > from ? mended(settings, { kind: 'meters', from, to, meters }) : settings,
  describe: ({ from, meters }) =>
    meters.length === 0
      ? say('decisions.noMeterChangePlaceWords', { placeWords: placeWords(from) })
      : say('decisions.metersFrom', {
          meters: meters.map(meterInWords).join(' '),
          several: meters.length > 1,
          placeWords: placeWords(from),
        }),
});
