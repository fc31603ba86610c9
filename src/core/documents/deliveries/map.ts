import { say } from '../../words';
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
  get name() {
    return say('documents.studioMap');
  },
  get about() {
    return say('documents.tempoMetersKeysAndMarkersNoNotes');
  },
  get what() {
    return say('documents.kindsOfFiles', { kind: 'map' });
  },
  usual: USUAL_MAP,
  Shape: MapWish,
  form: {
    click: {
      get tick() {
        return say('documents.click');
      },
    },
    countIn: {
      get name() {
        return say('documents.countInBars');
      },
      ...COUNT_IN,
    },
    tolerance: {
      get name() {
        return say('documents.toleranceOfTempo');
      },
      ...TOLERANCE,
      unit: 'ms',
    },
    ticksPerQuarter: {
      get name() {
        return say('documents.ticksPerQuarterOfTheMap');
      },
      oneOf: TICKS,
    },
    rate: {
      get name() {
        return say('documents.timeCode');
      },
      oneOf: asTheyAre(FRAME_RATES),
    },
    start: {
      get name() {
        return say('documents.timeCodeOfBar1');
      },
      codeAt: 'rate',
    },
  },
};
