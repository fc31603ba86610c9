import type { Alteration } from '../../score';
import type { NoteMark } from '../note-mark';

const SIGNS: Record<string, Alteration> = {
  'flat-flat': -2,
  'double-flat': -2,
  flat: -1,
  natural: 0,
  sharp: 1,
  'double-sharp': 2,
  'sharp-sharp': 2,
};
const NAMES: Record<Alteration, string> = {
  [-2]: 'flat-flat',
  [-1]: 'flat',
  0: 'natural',
  1: 'sharp',
  2: 'double-sharp',
};

/** Accidentals beside a trill, a turn or a mordent: how its neighbours are altered. */
export const neighbours: NoteMark = {
  group: 'ornaments',
  // The standard has them after an ornament only.
  elements: ({ neighbours: altered = {}, trill, turn }) =>
    (['above', 'below'] as const).flatMap((placement) =>
      altered[placement] === undefined || !(trill || turn)
        ? []
        : [{ name: 'accidental-mark', text: NAMES[altered[placement]], attributes: { placement } }],
    ),
  read: {
    'accidental-mark': (marks, { text, attributes }) => {
      const alter = SIGNS[text];
      if (alter === undefined) return;
      marks.neighbours = { ...marks.neighbours, [attributes.placement === 'below' ? 'below' : 'above']: alter };
    },
  },
};
