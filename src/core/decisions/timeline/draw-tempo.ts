import { say } from '../../words';
import { Equals, IsInt, IsNumber, Max, Min } from 'class-validator';
import { decisionKind } from '../decision-kind';
import { mended, placeWords } from './mended';

/** Faster or slower by degrees from one place to another. */
export class DrawTempo {
  @Equals('drawTempo') kind!: 'drawTempo';
  @IsInt() @Min(0) from!: number;
  @IsInt() @Min(1) to!: number;
  /** Quarters a minute. */
  @IsNumber() @Min(4) @Max(1000) start!: number;
  @IsNumber() @Min(4) @Max(1000) end!: number;
}

export const drawTempo = decisionKind({
  kind: 'drawTempo',
  points: { from: 'place', to: 'placeEnd' },
  dto: DrawTempo,
  apply: (settings, { from, to, start, end }) =>
    to > from ? mended(settings, { kind: 'ramp', from, to, start, end }) : settings,
  describe: ({ from, start, end }) =>
    say('decisions.graduallySlowerFromStartToEnd', { endStart: end < start, start, end, placeWords: placeWords(from) }),
});
