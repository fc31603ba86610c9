/*
 * Loosening: what makes a mechanical performance less so, always the same from the same seed. Written values are not
 * touched; with everything at rest the notes come back as they were.
 */
import { groupBy } from '../../base';
import { isCompound, QUARTER, type Bar, type WrittenUnits } from '../../time';
import type { Score, SwingMark } from '../../score';
import type { PerformedNote } from '../playing/perform';
import { normal, seeded } from './seeded';
import type { Loosening } from '../../settings';

export function isLoose({ velocity, accent, onset, swing, legato, spread = 0 }: Loosening): boolean {
  return velocity !== 0 || accent !== 0 || onset !== 0 || swing !== 1 || legato !== 0 || spread !== 0;
}

/** A note with its written place. */
export type Looseable = Pick<PerformedNote, 'start' | 'end' | 'key' | 'velocity'> & {
  sound: Pick<PerformedNote['sound'], 'written' | 'bar'>;
};

/**
 * @param part number of the part, so that parts do not all err alike
 * @param unitsOf written units that a time takes at a place
 */
export function loosened<T extends Looseable>(
  notes: readonly T[],
  loosening: Loosening,
  part: number,
  score: Pick<Score, 'bars' | 'swing'>,
  unitsOf: (milliseconds: number, at: WrittenUnits) => number,
): T[] {
  const { bars } = score;
  if (!isLoose(loosening) && score.swing.length === 0) return [...notes];
  // What is asked for goes before what the score says.
  const swingAt = (bar: number): Swing => {
    if (loosening.swing === 'even') return EVEN;
    if (loosening.swing !== 1) return { ratio: loosening.swing, unit: 'eighth' };
    return score.swing.findLast((mark) => mark.bar <= bar) ?? EVEN;
  };
  const random = seeded(loosening.seed * 7919 + part * 104_729);
  const starts = new Map<number, { shift: number; louder: number }>();
  const { spread: spreadTime = 0 } = loosening;
  const spreadOf = spreadTime > 0 ? chordPlaces(notes) : null;
  return notes.map((note) => {
    const { sound } = note;
    // What is struck together stays nearly together: half of the error is common.
    let common = starts.get(note.start);
    if (!common) starts.set(note.start, (common = { shift: normal(random), louder: random() * 2 - 1 }));
    const own = normal(random);
    const away = loosening.onset > 0 ? unitsOf(loosening.onset, note.start) * (0.8 * common.shift + 0.6 * own) : 0;
    const louder = loosening.velocity * common.louder + loosening.accent * weight(sound.written, sound.bar, bars);
    const swing = swingAt(sound.bar);
    const shift = swungBy(sound.written, swing, bars[sound.bar]!);
    const spread = spreadOf ? unitsOf(spreadTime, note.start) * spreadOf.get(note)! : 0;
    const start = Math.max(0, note.start + shift + away + spread);
    const release =
      note.end +
      swungBy(sound.written + (note.end - note.start), swing, bars[sound.bar]!) +
      (loosening.legato > 0 ? unitsOf(loosening.legato, note.end) : 0);
    return {
      ...note,
      start,
      end: Math.max(release, start + 1),
      velocity: Math.max(1, Math.min(127, Math.round(note.velocity + louder))),
    };
  });
}

/** Where in its chord each note stands: 0 the lowest, 1 the highest. */
function chordPlaces<T extends Looseable>(notes: readonly T[]): Map<T, number> {
  const places = new Map<T, number>();
  for (const chord of groupBy(notes, (note) => note.start).values()) {
    const keys = [...new Set(chord.map((note) => note.key))].sort((a, b) => a - b);
    for (const note of chord) places.set(note, keys.indexOf(note.key) / Math.max(1, keys.length - 1));
  }
  return places;
}

/** 1 on the bar's first beat, 0.5 in its middle, 0 on other beats, −1 between beats. */
function weight(at: WrittenUnits, bar: number, bars: readonly Bar[]): number {
  const { start, length, meter } = bars[bar]!;
  const within = at - start;
  if (within === 0) return 1;
  if (within * 2 === length && meter.beats % 2 === 0) return 0.5;
  return within % ((4 * QUARTER) / meter.beatType) === 0 ? 0 : -1;
}

type Swing = Pick<SwingMark, 'ratio' | 'unit'>;

const EVEN: Swing = { ratio: 1, unit: 'eighth' };

/** How far an off-beat eighth or sixteenth moves when they are long and short. */
export function swungBy(at: WrittenUnits, { ratio, unit }: Swing, bar: Bar): number {
  if (ratio <= 1 || isCompound(bar.meter) || bar.meter.beatType !== 4) return 0;
  const length = unit === 'eighth' ? QUARTER : QUARTER / 2;
  const within = (((at - bar.start) % length) + length) % length;
  const turn = ratio / (1 + ratio);
  const share = within / length;
  const moved = share <= 0.5 ? share * 2 * turn : turn + (share - 0.5) * 2 * (1 - turn);
  return (moved - share) * length;
}
