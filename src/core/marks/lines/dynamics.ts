import { DYNAMICS, DYNAMIC_VELOCITY, type Dynamic, type DynamicMark } from '../../score';
import { QUARTER } from '../../time';
import type { Colour, MarkElement } from '../elements';
import type { LineKind } from '../line-mark';

/** The standard counts loudness in percent of a forte of this velocity. */
const FORTE = 90;

/** Beyond what we write; signs that only strike one note harder are accents. */
const EXTREMES: Record<string, Dynamic> = { pppp: 'ppp', ppppp: 'ppp', ffff: 'fff', fffff: 'fff', n: 'ppp' };

export const dynamics: LineKind<DynamicMark> = {
  element: 'dynamics',
  write: (marks, { colour }) =>
    marks.map((mark) => ({
      at: mark.at,
      staff: mark.staff,
      rank: 5,
      placement: 'below',
      element: elementOf(mark, colour),
      ...(!mark.suggested && {
        sound: { dynamics: Math.round((DYNAMIC_VELOCITY[mark.level] / FORTE) * 10000) / 100 },
      }),
    })),
  read: (events) =>
    events.flatMap(({ at, staff, element }) =>
      element.children.flatMap((sign): DynamicMark[] => {
        const name = sign.name === 'other-dynamics' ? sign.text : sign.name;
        const level = EXTREMES[name] ?? DYNAMICS.find((one) => one === name);
        if (level) return [{ at, staff, level }];
        // Loud and soft at once.
        if (/^s?fp+$/.test(name))
          return [
            { at, staff, level: 'f' },
            { at: at + QUARTER / 2, staff, level: 'p' },
          ];
        return [];
      }),
    ),
};

/** The engraver colours words but not dynamic signs: one that is only suggested is shown as words. */
function elementOf(mark: DynamicMark, colour: Colour): MarkElement {
  const attributes = colour(mark);
  return attributes.color
    ? { name: 'words', text: mark.level, attributes: { ...attributes, 'font-style': 'italic', 'font-weight': 'bold' } }
    : { name: 'dynamics', children: [{ name: mark.level }] };
}
