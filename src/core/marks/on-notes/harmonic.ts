import type { NoteMark } from '../note-mark';

/** Played by the instrument's technique of that name. */
export const harmonic: NoteMark = {
  group: 'technical',
  elements: (marks) => (marks.harmonic ? [{ name: 'harmonic' }] : []),
  read: { harmonic: (marks) => void (marks.harmonic = true) },
};
