import type { SymbolMarks } from '../../score';
import type { NoteMark } from '../note-mark';

const open = (marks: SymbolMarks, _: unknown, unpitched: boolean) => {
  if (unpitched) marks.hiHat = 'open';
};

/** A hi-hat struck open (a small circle), or closed again after that (a plus). */
export const hiHat: NoteMark = {
  group: 'technical',
  // The standard's 3.0 has the small circle as that of an open string.
  elements: (marks) => (marks.hiHat ? [{ name: marks.hiHat === 'open' ? 'open-string' : 'stopped' }] : []),
  read: {
    'open-string': open,
    open,
    stopped: (marks, _, unpitched) => {
      if (unpitched) marks.hiHat = 'closed';
    },
  },
};
