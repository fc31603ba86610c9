/* Velocities: level, scaled to a range, shaped by the place in the bar. */
import { highest, lowest } from '../../base';
import type { Treatment } from '../../settings';
import { barIndexAt, QUARTER, type Bar } from '../../time';
import type { TreatedNote } from './treat';

const within = (value: number) => Math.max(1, Math.min(127, Math.round(value)));

export function levelled<T extends TreatedNote>(notes: readonly T[], velocity: number): T[] {
  return notes.map((note) => ({ ...note, velocity }));
}

export function scaled<T extends TreatedNote>(notes: readonly T[], weakest: number, strongest: number): T[] {
  const all = notes.map((note) => note.velocity);
  const [low, high] = [lowest(all), highest(all)];
  if (low === high) return notes.map((note) => ({ ...note, velocity: within((weakest + strongest) / 2) }));
  const share = (velocity: number) => (velocity - low) / (high - low);
  return notes.map((note) => ({ ...note, velocity: within(weakest + share(note.velocity) * (strongest - weakest)) }));
}

/** A note this share of a quarter beside a beat is on it. */
const NEAR: number = QUARTER / 8;

export function accented<T extends TreatedNote>(
  notes: readonly T[],
  { first, beats, between }: Extract<Treatment, { kind: 'accents' }>,
  bars: readonly Bar[],
): T[] {
  const starts = bars.map((bar) => bar.start);
  return notes.map((note) => {
    const bar = bars[barIndexAt(starts, note.start + NEAR)]!;
    const beat = (4 * QUARTER) / bar.meter.beatType;
    const at = note.start - bar.start;
    const off = Math.abs(at - Math.round(at / beat) * beat);
    const onBeat = Math.round(at / beat) === 0 ? first : beats;
    const added = off > NEAR ? between : onBeat;
    return { ...note, velocity: within(note.velocity + added) };
  });
}
