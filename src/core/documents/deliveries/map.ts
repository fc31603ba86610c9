import { IsBoolean, IsIn, IsInt, IsNumber, Max, Min } from 'class-validator';
import { FRAME_RATES, type FrameRate } from '../../studio';
import { asTheyAre, type Delivery } from './form';
import { TICKS, TICK_BOUNDS } from './ticks';

const TOLERANCE = { from: 0, to: 1000 };
const COUNT_IN = { from: 0, to: 16 };
/** A day and more, at any rate. */
export const MOST_FRAMES = 10_000_000;

/** The studio's map: tempo, meters, keys, markers. */
export class MapWish {
  @IsInt() @Min(TICK_BOUNDS.from) @Max(TICK_BOUNDS.to) ticksPerQuarter!: number;
  /** Milliseconds the thinned clock may be from the exact one. */
  @IsNumber() @Min(TOLERANCE.from) @Max(TOLERANCE.to) tolerance!: number;
  @IsBoolean() click!: boolean;
  /** Bars. */
  @IsInt() @Min(COUNT_IN.from) @Max(COUNT_IN.to) countIn!: number;
  @IsIn(FRAME_RATES) rate!: FrameRate;
  /** Code at the first bar, as a count of frames. */
  @IsInt() @Min(0) @Max(MOST_FRAMES) start!: number;
}

export const USUAL_MAP: MapWish = {
  ticksPerQuarter: 960,
  tolerance: 0,
  click: false,
  countIn: 0,
  rate: '25',
  start: 0,
};

export const map: Delivery<MapWish> = {
  name: 'Studio map',
  about: 'tempo, meters, keys and markers, no notes',
  what: 'the studio map',
  usual: USUAL_MAP,
  Shape: MapWish,
  form: {
    click: { tick: 'Click' },
    countIn: { name: 'Count-in, bars', ...COUNT_IN },
    tolerance: { name: 'Tolerance of tempo', ...TOLERANCE, unit: 'ms' },
    ticksPerQuarter: { name: 'Ticks per quarter of the map', oneOf: TICKS },
    rate: { name: 'Time code', oneOf: asTheyAre(FRAME_RATES) },
    start: { name: 'Time code of bar 1', codeAt: 'rate' },
  },
};
