import { TURNS, type Turn } from '../../score';
import { QUARTER } from '../../time';
import type { NoteMark, Sounding } from '../note-mark';

const STEP = QUARTER / 8;

/** What is played before the note itself, as ornament tables of theory books show it (from memory). */
const FIGURES: Record<Turn, (note: Sounding) => number[]> = {
  mordent: ({ lower }) => [0, -lower],
  'inverted-mordent': ({ upper }) => [0, upper],
  turn: ({ upper, lower }) => [upper, 0, -lower],
  'inverted-turn': ({ upper, lower }) => [-lower, 0, upper],
};

/** Mordents and turns. */
export const turn: NoteMark = {
  group: 'ornaments',
  elements: (marks) => (marks.turn ? [{ name: marks.turn }] : []),
  read: {
    ...Object.fromEntries(TURNS.map((kind) => [kind, (marks) => void (marks.turn = kind)] as const)),
    'delayed-turn': (marks) => void (marks.turn = 'turn'),
  },
  play(note) {
    const { start, end, key, marks, inChord, chordSize } = note;
    if (!marks.turn || inChord < chordSize - 1 || end - start < 4 * STEP) return null;
    const figure = FIGURES[marks.turn](note);
    return [
      ...figure.map((by, i) => ({ start: start + i * STEP, end: start + (i + 1) * STEP, key: key + by })),
      { start: start + figure.length * STEP, end, key },
    ];
  },
};
