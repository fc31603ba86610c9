import type { NoteMark } from '../note-mark';

export const fermata: NoteMark = {
  group: null,
  elements: (marks) => (marks.fermata ? [{ name: 'fermata', attributes: { type: 'upright' } }] : []),
  read: { fermata: (marks) => void (marks.fermata = true) },
};
