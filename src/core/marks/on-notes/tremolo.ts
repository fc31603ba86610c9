import { QUARTER } from '../../time';
import type { NoteMark } from '../note-mark';
import { inTurn } from './in-turn';

const SHORTEST = QUARTER / 16;
const ALTERNATING = QUARTER / 8;
const TYPE_OF = { first: 'start', second: 'stop' } as const;

/** Strokes through the stem: the note repeated, or two symbols in turn. */
export const tremolo: NoteMark = {
  group: 'ornaments',
  elements: ({ tremolo: strokes, alternating }) =>
    strokes
      ? [{ name: 'tremolo', text: strokes, attributes: { type: alternating ? TYPE_OF[alternating] : 'single' } }]
      : [],
  read: {
    tremolo: (marks, { text, attributes }) => {
      marks.tremolo = Math.max(1, Math.min(5, Number(text) || 3));
      if (attributes.type === 'start') marks.alternating = 'first';
      if (attributes.type === 'stop') marks.alternating = 'second';
    },
  },
  play({ start, end, key, marks, inChord, flags, alternates }) {
    if (alternates) {
      const { keys, until } = alternates;
      const other = keys[Math.min(inChord, keys.length - 1)] ?? key;
      return inTurn(start, until, ALTERNATING, key, other);
    }
    if (!marks.tremolo) return null;
    const step = Math.max(SHORTEST, QUARTER / 2 ** Math.min(4, marks.tremolo + flags));
    return end - start >= 2 * step ? inTurn(start, end, step, key, key) : null;
  },
};
