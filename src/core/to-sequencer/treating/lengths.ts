/* Lengths: gaps closed, overlaps trimmed. A line is what is struck next after a note, whatever its key. */
import { firstNotBefore } from '../../base';
import { VALUE_LENGTH, type SmallestValue } from '../../settings';
import { QUARTER } from '../../time';
import type { TreatedNote } from './treat';

/** Struck this close together counts as one chord. */
const TOGETHER: number = QUARTER / 12;
/** What laps further than this share of the time to the next note is held on purpose. */
const LAPS = 0.5;

/** Where the next strike after a note begins; Infinity after the last. */
function nextStrikes(notes: readonly TreatedNote[]): (note: TreatedNote) => number {
  const starts = [...new Set(notes.map((note) => note.start))].sort((a, b) => a - b);
  return ({ start }) => starts[firstNotBefore(starts, start + TOGETHER, (at) => at)] ?? Infinity;
}

export function closedGaps<T extends TreatedNote>(notes: readonly T[], upTo: SmallestValue): T[] {
  const nextOf = nextStrikes(notes);
  const most = VALUE_LENGTH[upTo];
  return notes.map((note) => {
    const next = nextOf(note);
    return next > note.end && next - note.end <= most ? { ...note, end: next } : note;
  });
}

export function trimmedOverlaps<T extends TreatedNote>(notes: readonly T[]): T[] {
  const nextOf = nextStrikes(notes);
  return notes.map((note) => {
    const next = nextOf(note);
    return note.end > next && note.end - next <= LAPS * (next - note.start) ? { ...note, end: next } : note;
  });
}
