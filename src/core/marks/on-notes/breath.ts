import type { NoteMark } from '../note-mark';

/** A breath after a note, or a full stop of everyone. */
export const breath: NoteMark = {
  group: 'articulations',
  elements: ({ breath: kind, suggested }, colour) =>
    kind
      ? [
          {
            name: kind === 'breath' ? 'breath-mark' : 'caesura',
            attributes: colour({ suggested: suggested?.includes('breath') }),
          },
        ]
      : [],
  read: {
    'breath-mark': (marks) => void (marks.breath = 'breath'),
    caesura: (marks) => void (marks.breath = 'caesura'),
  },
};
