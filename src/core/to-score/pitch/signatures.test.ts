import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { layBars, QUARTER } from '../../time';
import { keysOfBars, type SoundingNote } from './keys';
import { isDefaultKey, signatures, withKeyChanges } from './signatures';

const BAR = 4 * QUARTER;
const MAJOR = [0, 2, 4, 5, 7, 9, 11];

/**
 * A bar in a major key by its signature: tonic triad, then a turn of eighths that has the leading note and the fourth.
 */
function barIn(fifths: number, bar: number): SoundingNote[] {
  const tonic = (((fifths * 7) % 12) + 12) % 12;
  const at = bar * BAR;
  const chord = [0, 4, 7].map((step) => ({ key: 48 + tonic + step, start: at, end: at + BAR / 2 }));
  const line = [0, 2, 3, 6, 4, 3, 6, 0].map((degree, i) => ({
    key: 60 + tonic + MAJOR[degree]!,
    start: at + (i * QUARTER) / 2,
    end: at + ((i + 1) * QUARTER) / 2,
  }));
  return [...chord, ...line];
}

function printed(fifths: readonly number[], sections: ReadonlySet<number> = new Set()) {
  const notes = fifths.flatMap(barIn);
  const bars = layBars([{ at: 0, beats: 4, beatType: 4 }], fifths.length * BAR);
  return signatures(keysOfBars(notes, bars), notes, bars, [], sections).map((key) => [key.bar, key.fifths]);
}

const times = (count: number, fifths: number) => Array<number>(count).fill(fifths);

// Where copyists change signatures: common practice, no source.
describe('signatures', () => {
  it.each([-5, -3, -1, 0, 2, 4])('a piece in one key has its signature (%d)', (fifths) => {
    expect(printed(times(16, fifths))).toEqual([[0, fifths]]);
  });
  it('a passing modulation to the dominant stays under the signature of the home key', () => {
    expect(printed([...times(8, 1), ...times(10, 2), ...times(8, 1)])).toEqual([[0, 1]]);
  });
  it('what begins in a key and ends in its dominant, as an exposition does, is in the key it begins in', () => {
    expect(printed([...times(16, -2), ...times(28, -1)])).toEqual([[0, -2]]);
  });
  it('a section in a distant key gets a signature of its own, at its first bar, and home comes back', () => {
    expect(printed([...times(16, 1), ...times(16, 4), ...times(16, 1)])).toEqual([
      [0, 1],
      [16, 4],
      [32, 1],
    ]);
    expect(printed([...times(16, -2), ...times(16, 1)])).toEqual([
      [0, -2],
      [16, 1],
    ]);
  });
  it('a few bars in another key are no section', () => {
    expect(printed([...times(12, 0), ...times(5, 4), ...times(12, 0)])).toEqual([[0, 0]]);
  });
  it('no signature stands for fewer than eight bars, and none is written twice', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: -6, max: 5 }), fc.integer({ min: 1, max: 14 })), {
          minLength: 1,
          maxLength: 6,
        }),
        (stretches) => {
          const keys = printed(stretches.flatMap(([fifths, bars]) => times(bars, fifths)));
          const total = stretches.reduce((sum, [, bars]) => sum + bars, 0);
          expect(keys[0]![0]).toBe(0);
          keys.forEach(([bar, fifths], i) => {
            const next = keys[i + 1];
            if (next) expect(next[1]).not.toBe(fifths);
            if (keys.length > 1) expect((next?.[0] ?? total) - bar!).toBeGreaterThanOrEqual(8);
          });
        },
      ),
      { numRuns: 60 },
    );
  });
  it('what the file states is printed, except the lone C major that nobody set', () => {
    const bars = layBars([{ at: 0, beats: 4, beatType: 4 }], 8 * BAR);
    const notes = times(8, 3).flatMap(barIn);
    const heard = keysOfBars(notes, bars);
    const stated = [
      { at: 0, fifths: -2, mode: 'major' as const },
      { at: 4 * BAR, fifths: 1, mode: 'minor' as const },
    ];
    expect(signatures(heard, notes, bars, stated)).toEqual([
      { bar: 0, fifths: -2, mode: 'major' },
      { bar: 4, fifths: 1, mode: 'minor' },
    ]);
    expect(signatures(heard, notes, bars, [stated[1]!])).toEqual([
      { bar: 0, fifths: 3, mode: 'major' },
      { bar: 4, fifths: 1, mode: 'minor' },
    ]);
    expect(isDefaultKey([{ at: 0, fifths: 0, mode: 'major' }])).toBe(true);
    expect(isDefaultKey([{ at: 0, fifths: 0, mode: 'minor' }])).toBe(false);
  });
  it('changes set by hand take their place; one that repeats what is in force, or lies beyond the end, is none', () => {
    const home = [{ bar: 0, fifths: 1, mode: 'major' as const }];
    expect(
      withKeyChanges(
        home,
        [
          { bar: 4, fifths: 1, mode: 'major' },
          { bar: 8, fifths: -1, mode: 'major' },
          { bar: 99, fifths: 2, mode: 'major' },
        ],
        16,
      ),
    ).toEqual([...home, { bar: 8, fifths: -1, mode: 'major' }]);
  });
  it('thousands of bars take no long time', () => {
    expect(printed(times(6000, 2))).toEqual([[0, 2]]);
  });
});
