import { FERMATAS, type Fermata } from '../../score';
import type { MarkElement } from '../elements';
import type { NoteMark } from '../note-mark';

/** Shapes that came to the standard with 3.1, and the nearest one of before. */
const BEFORE: Partial<Record<Fermata, Fermata>> = {
  'double-angled': 'angled',
  'double-square': 'square',
  'double-dot': 'normal',
  'half-curve': 'normal',
  curlew: 'normal',
};

const element = (shape: Fermata): MarkElement => ({
  name: 'fermata',
  text: shape === 'normal' ? undefined : shape,
  attributes: { type: 'upright' },
});

export const fermata: NoteMark = {
  group: null,
  elements: ({ fermata: shape }) => {
    if (!shape) return [];
    const older = BEFORE[shape];
    return [older ? { ...element(shape), since: '4.0', before: element(older) } : element(shape)];
  },
  read: { fermata: (marks, { text }) => void (marks.fermata = FERMATAS.find((one) => one === text) ?? 'normal') },
};
