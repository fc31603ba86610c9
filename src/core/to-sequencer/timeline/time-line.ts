/*
 * The time line as it is played: repeats, endings and jumps carried out, bars one after the other.
 *
 *     written   |: 1  2 :| 3 |        played   1 2 1 2 3
 */
import { playOrder, type Score } from '../../score';
import { barLength, type Bar, type WrittenUnits } from '../../time';
import type { SequencerSettings } from '../../settings';

export interface PlayedBar {
  /** Index of the written bar. */
  bar: number;
  /** Where it begins on the played time line. */
  start: WrittenUnits;
  length: WrittenUnits;
  /** Which playing of this bar it is, from 1. */
  time: number;
  /** Silence put in front so that a pickup bar is a full one. */
  silence: WrittenUnits;
  /** A pickup that fills up the bar before it, where pickups are padded: both are one bar. */
  joins: boolean;
}

export interface TimeLine {
  bars: PlayedBar[];
  end: WrittenUnits;
}

export function timeLineOf(
  score: Score,
  { playRepeats, onlyBars, padPickup }: Pick<SequencerSettings, 'playRepeats' | 'onlyBars' | 'padPickup'>,
): TimeLine {
  const order =
    playRepeats && !onlyBars
      ? playOrder(score.signs, score.bars.length)
      : score.bars.map((bar) => bar.index).filter((b) => !onlyBars || (b >= onlyBars.from && b < onlyBars.to));
  const times = new Map<number, number>();
  const bars: PlayedBar[] = [];
  let start = 0;
  for (const bar of order) {
    const { length } = score.bars[bar]!;
    const time = (times.get(bar) ?? 0) + 1;
    times.set(bar, time);
    const missing = padPickup ? missingBefore(score, bar, bars.length === 0) : 0;
    const before = bars.at(-1);
    const joins = missing > 0 && before !== undefined && fillsUp(score.bars[before.bar]!, missing);
    const silence = joins ? 0 : missing;
    bars.push({ bar, start: start + silence, length, time, silence, joins });
    start += silence + length;
  }
  return { bars, end: start };
}

/** What a pickup lacks of a full bar; each time it is played, also after a jump. */
function missingBefore({ bars }: Score, bar: number, first: boolean): WrittenUnits {
  const { implicit, meter, length } = bars[bar]!;
  return implicit && (first || bar === 0) ? Math.max(0, barLength(meter) - length) : 0;
}

/** A last bar is often short by the pickup that follows it when the music is played again. */
const fillsUp = ({ implicit, length }: Bar, missing: WrittenUnits) => implicit && length === missing;
