import { say } from '../../words';
import { IsBoolean, IsIn, IsInt, Max, Min } from 'class-validator';
import { FRAME_RATES, type FrameRate } from '../../studio';
import type { Recipe } from '../recipe';
import { asTheyAre, type Delivery } from './form';
import { MOST_FRAMES } from './map';

/** Lists: CSV for a spreadsheet, and text. */
export class ListsWish {
  @IsBoolean() tracks!: boolean;
  /** Every bar and change with time and code. */
  @IsBoolean() times!: boolean;
  /** Open queries, to be answered. */
  @IsBoolean() queries!: boolean;
  /** Of the table of times. */
  @IsIn(FRAME_RATES) rate!: FrameRate;
  @IsInt() @Min(0) @Max(MOST_FRAMES) start!: number;
}

export const USUAL_LISTS: ListsWish = { tracks: true, times: true, queries: false, rate: '25', start: 0 };

/** One time line for both: count-in and time code are those of the map. */
const asTheMap = ({ map }: Recipe) => (map ? say('documents.barsAndTimesAsInTheStudioMap') : null);

export const lists: Delivery<ListsWish> = {
  get name() {
    return say('documents.lists');
  },
  get about() {
    return say('documents.forSpreadsheetsAndForWhoeverCan');
  },
  get what() {
    return say('documents.kindsOfFiles', { kind: 'lists' });
  },
  usual: USUAL_LISTS,
  Shape: ListsWish,
  form: {
    tracks: {
      get tick() {
        return say('documents.tracks');
      },
      isFile: true,
    },
    times: {
      get tick() {
        return say('documents.barsAndTimes');
      },
      isFile: true,
    },
    queries: {
      get tick() {
        return say('documents.openQueries');
      },
      isFile: true,
    },
    rate: {
      get name() {
        return say('documents.timeCode');
      },
      oneOf: asTheyAre(FRAME_RATES),
      instead: asTheMap,
    },
    start: {
      get name() {
        return say('documents.timeCodeOfBar1');
      },
      codeAt: 'rate',
      instead: asTheMap,
    },
  },
};
