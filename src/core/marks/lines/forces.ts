import { FORCES, type ForceMark } from '../../score';
import type { MarkElement } from '../elements';
import type { LineKind } from '../line-mark';

/** Signs that strike one note harder: sfz and its kin. */
export const forces: LineKind<ForceMark> = {
  elements: ['dynamics'],
  write: (marks) =>
    marks.map(({ at, staff, sign }) => ({
      at,
      staff,
      rank: 5,
      placement: 'below',
      element: { name: 'dynamics', children: [elementOf(sign)] },
    })),
  read: (events) =>
    events.flatMap(({ at, staff, element }) =>
      element.children.flatMap(({ name, text }): ForceMark[] => {
        const sign = FORCES.find((one) => one === (name === 'other-dynamics' ? text : name));
        return sign ? [{ at, staff, sign }] : [];
      }),
    ),
};

function elementOf(sign: ForceMark['sign']): MarkElement {
  return sign === 'sfzp'
    ? { name: sign, since: '4.0', before: { name: 'other-dynamics', text: sign } }
    : { name: sign };
}
