/* What a path of beats is paid for, and what it pays. The numbers were chosen on free playing of other seeds than the tables’. */
import type { Seconds } from '../time';
import type { Onset } from './onsets';

/** What an uneven step costs, by the square of its octaves; beyond so many octaves by their size. */
const UNEVEN = 13.8;
const BENT = 0.27;
/** A stride of more beats than this may bend for less: its own are not known one by one. */
const WHOLE_STRIDE = 3;
/** What it costs to be back at the pace of before at once, after a slowing. */
const A_TEMPO = 0.5;
/** What a beat on which nothing is struck costs, and how many of them may follow each other. */
export const SILENT = 0.45;
export const MOST_SILENT = 3;
/** What a beat earns whatever it is on: held notes have few that stand out. */
export const EARNED = 0.5;
/** What an onset between beats costs that lies on no half, third or quarter of one, and how far off that is, in beats. */
const MISFIT = 0.45;
const OFF_PLACE = 0.065;
const PLACES = [0, 1 / 4, 1 / 3, 1 / 2, 2 / 3, 3 / 4, 1];

/** What a stride of so many beats costs after another period, or after a slowing from a pace that is taken up again. */
export function bendCost(period: Seconds, before: Seconds, pace: Seconds, beats: number): number {
  const back = A_TEMPO + uneven(Math.log2(period / pace));
  return Math.min(uneven(Math.log2(period / before)), back) * Math.min(1, WHOLE_STRIDE / beats);
}

/** Small changes cost by their square; a tempo taken up again after a slowing costs no more than it must. */
function uneven(bend: number): number {
  const size = Math.abs(bend);
  return UNEVEN * (size < BENT ? size * size : BENT * (2 * size - BENT));
}

/** What it costs to lie in each of so many parts of a beat: halves, thirds and quarters are free. */
const PARTS = 240;
const COST_OF_PART = Array.from({ length: PARTS + 1 }, (_, part) => {
  const away = Math.min(...PLACES.map((place) => Math.abs(place - part / PARTS)));
  return MISFIT * Math.min(1, (away / OFF_PLACE) ** 2);
});

/** What the onsets between two beats, or several with silent ones between, cost by where they lie. */
export function misfit(onsets: readonly Onset[], from: number, to: number, period: Seconds): number {
  let cost = 0;
  for (let k = from + 1; k < to; k++) {
    const place = ((onsets[k]!.at - onsets[from]!.at) / period) % 1;
    cost += COST_OF_PART[Math.round(place * PARTS)]!;
  }
  return cost;
}
