/* Onsets drawn to a grid: as near as the strength says, with long and short off-beats where it swings. */
import { VALUE_LENGTH, type Treatment } from '../../settings';
import { barIndexAt, type Bar } from '../../time';
import { swungBy } from '../loosening/loosen';
import type { TreatedNote } from './treat';

type Quantize = Extract<Treatment, { kind: 'quantize' }>;

export function quantized<T extends TreatedNote>(
  notes: readonly T[],
  { grid, triplets, strength, swing, ends }: Quantize,
  bars: readonly Bar[],
): T[] {
  const starts = bars.map((bar) => bar.start);
  const step = (VALUE_LENGTH[grid] * 2) / (triplets ? 3 : 2);
  // Places are counted from the barline, which may stand anywhere.
  const place = (at: number): number => {
    const bar = bars[barIndexAt(starts, at)]!;
    const even = bar.start + Math.round((at - bar.start) / step) * step;
    const unit = grid === '16th' || grid === '32nd' ? ('16th' as const) : ('eighth' as const);
    const home = bars[barIndexAt(starts, even)]!;
    return even + (triplets ? 0 : swungBy(even, { ratio: swing, unit }, home));
  };
  const drawn = (at: number) => at + (place(at) - at) * strength;
  return notes.map((note) => {
    const start = drawn(note.start);
    const end = ends ? drawn(note.end) : note.end + start - note.start;
    // What would last no time keeps a step of the grid.
    return { ...note, start, end: end > start ? end : start + Math.min(step, note.end - note.start) };
  });
}
