import { partId } from '../../base';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { many } from '../../../testing/tiers';
import { performanceOf, tempo, type HandNote } from '../../../testing/music';
import { schemaErrors } from '../../../testing/musicxml-schema';
import { writeMusicXml } from '../../musicxml';
import { checkScore, graceNotesOf, type Score } from '../../score';
import { toScore } from '../index';
import { NO_SETTINGS } from '../../settings';

const at120 = [tempo(0, 120)];
const convert = (name: string, notes: HandNote[], settings = NO_SETTINGS) =>
  toScore(performanceOf([{ name, notes }], at120), settings);
/** Symbols of the first voice as “type keys signs”. */
const words = (score: Score) =>
  score.parts[0]!.bars.flatMap((bar) => bar.voices[0]!.symbols)
    .filter((symbol) => symbol.notes.length > 0)
    .map((symbol) => {
      const { trill, tremolo, arpeggio, graces } = symbol.marks ?? {};
      const signs = [
        trill && 'tr',
        tremolo && `trem${tremolo}`,
        arpeggio && `arp ${arpeggio}`,
        graces && `grace ${graces.flatMap((grace) => grace.notes.map((note) => note.key)).join('+')}`,
      ].filter(Boolean);
      return [symbol.type + '.'.repeat(symbol.dots), symbol.notes.map((note) => note.key).join('+'), ...signs].join(
        ' ',
      );
    });
/** A run of notes as a hand plays them, not quite evenly; lengths and places in quarters (half a second each). */
const run = (keys: number[], from: number, step: number): HandNote[] =>
  keys.map((key, i) => ({ key, at: from + i * step + (i === 0 ? 0 : 0.013 * Math.sin(i * 2.7)), length: step * 0.9 }));
/** The same by a machine. */
const exactRun = (keys: number[], from: number, step: number): HandNote[] =>
  keys.map((key, i) => ({ key, at: from + i * step, length: step }));

describe('ornaments', () => {
  it('write a fast alternation of neighbours as one note with a trill', () => {
    const trill = run(
      Array.from({ length: 14 }, (_, i) => (i % 2 ? 74 : 72)),
      0,
      2 / 14,
    );
    const { score, reports } = convert('Flute', [...trill, { key: 71, at: 2, length: 2 }]);
    expect(words(score)).toEqual(['half 72 tr', 'half 71']);
    expect(reports[0]).toMatchObject({ trills: 1, tremolos: 0 });
  });
  it('leave exact thirty-seconds and double dots what they are', () => {
    const run = exactRun([72, 74, 76, 74, 76, 77, 79, 77], 0, 1 / 8);
    expect(words(convert('Flute', [...run, { key: 71, at: 1, length: 3 }]).score)).toEqual([
      ...[72, 74, 76, 74, 76, 77, 79, 77].map((key) => `32nd ${key}`),
      'quarter 71',
      'half 71',
    ]);
    const overture = Array.from({ length: 8 }, (_, i) => [
      { key: 72, at: i * 2, length: 1.75 },
      { key: 74, at: i * 2 + 1.75, length: 0.25 },
    ]).flat();
    const { score, reports } = convert('Oboe', overture);
    expect(words(score)).toEqual(Array.from({ length: 8 }, () => ['quarter.. 72', '16th 74']).flat());
    expect(reports[0]).toMatchObject({ graces: 0, trills: 0 });
  });
  it('write an alternation that was drawn on thirty-seconds as a trill, unless the part has others', () => {
    const shake = (from: number, step: number, count = 8) =>
      exactRun(
        Array.from({ length: count }, (_, i) => (i % 2 ? 74 : 72)),
        from,
        step,
      );
    const then = { key: 71, at: 1, length: 3 };
    const { score, reports } = convert('Flute', [...shake(0, 1 / 8), then]);
    expect(words(score)).toEqual(['quarter 72 tr', 'quarter 71', 'half 71']);
    expect(reports[0]).toMatchObject({ trills: 1 });
    // With a turn at its end.
    const turn = exactRun([71, 72], 1, 1 / 8);
    const turned = convert('Flute', [...shake(0, 1 / 8), ...turn, { key: 74, at: 1.25, length: 2.75 }]);
    expect(words(turned.score)[0]).toBe('quarter 72 tr');
    // Sixteenths are slower, six are fewer, a third is wider, a part of thirty-seconds counts them.
    expect(words(convert('Flute', [...shake(0, 1 / 4, 4), then]).score)).toHaveLength(6);
    expect(words(convert('Flute', [...shake(0, 1 / 8, 6), then]).score)[0]).toBe('32nd 72');
    const third = exactRun([72, 76, 72, 76, 72, 76, 72, 76], 0, 1 / 8);
    expect(words(convert('Flute', [...third, then]).score)[0]).toBe('32nd 72');
    const runs = exactRun([72, 74, 76, 77, 79, 77, 76, 74], 4, 1 / 8);
    expect(words(convert('Flute', [...shake(0, 1 / 8), then, ...runs]).score)[0]).toBe('32nd 72');
  });
  it('leave measured sixteenths and a slow alternation alone', () => {
    expect(
      words(
        convert(
          'Flute',
          run(
            Array.from({ length: 16 }, (_, i) => (i % 2 ? 74 : 72)),
            0,
            1 / 4,
          ),
        ).score,
      ),
    ).toHaveLength(16);
    expect(
      words(
        convert(
          'Flute',
          run(
            Array.from({ length: 8 }, (_, i) => (i % 2 ? 79 : 72)),
            0,
            1 / 8,
          ),
        ).score,
      ),
    ).toHaveLength(8);
  });
  it('write a repeated key as tremolo, and a roll on the drum too', () => {
    expect(
      words(convert('Violin', [...run(Array(16).fill(67), 0, 1 / 8), { key: 69, at: 2, length: 2 }]).score),
    ).toEqual(['half 67 trem3', 'half 69']);
    const { score } = toScore(
      performanceOf(
        [{ name: 'Snare Drum', notes: run(Array(16).fill(38), 0, 1 / 8).map((note) => ({ ...note, channel: 10 })) }],
        at120,
      ),
      NO_SETTINGS,
    );
    expect(score.parts[0]!.bars[0]!.voices[0]!.symbols[0]).toMatchObject({ marks: { tremolo: 3 } });
  });
  it('write short notes right before a longer one as grace notes', () => {
    const { score, reports } = convert('Flute', [
      { key: 72, at: 0, length: 2 },
      { key: 76, at: 1.9, length: 0.08 },
      { key: 77, at: 2, length: 1 },
      { key: 74, at: 3, length: 1 },
    ]);
    expect(words(score)).toEqual(['half 72', 'quarter 77 grace 76', 'quarter 74']);
    expect(reports[0]!.graces).toBe(1);
    expect(
      words(
        convert('Flute', [
          { key: 76, at: 1.8, length: 0.09 },
          { key: 77, at: 1.9, length: 0.09 },
          { key: 79, at: 2, length: 2 },
        ]).score,
      ),
    ).toEqual(['half 79 grace 76+77']);
  });
  it('write a spread chord as a chord with its sign, and one struck by hand as a chord', () => {
    const spread = (step: number) => [60, 64, 67, 72].map((key, i) => ({ key, at: i * step, length: 2 - i * step }));
    expect(
      words(convert('Harp', [...spread(0.08), ...[62, 65, 69, 74].map((key) => ({ key, at: 2, length: 2 }))]).score)[0],
    ).toMatch(/arp up/);
    expect(
      words(convert('Harp', [...spread(0.02), ...[62, 65, 69, 74].map((key) => ({ key, at: 2, length: 2 }))]).score)[0],
    ).not.toMatch(/arp/);
  });
  it('can be switched off for a part', () => {
    const trill = run(
      Array.from({ length: 16 }, (_, i) => (i % 2 ? 74 : 72)),
      0,
      1 / 8,
    );
    expect(words(convert('Flute', trill, { ...NO_SETTINGS, plain: { [partId('t1')]: true } }).score)).toHaveLength(16);
  });
  it('reach MusicXML that the standard’s schema accepts', async () => {
    const harp = [60, 64, 67].map((key, i) => ({ key, at: 2 + i * 0.09, length: 2 - i * 0.09 }));
    const { score } = convert('Harp', [
      { key: 76, at: 0.9, length: 0.09 },
      { key: 78, at: 1, length: 0.9 },
      ...harp,
      ...run(
        Array.from({ length: 12 }, (_, i) => (i % 2 ? 74 : 72)),
        4,
        1 / 7,
      ),
    ]);
    const xml = writeMusicXml(score);
    expect(await schemaErrors(xml)).toEqual([]);
    for (const element of ['<grace slash="yes"/>', '<trill-mark/>', '<arpeggiate direction="up"/>'])
      expect(xml).toContain(element);
  });
  it('take no stroke of a fast run on a drum twice', () => {
    const { score } = convert(
      'Snare Drum',
      [7.65, 7.7, 7.75].map((at) => ({ key: 61, at, length: 0.05 })),
    );
    const symbols = score.parts[0]!.bars.flatMap((bar) => bar.voices.flatMap((voice) => voice.symbols));
    expect(
      symbols.flatMap((symbol) => [...symbol.notes, ...graceNotesOf(symbol)].flatMap((note) => note.played)).sort(),
    ).toEqual([0, 1, 2]);
  });
  it('lose no played note: each stands behind a written one or is a grace note', () => {
    const note = fc.record({
      key: fc.integer({ min: 60, max: 66 }),
      at: fc.integer({ min: 0, max: 160 }).map((n) => n / 20),
      length: fc.integer({ min: 1, max: 30 }).map((n) => n / 20),
    });
    fc.assert(
      fc.property(
        fc.array(note, { minLength: 1, maxLength: 40 }),
        fc.constantFrom('Flute', 'Harp', 'Snare Drum'),
        (notes, name) => {
          const performance = performanceOf([{ name, notes }], at120);
          const { score } = toScore(performance, NO_SETTINGS);
          expect(checkScore(score)).toEqual([]);
          const seen = new Set(
            score.parts.flatMap((part) =>
              part.bars.flatMap((bar) =>
                bar.voices.flatMap((voice) =>
                  voice.symbols.flatMap((symbol) =>
                    [...symbol.notes, ...graceNotesOf(symbol)].flatMap((one) => one.played),
                  ),
                ),
              ),
            ),
          );
          expect([...seen].sort((a, b) => a - b)).toEqual(
            performance.tracks[1]!.notes.map((one) => one.id).sort((a, b) => a - b),
          );
        },
      ),
      { numRuns: many(50, 150) },
    );
  });
});
