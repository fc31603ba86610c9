import type { NoteMark } from '../note-mark';

/** Down-bow or up-bow: for the eye, not for the ear. */
export const bowing: NoteMark = {
  group: 'technical',
  elements: (marks) => (marks.bowing ? [{ name: `${marks.bowing}-bow` }] : []),
  read: {
    'down-bow': (marks) => void (marks.bowing = 'down'),
    'up-bow': (marks) => void (marks.bowing = 'up'),
  },
};
