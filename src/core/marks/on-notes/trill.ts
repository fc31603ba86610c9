import { QUARTER } from '../../time';
import type { NoteMark } from '../note-mark';
import { inTurn } from './in-turn';

/** Notes of a trill as they may be written out; the finest is played that hands can play, twelve notes a second. */
const STEPS = [QUARTER / 8, QUARTER / 6, QUARTER / 4, QUARTER / 3, QUARTER / 2];
const A_SECOND = 12;

/** The top note of its chord in turn with the upper neighbour of the key, ending on itself (common practice, no source). */
export const trill: NoteMark = {
  group: 'ornaments',
  elements: (marks) => (marks.trill ? [{ name: 'trill-mark' }] : []),
  read: {
    'trill-mark': (marks) => void (marks.trill = true),
    shake: (marks) => void (marks.trill = true),
  },
  play({ start, end, key, marks, inChord, chordSize, upper, aSecond }) {
    const step = STEPS.find((one) => one >= aSecond / A_SECOND - 1e-6) ?? STEPS.at(-1)!;
    if (!marks.trill || inChord < chordSize - 1 || end - start < 3 * step) return null;
    const notes = inTurn(start, end, step, key, key + upper);
    if (notes.length % 2 === 1) return notes;
    const [last] = notes.splice(-1);
    return notes.with(-1, { ...notes.at(-1)!, end: last!.end });
  },
};
