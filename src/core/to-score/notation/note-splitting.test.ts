import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { layBars, QUARTER, type Bar } from '../../time';
import { barSplitting, splitSpan } from './note-splitting';

describe('note splitting', () => {
  const bar = (beats: number, beatType: number): Bar => layBars([{ at: 0, beats, beatType }], 1)[0]!;
  const split = (meterOf: [number, number], from: number, to: number, rest = false) =>
    splitSpan(from * QUARTER, to * QUARTER, rest, barSplitting(bar(...meterOf)))
      .map((piece) => `${piece.type}${'.'.repeat(piece.dots)}`)
      .join(' ');

  it('shows how the beats of a bar are counted, also where two meters are alike but for that', () => {
    const begins = (...groups: number[]) => {
      const [seven] = layBars([{ at: 0, beats: 7, beatType: 8, groups }], 1);
      const { levelAt } = barSplitting(seven!);
      return [0, 1, 2, 3, 4, 5, 6].filter((eighth) => levelAt((eighth * QUARTER) / 2) <= 1);
    };
    expect(begins(2, 2, 3)).toEqual([0, 2, 4]);
    expect(begins(3, 2, 2)).toEqual([0, 3, 5]);
  });

  // Rules of notation handbooks (showing the middle of the bar, the beats of compound meters), from memory.
  const notes: [string, [number, number], number, number, string][] = [
    ['a whole bar', [4, 4], 0, 4, 'whole'],
    ['a dotted half from the downbeat', [4, 4], 0, 3, 'half.'],
    ['quarter, half, quarter', [4, 4], 1, 3, 'half'],
    ['an off-beat quarter inside the half', [4, 4], 0.5, 1.5, 'quarter'],
    ['an off-beat quarter over the middle', [4, 4], 1.5, 2.5, 'eighth eighth'],
    ['five eighths from the downbeat', [4, 4], 0, 2.5, 'half eighth'],
    ['three beats from the second', [4, 4], 1, 4, 'quarter half'],
    ['sixteenth, dotted eighth', [4, 4], 0.25, 1, 'eighth.'],
    ['a half on the second beat of three', [3, 4], 1, 3, 'half'],
    ['two and a half beats of three', [3, 4], 0.5, 3, 'eighth half'],
    ['a quarter over the beat of 6/8', [6, 8], 1, 2, 'eighth eighth'],
    ['a dotted half in 6/8', [6, 8], 0, 3, 'half.'],
    ['a quarter inside the beat of 6/8', [6, 8], 0.5, 1.5, 'quarter'],
    ['five eighths of 5/8', [5, 8], 0, 2.5, 'quarter. quarter'],
  ];
  it.each(notes)('%s', (_, meterOf, from, to, expected) => expect(split(meterOf, from, to)).toBe(expected));

  const rests: [string, [number, number], number, number, string][] = [
    ['the first half', [4, 4], 0, 2, 'half'],
    ['beats two and three', [4, 4], 1, 3, 'quarter quarter'],
    ['three beats from the second', [4, 4], 1, 4, 'quarter half'],
    ['three beats from the first', [4, 4], 0, 3, 'half quarter'],
    ['the last two of three', [3, 4], 1, 3, 'quarter quarter'],
    ['a beat of 6/8', [6, 8], 1.5, 3, 'quarter.'],
    ['after an eighth', [4, 4], 0.5, 2, 'eighth quarter'],
  ];
  it.each(rests)('rest: %s', (_, meterOf, from, to, expected) => expect(split(meterOf, from, to, true)).toBe(expected));

  it('covers any span without gap, whatever the meter', () => {
    const grid = fc.integer({ min: 0, max: 400 });
    fc.assert(
      fc.property(
        fc.constantFrom<[number, number]>(
          [2, 4],
          [3, 4],
          [4, 4],
          [5, 4],
          [6, 8],
          [5, 8],
          [7, 8],
          [9, 8],
          [12, 8],
          [2, 2],
          [3, 2],
        ),
        grid,
        grid,
        fc.boolean(),
        ([beats, beatType], a, b, rest) => {
          const one = bar(beats, beatType);
          const unit = QUARTER / 32;
          const from = (Math.min(a, b) * unit) % one.length;
          const to = Math.min(one.length, from + (Math.abs(a - b) + 1) * unit);
          const pieces = splitSpan(from, to, rest, barSplitting(one));
          let at = from;
          for (const piece of pieces) {
            expect(piece.at).toBe(at);
            at += piece.length;
          }
          expect(at).toBe(to);
        },
      ),
    );
  });
});
