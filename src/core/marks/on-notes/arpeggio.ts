import { QUARTER } from '../../time';
import type { NoteMark } from '../note-mark';

const STEP = QUARTER / 16;

/** A chord spread from one end to the other: each note begins later, all are held to the end. */
export const arpeggio: NoteMark = {
  group: null,
  everyNote: () => true,
  elements: (marks) => (marks.arpeggio ? [{ name: 'arpeggiate', attributes: { direction: marks.arpeggio } }] : []),
  read: {
    arpeggiate: (marks, { attributes }) => void (marks.arpeggio = attributes.direction === 'down' ? 'down' : 'up'),
  },
  play({ start, end, key, marks, inChord, chordSize }) {
    if (!marks.arpeggio || chordSize < 2) return null;
    const step = Math.min(STEP, (end - start) / (2 * chordSize));
    const order = marks.arpeggio === 'up' ? inChord : chordSize - 1 - inChord;
    return [{ start: start + step * order, end, key }];
  },
};
