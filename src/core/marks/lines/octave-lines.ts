import type { OctaveLine } from '../../score';
import { numbered, type LineKind, type PlacedSign } from '../line-mark';

const OCTAVES = { down: [1, 2], up: [-1, -2] } as const;

/** 8va, 15ma and their likes below. */
export const octaveLines: LineKind<OctaveLine> = {
  elements: ['octave-shift'],
  write: (lines) =>
    numbered(lines).flatMap(({ line, number }): PlacedSign[] => {
      const { start, end, staff, octaves } = line;
      const size = Math.abs(octaves) * 7 + 1;
      const placement = octaves > 0 ? 'above' : 'below';
      // The standard's "down": the notes are shown lower than they sound.
      const begins = { name: 'octave-shift', attributes: { type: octaves > 0 ? 'down' : 'up', number, size } };
      const stops = { name: 'octave-shift', attributes: { type: 'stop', number, size } };
      return [
        { at: start, staff, rank: 7, placement, element: begins },
        { at: end, ends: true, staff, rank: 4, placement, element: stops },
      ];
    }),
  read(events) {
    const lines: OctaveLine[] = [];
    const open = new Map<string, OctaveLine>();
    for (const { at, staff, element } of events) {
      const { type, size, number = '1' } = element.attributes;
      if (type !== 'up' && type !== 'down' && type !== 'stop') continue;
      const begun = open.get(number);
      if (begun && at > begun.start) lines.push({ ...begun, end: at });
      open.delete(number);
      if (type === 'stop') continue;
      const two = (Number(size) || 8) > 8;
      open.set(number, { start: at, end: at, staff, octaves: OCTAVES[type][two ? 1 : 0] });
    }
    return lines;
  },
};
