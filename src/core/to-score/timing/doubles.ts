import type { PlacedNote, TimedNote } from './timed-note';

/** One key by one hand. */
export const isStruckAgain = (a: TimedNote, b: TimedNote): boolean => a.key === b.key && a.hand === b.hand;

/**
 * Two notes of one key at one place are written once; the one that sounds longest stands for both. Hands that were
 * recorded apart strike a key together, each on its staff.
 */
export function absorbDoubles(notes: PlacedNote[]): PlacedNote[] {
  const handOf = (note: PlacedNote) => note.hand ?? 0;
  notes.sort((a, b) => a.start - b.start || a.key - b.key || handOf(a) - handOf(b) || b.release - a.release);
  const kept: PlacedNote[] = [];
  for (const note of notes) {
    const last = kept.at(-1);
    if (last && last.start === note.start && isStruckAgain(last, note)) last.absorbed.push(note.id, ...note.absorbed);
    else kept.push(note);
  }
  return kept;
}
