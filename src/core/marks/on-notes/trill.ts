import { QUARTER } from '../../time';
import type { NoteMark } from '../note-mark';
import { inTurn } from './in-turn';

const STEP = QUARTER / 8;

/** The top note of its chord in turn with the upper neighbour of the key. */
export const trill: NoteMark = {
  group: 'ornaments',
  elements: (marks) => (marks.trill ? [{ name: 'trill-mark' }] : []),
  read: {
    'trill-mark': (marks) => void (marks.trill = true),
    shake: (marks) => void (marks.trill = true),
  },
  play({ start, end, key, marks, inChord, chordSize, upper }) {
    if (!marks.trill || inChord < chordSize - 1 || end - start < 3 * STEP) return null;
    return inTurn(start, end, STEP, key, key + upper);
  },
};
