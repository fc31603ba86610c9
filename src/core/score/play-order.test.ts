import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { chordBar, plainPart, plainScore } from '../../testing/scores';
import { QUARTER } from '../time';
import { foldScore, playOrder, type BarSigns, type Score } from './index';

/* Forms as theory textbooks explain them, from memory. Bars are counted from 1 here, as on paper. */
const played = (bars: number, signs: Record<number, BarSigns>) =>
  playOrder(Object.fromEntries(Object.entries(signs).map(([bar, one]) => [Number(bar) - 1, one])), bars).map(
    (bar) => bar + 1,
  );

describe('the order in which bars are played', () => {
  const forms: [string, number, Record<number, BarSigns>, number[]][] = [
    ['no signs', 3, {}, [1, 2, 3]],
    ['a repeat from the beginning', 4, { 2: { repeatEnd: { times: 2 } } }, [1, 2, 1, 2, 3, 4]],
    ['a repeat between signs', 4, { 2: { repeatStart: true }, 3: { repeatEnd: { times: 2 } } }, [1, 2, 3, 2, 3, 4]],
    ['three times', 3, { 1: { repeatStart: true }, 2: { repeatEnd: { times: 3 } } }, [1, 2, 1, 2, 1, 2, 3]],
    [
      'two repeats one after the other',
      4,
      { 2: { repeatEnd: { times: 2 } }, 3: { repeatStart: true }, 4: { repeatEnd: { times: 2 } } },
      [1, 2, 1, 2, 3, 4, 3, 4],
    ],
    [
      'a second repeat without an opening sign',
      4,
      { 2: { repeatEnd: { times: 2 } }, 4: { repeatEnd: { times: 2 } } },
      [1, 2, 1, 2, 3, 4, 3, 4],
    ],
    [
      'first and second ending',
      4,
      {
        1: { repeatStart: true },
        3: { ending: [1], endingStop: 'stop', repeatEnd: { times: 2 } },
        4: { ending: [2], endingStop: 'discontinue' },
      },
      [1, 2, 3, 1, 2, 4],
    ],
    [
      'endings of two bars',
      6,
      {
        3: { ending: [1] },
        4: { endingStop: 'stop', repeatEnd: { times: 2 } },
        5: { ending: [2] },
        6: { endingStop: 'stop' },
      },
      [1, 2, 3, 4, 1, 2, 5, 6],
    ],
    [
      'one ending for two times, then a third',
      3,
      { 2: { ending: [1, 2], endingStop: 'stop', repeatEnd: { times: 3 } }, 3: { ending: [3], endingStop: 'stop' } },
      [1, 2, 1, 2, 1, 3],
    ],
    ['D.C. al Fine', 4, { 2: { fine: true }, 4: { jump: 'daCapo' } }, [1, 2, 3, 4, 1, 2]],
    ['D.S. al Fine', 5, { 2: { segno: true }, 3: { fine: true }, 5: { jump: 'dalSegno' } }, [1, 2, 3, 4, 5, 2, 3]],
    [
      'D.S. al Coda',
      6,
      { 2: { segno: true }, 3: { toCoda: true }, 5: { jump: 'dalSegno' }, 6: { coda: true } },
      [1, 2, 3, 4, 5, 2, 3, 6],
    ],
    ['D.C. al Coda', 5, { 2: { toCoda: true }, 4: { jump: 'daCapo' }, 5: { coda: true } }, [1, 2, 3, 4, 1, 2, 5]],
    [
      'minuet and trio: no repeats after D.C.',
      4,
      {
        2: { repeatEnd: { times: 2 }, fine: true },
        3: { repeatStart: true },
        4: { repeatEnd: { times: 2 }, jump: 'daCapo' },
      },
      [1, 2, 1, 2, 3, 4, 3, 4, 1, 2],
    ],
    [
      'D.C. plays the last ending',
      5,
      {
        2: { ending: [1], endingStop: 'stop', repeatEnd: { times: 2 } },
        3: { ending: [2], endingStop: 'stop', fine: true },
        5: { jump: 'daCapo' },
      },
      [1, 2, 1, 3, 4, 5, 1, 3],
    ],
    ['D.S. without a segno goes to the beginning', 2, { 2: { jump: 'dalSegno' } }, [1, 2, 1, 2]],
  ];
  it.each(forms)('%s', (_, bars, signs, order) => {
    expect(played(bars, signs)).toEqual(order);
  });
  it('always comes to an end', () => {
    const sign: fc.Arbitrary<BarSigns> = fc.record(
      {
        repeatStart: fc.constant(true as const),
        repeatEnd: fc.record({ times: fc.integer({ min: 1, max: 4 }) }),
        ending: fc.array(fc.integer({ min: 1, max: 3 }), { minLength: 1, maxLength: 2 }),
        endingStop: fc.constantFrom('stop' as const, 'discontinue' as const),
        segno: fc.constant(true as const),
        coda: fc.constant(true as const),
        toCoda: fc.constant(true as const),
        fine: fc.constant(true as const),
        jump: fc.constantFrom('daCapo' as const, 'dalSegno' as const),
      },
      { requiredKeys: [] },
    );
    fc.assert(
      fc.property(fc.dictionary(fc.integer({ min: 0, max: 11 }).map(String), sign, { maxKeys: 8 }), (signs) => {
        const order = playOrder(signs, 12);
        expect(order.length).toBeLessThan(2000);
        expect(order.every((bar) => bar >= 0 && bar < 12)).toBe(true);
      }),
      { numRuns: 500 },
    );
  });
});

describe('a folded score', () => {
  const scoreOf = (keys: number[]): Score => {
    const part = plainPart(
      keys.map((key, i) => ({
        voices: chordBar(key).voices.map((voice) => ({
          ...voice,
          symbols: voice.symbols.map((symbol) => ({
            ...symbol,
            notes: symbol.notes.map((note) => ({ ...note, played: [i] })),
          })),
        })),
      })),
    );
    return plainScore([part], undefined, {
      markers: [{ at: 4 * QUARTER * (keys.length - 1), text: 'last', rehearsal: false }],
    });
  };
  const keysOf = (score: Score) =>
    playOrder(score.signs, score.bars.length).map(
      (bar) => score.parts[0]!.bars[bar]!.voices[0]!.symbols[0]!.notes[0]!.key,
    );

  it('plays what it played before, whatever is folded', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 60, max: 90 }), { minLength: 2, maxLength: 6 }),
        fc.integer({ min: 2, max: 3 }),
        fc.integer({ min: 0, max: 1 }),
        fc.integer({ min: 0, max: 3 }),
        fc.integer({ min: 0, max: 3 }),
        (body, times, endings, before, after) => {
          const passes = Array.from({ length: times }, (_, t) => [
            ...body.slice(0, body.length - endings),
            ...(endings > 0 ? [30 + t] : []),
          ]);
          const keys = [...Array<number>(before).fill(50), ...passes.flat(), ...Array<number>(after).fill(51)];
          const long = scoreOf(keys);
          const short = foldScore(long, [{ from: before, length: body.length, times, endings }]);
          expect(keysOf(short)).toEqual(keys);
          expect(short.bars.length).toBe(keys.length - (body.length - endings) * (times - 1));
          expect(short.bars.map((bar) => bar.number)).toEqual(short.bars.map((_, i) => i + 1));
          // Every played note is still behind a written one.
          expect(new Set(short.parts[0]!.bars.flatMap((bar) => bar.voices[0]!.symbols[0]!.notes[0]!.played)).size).toBe(
            keys.length,
          );
        },
      ),
      { numRuns: 200 },
    );
  });
  it('keeps markers where their bars are', () => {
    const short = foldScore(scoreOf([60, 61, 60, 61, 62]), [{ from: 0, length: 2, times: 2, endings: 0 }]);
    expect(short.markers).toEqual([{ at: 8 * QUARTER, text: 'last', rehearsal: false }]);
    expect(short.signs).toEqual({ 1: { repeatEnd: { times: 2 } } });
  });
  it('keeps another transposition and another meter at their bars', () => {
    const long = scoreOf([60, 61, 60, 61, 62]);
    const part = {
      ...long.parts[0]!,
      transpositionChanges: [{ bar: 4, transposition: 2, transpositionSteps: 1 }],
      localMeters: { 4: { beats: 12, beatType: 12 } },
    };
    const short = foldScore({ ...long, parts: [part] }, [{ from: 0, length: 2, times: 2, endings: 0 }]);
    expect(short.parts[0]).toMatchObject({
      transpositionChanges: [{ bar: 2, transposition: 2 }],
      localMeters: { 2: { beats: 12 } },
    });
  });
});
