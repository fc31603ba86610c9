/*
 * The time line as it is played: repeats, endings and jumps carried out, bars one after the other.
 *
 *     written   |: 1  2 :| 3 |        played   1 2 1 2 3
 */
import { playOrder, type Score } from '../../score';
import { barLength, type WrittenUnits } from '../../time';
import type { SequencerSettings } from '../../settings';

export interface PlayedBar {
  /** Index of the written bar. */
  bar: number;
  /** Where it begins on the played time line. */
  start: WrittenUnits;
  length: WrittenUnits;
  /** Which playing of this bar it is, from 1. */
  time: number;
}

export interface TimeLine {
  bars: PlayedBar[];
  end: WrittenUnits;
  /** Silence put in front so that a pickup bar is a full one. */
  padding: WrittenUnits;
}

export function timeLineOf(
  score: Score,
  { playRepeats, onlyBars, padPickup }: Pick<SequencerSettings, 'playRepeats' | 'onlyBars' | 'padPickup'>,
): TimeLine {
  const order =
    playRepeats && !onlyBars
      ? playOrder(score.signs, score.bars.length)
      : score.bars.map((bar) => bar.index).filter((b) => !onlyBars || (b >= onlyBars.from && b < onlyBars.to));
  const first = order.length > 0 ? score.bars[order[0]!]! : null;
  const padding = padPickup && first && first.implicit ? Math.max(0, barLength(first.meter) - first.length) : 0;
  let start = padding;
  const times = new Map<number, number>();
  const bars = order.map((bar): PlayedBar => {
    const time = (times.get(bar) ?? 0) + 1;
    times.set(bar, time);
    const placed = { bar, start, length: score.bars[bar]!.length, time };
    start += placed.length;
    return placed;
  });
  return { bars, end: start, padding };
}
