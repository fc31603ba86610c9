import { QUARTER, type WrittenUnits } from '../../time';
import type { MarkElement } from '../elements';
import type { NoteMark, Sounding } from '../note-mark';
import { inTurn } from './in-turn';

const SHORTEST = QUARTER / 16;
/** As fast as can be. */
const UNMEASURED = QUARTER / 8;
const TYPE_OF = { first: 'start', second: 'stop' } as const;

/** Strokes through the stem: the note repeated, or two symbols in turn. */
export const tremolo: NoteMark = {
  group: 'ornaments',
  elements: ({ tremolo: strokes, unmeasured, alternating }) => {
    if (!strokes && !unmeasured) return [];
    const measured = (text: number): MarkElement => ({
      name: 'tremolo',
      text,
      attributes: { type: alternating ? TYPE_OF[alternating] : 'single' },
    });
    if (!unmeasured) return [measured(strokes!)];
    return [{ name: 'tremolo', text: 0, attributes: { type: 'unmeasured' }, since: '4.0', before: measured(4) }];
  },
  read: {
    tremolo: (marks, { text, attributes }) => {
      if (attributes.type === 'unmeasured') marks.unmeasured = true;
      else marks.tremolo = Math.max(1, Math.min(5, Number(text) || 3));
      if (attributes.type === 'start') marks.alternating = 'first';
      if (attributes.type === 'stop') marks.alternating = 'second';
    },
  },
  play(note) {
    const { start, end, key, marks, inChord, alternates } = note;
    const step = stepOf(note);
    if (alternates) {
      const { keys, until } = alternates;
      const other = keys[Math.min(inChord, keys.length - 1)] ?? key;
      return inTurn(start, until, step, key, other);
    }
    if (!marks.tremolo && !marks.unmeasured) return null;
    return end - start >= 2 * step ? inTurn(start, end, step, key, key) : null;
  },
};

/** Strokes halve the quarter as flags do; in a tuplet they fill its values. */
function stepOf({ marks, flags, ratio }: Sounding): WrittenUnits {
  if (marks.unmeasured) return UNMEASURED;
  return Math.max(SHORTEST, QUARTER / 2 ** Math.min(4, (marks.tremolo ?? 3) + flags)) * ratio;
}
