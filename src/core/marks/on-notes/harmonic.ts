import type { NoteMark } from '../note-mark';

/** Played by the instrument's technique of that name; each note of a chord may say what it is of it. */
export const harmonic: NoteMark = {
  group: 'technical',
  everyNote: (note) => note.harmonic !== undefined,
  elements: (marks, _colour, note) => {
    const children = [note?.harmonic?.kind, note?.harmonic?.pitch].flatMap((name) => (name ? [{ name }] : []));
    return marks.harmonic ? [{ name: 'harmonic', ...(children.length > 0 && { children }) }] : [];
  },
  read: { harmonic: (marks) => void (marks.harmonic = true) },
};
