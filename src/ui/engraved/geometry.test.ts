import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { timeAt, xAt, type Geometry } from './geometry';

const geometry: Geometry = {
  width: 400,
  height: 100,
  lanes: [],
  staves: [],
  bars: [
    {
      number: 1,
      left: 50,
      right: 200,
      start: 0,
      end: 100,
      anchors: [
        { at: 0, x: 70 },
        { at: 50, x: 120 },
        { at: 100, x: 200 },
      ],
    },
    {
      number: 2,
      left: 200,
      right: 390,
      start: 100,
      end: 200,
      anchors: [
        { at: 100, x: 215 },
        { at: 150, x: 300 },
        { at: 200, x: 390 },
      ],
    },
  ],
};

describe('places on the engraved page', () => {
  it('are those of the engraved notes', () => {
    expect([0, 50, 100, 150].map((at) => xAt(geometry, at, 'start'))).toEqual([70, 120, 215, 300]);
  });
  it('put an end on the barline and a start behind it', () => {
    expect(xAt(geometry, 100, 'end')).toBe(200);
    expect(xAt(geometry, 100, 'start')).toBe(215);
    expect(xAt(geometry, 200, 'end')).toBe(390);
  });
  it('stretch between two notes, so that an early note stands before its notehead', () => {
    expect(xAt(geometry, 25, 'start')).toBe(95);
    expect(xAt(geometry, 140, 'start')).toBeLessThan(300);
  });
  it('are found again from where they stand', () => {
    for (const at of [0, 25, 50, 80, 110, 150, 190])
      expect(timeAt(geometry, xAt(geometry, at, 'start'))).toBeCloseTo(at);
  });
  it('never run backwards', () => {
    const time = fc.double({ min: -20, max: 260, noNaN: true });
    fc.assert(
      fc.property(time, time, fc.constantFrom<'start' | 'end'>('start', 'end'), (a, b, edge) => {
        expect(xAt(geometry, Math.min(a, b), edge)).toBeLessThanOrEqual(xAt(geometry, Math.max(a, b), edge));
      }),
    );
  });
});
