import type { PedalMark } from '../../score';
import type { WrittenUnits } from '../../time';
import type { LineKind, PlacedSign } from '../line-mark';

/** The sustaining pedal, below the lowest staff. */
export const pedals: LineKind<PedalMark> = {
  elements: ['pedal'],
  write: (lines, { lastStaff: staff }) =>
    lines.flatMap(({ start, end }): PlacedSign[] => {
      const pedal = (type: string) => ({ name: 'pedal', attributes: { type, line: 'yes' } });
      return [
        { at: start, staff, rank: 6, placement: 'below', element: pedal('start') },
        { at: end, ends: true, staff, rank: 4, placement: 'below', element: pedal('stop') },
      ];
    }),
  read(events, end) {
    const lines: PedalMark[] = [];
    let down: WrittenUnits | null = null;
    for (const { at, element } of events) {
      const { type } = element.attributes;
      if (type !== 'start' && type !== 'stop' && type !== 'change') continue;
      if (down !== null && type !== 'start' && at > down) lines.push({ start: down, end: at });
      down = type === 'stop' ? null : at;
    }
    if (down !== null && down < end) lines.push({ start: down, end });
    return lines;
  },
};
