import type { Hairpin } from '../../score';
import { QUARTER, type WrittenUnits } from '../../time';
import { numbered, type LineKind, type PlacedSign } from '../line-mark';

/** How far one that nobody ended goes at most. */
const LONGEST_OPEN: WrittenUnits = 8 * QUARTER;

export const hairpins: LineKind<Hairpin> = {
  element: 'wedge',
  write: (lines, { colour }) =>
    numbered(lines).flatMap(({ line, number }): PlacedSign[] => {
      const { staff } = line;
      const begins = { name: 'wedge', attributes: { type: line.kind, number, ...colour(line) } };
      const stops = { name: 'wedge', attributes: { type: 'stop', number } };
      return [
        { at: line.start, staff, rank: 6, placement: 'below', element: begins },
        { at: line.end, ends: true, staff, rank: 4, placement: 'below', element: stops },
      ];
    }),
  read(events, end) {
    const lines: Hairpin[] = [];
    const open = new Map<string, Hairpin>();
    for (const { at, staff, element } of events) {
      const { type, number = '1' } = element.attributes;
      if (type !== 'crescendo' && type !== 'diminuendo' && type !== 'stop') continue;
      const begun = open.get(number);
      if (begun && at > begun.start) lines.push({ ...begun, end: at });
      if (begun) open.delete(number);
      if (type !== 'stop') open.set(number, { start: at, end: at, staff, kind: type });
    }
    for (const begun of open.values())
      if (end > begun.start) lines.push({ ...begun, end: Math.min(end, begun.start + LONGEST_OPEN) });
    return lines;
  },
};
