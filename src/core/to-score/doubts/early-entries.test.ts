import { describe, expect, it } from 'vitest';
import { meter, performanceOf, tempo, type HandNote } from '../../../testing/music';
import { EMPTY_LEDGER, enter } from '../../documents';
import { remediesFor, stepOf } from '../../queries';
import { soundsOf } from '../../score';
import { QUARTER } from '../../time';
import { replay } from '../../../testing/replay';

/* An entry that was played early is written on its beat, or asked about. */

const uneven = [0.012, -0.015, 0.02, -0.01, 0.018, -0.022, 0.008, -0.017];
const quarters = (key: number, salt: number): HandNote[] =>
  Array.from({ length: 32 }, (_, i) => ({
    key: key + (i % 3),
    at: Math.max(0, i + uneven[(i * 3 + salt) % 8]!),
    length: 0.9,
  }));
/** Rests four bars, enters so much before bar 5 and goes on in halves. */
const entering = (early: number): HandNote[] => [
  { key: 72, at: 16 - early, length: 2.1 + early },
  ...Array.from({ length: 7 }, (_, i) => ({ key: 71 - i, at: 18 + 2 * i + uneven[i]!, length: 1.9 })),
];
const band = (early: number) =>
  performanceOf(
    [
      { name: 'Flute', notes: entering(early) },
      { name: 'Viola', notes: quarters(60, 0) },
      { name: 'Cello', notes: quarters(48, 3) },
      { name: 'Double Bass', notes: quarters(36, 5) },
    ],
    [meter(0, 4, 4), tempo(0, 100)],
  );
const entryOf = (made: ReturnType<typeof replay>) => {
  const flute = made.score.parts.find(({ name }) => name === 'Flute')!;
  return soundsOf(flute, made.score.bars)[0]!.start / QUARTER;
};

describe('an entry after a long rest', () => {
  it.each([0.15, 0.2, 0.25, 0.3])(
    'that was played %f quarters early is on the beat, or asked about with the beat first',
    (early) => {
      const before = replay([band(early)], EMPTY_LEDGER);
      const asked = before.queries.find(({ kind }) => kind === 'early-entry');
      if (!asked) return expect(entryOf(before)).toBe(16);
      expect(asked.message).toMatch(/^Flute enters just before bar 5, beat 1, which other parts strike\./);
      const [first] = remediesFor(asked);
      expect(first!.label).toBe('Write it on the beat');
      const after = replay([band(early)], enter(EMPTY_LEDGER, stepOf(asked, first!)));
      expect(entryOf(after)).toBe(16);
      expect(after.queries.some(({ kind }) => kind === 'early-entry')).toBe(false);
    },
  );
  it('is asked about at least once among them, and not where it is on the beat', () => {
    const asked = (early: number) =>
      replay([band(early)], EMPTY_LEDGER).queries.filter(({ kind }) => kind === 'early-entry').length;
    expect([0.15, 0.2, 0.25, 0.3].some((early) => asked(early) > 0)).toBe(true);
    expect(asked(0.01)).toBe(0);
  });
  it('that the file has exactly before the beat is music, and a pickup all play is too', () => {
    const exact = performanceOf(
      ['Flute', 'Viola', 'Cello'].map((name, p) => ({
        name,
        notes: Array.from({ length: 16 }, (_, i) => ({
          key: 60 - 7 * p + (i % 5),
          at: p === 0 && i === 0 ? 3.75 : 4 + i,
          length: p === 0 && i === 0 ? 1.25 : 1,
        })).filter((_, i) => p !== 0 || i !== 1),
      })),
      [meter(0, 4, 4), tempo(0, 100)],
    );
    expect(replay([exact], EMPTY_LEDGER).queries.filter(({ kind }) => kind === 'early-entry')).toEqual([]);
  });
});
