import { DYNAMICS, DYNAMIC_VELOCITY, FORTE_VELOCITY, type Dynamic, type DynamicMark } from '../../score';
import { QUARTER } from '../../time';
import type { Colour, MarkElement } from '../elements';
import type { LineKind } from '../line-mark';

/** Signs beyond our eight levels, and the level they are played as. */
const EXTREMES: Record<string, Dynamic> = {
  n: 'ppp',
  pppp: 'ppp',
  ppppp: 'ppp',
  pppppp: 'ppp',
  ffff: 'fff',
  fffff: 'fff',
  ffffff: 'fff',
};
/** Elements of the standard's first versions; others are written as text. */
const ELEMENTS = new Set<string>([...DYNAMICS, ...Object.keys(EXTREMES), 'fp']);
ELEMENTS.delete('n');
/** How long the first of two levels lasts in one sign. */
const FIRST = QUARTER / 2;

export const dynamics: LineKind<DynamicMark> = {
  elements: ['dynamics'],
  write: (marks, { colour }) =>
    marks.map((mark) => ({
      at: mark.at,
      staff: mark.staff,
      rank: 5,
      placement: 'below',
      element: elementOf(mark, colour),
      ...(!mark.suggested && {
        sound: {
          dynamics: Math.round(((mark.velocity ?? DYNAMIC_VELOCITY[mark.level]) / FORTE_VELOCITY) * 10000) / 100,
        },
      }),
    })),
  read(events) {
    const marks = events.flatMap(({ at, staff, element }): DynamicMark[] => {
      const heard = Number(element.attributes.sound);
      if (element.attributes.sound !== undefined) return Number.isFinite(heard) ? [heardOnly(heard, at, staff)] : [];
      return element.children.flatMap((sign) => {
        const name = sign.name === 'other-dynamics' ? sign.text : sign.name;
        const level = DYNAMICS.find((one) => one === name);
        if (level) return [{ at, staff, level }];
        if (EXTREMES[name]) return [{ at, staff, level: EXTREMES[name], printed: name }];
        const [, first, then] = /^(s?f+z?|p+)(p+|f+)$/.exec(name) ?? [];
        const second = DYNAMICS.find((one) => one === then);
        if (!first || !second) return [];
        const after: DynamicMark = { at: at + FIRST, staff, level: second, printed: '' };
        const begun = DYNAMICS.find((one) => one === first);
        return begun ? [{ at, staff, level: begun, printed: name }, after] : [after];
      });
    });
    // What follows in one sign may be said again for playback.
    return marks.filter((mark, i) => !marks.slice(0, i).some((other) => sameLevel(other, mark)));
  },
};

function sameLevel(a: DynamicMark, b: DynamicMark): boolean {
  return a.at === b.at && a.staff === b.staff && a.level === b.level && b.printed === '';
}

/** Loudness that only playback is told. */
function heardOnly(percent: number, at: number, staff: number): DynamicMark {
  const velocity = Math.max(1, Math.min(127, Math.round((percent * FORTE_VELOCITY) / 100)));
  const away = (level: Dynamic) => Math.abs(DYNAMIC_VELOCITY[level] - velocity);
  const level = DYNAMICS.reduce((a, b) => (away(b) < away(a) ? b : a));
  return { at, staff, level, printed: '', ...(away(level) > 1 && { velocity }) };
}

/** The engraver colours words but not dynamic signs: one that is only suggested is shown as words. */
function elementOf(mark: DynamicMark, colour: Colour): MarkElement | null {
  const attributes = colour(mark);
  const printed = mark.printed ?? mark.level;
  if (printed === '') return null;
  if (attributes.color)
    return {
      name: 'words',
      text: printed,
      attributes: { ...attributes, 'font-style': 'italic', 'font-weight': 'bold' },
    };
  return { name: 'dynamics', children: [signOf(printed)] };
}

/** Signs that came to the standard with MusicXML 4.0. */
const LATER = new Set(['n', 'pf']);

function signOf(printed: string): MarkElement {
  const said: MarkElement = { name: 'other-dynamics', text: printed };
  if (LATER.has(printed)) return { name: printed, since: '4.0', before: said };
  return ELEMENTS.has(printed) ? { name: printed } : said;
}
