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
const asTheMap = ({ map }: Recipe) => (map ? 'Bars and times as in the studio map' : null);

export const lists: Delivery<ListsWish> = {
  name: 'Lists',
  about: 'for spreadsheets, and for whoever can answer',
  what: 'lists',
  usual: USUAL_LISTS,
  Shape: ListsWish,
  form: {
    tracks: { tick: 'Tracks', isFile: true },
    times: { tick: 'Bars and times', isFile: true },
    queries: { tick: 'Open queries', isFile: true },
    rate: { name: 'Time code', oneOf: asTheyAre(FRAME_RATES), instead: asTheMap },
    start: { name: 'Time code of bar 1', codeAt: 'rate', instead: asTheMap },
  },
};
