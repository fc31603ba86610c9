import { partId } from '../../base';
import { describe, expect, it } from 'vitest';
import { line, meter, performanceOf, tempo, type HandNote, type HandTrack } from '../../../testing/music';
import { checkScore, soundsOf } from '../../score';
import { QUARTER } from '../../time';
import { toScore } from '../index';
import { NO_SETTINGS, type ConversionSettings } from '../../settings';
import { remediesFor } from '../../queries';
import { settingsOf, enter, EMPTY_LEDGER } from '../../documents';
import type { Decision } from '../../decisions';

type Tracks = Parameters<typeof performanceOf>[0];
const convert = (tracks: Tracks, settings: ConversionSettings = NO_SETTINGS) => {
  const conversion = toScore(performanceOf(tracks, [tempo(0, 100)]), settings);
  expect(checkScore(conversion.score)).toEqual([]);
  return conversion;
};
const after = (...decisions: Decision[]) => settingsOf(decisions.reduce(enter, EMPTY_LEDGER));
const places = ({ score }: ReturnType<typeof convert>, part = 0) =>
  soundsOf(score.parts[part]!, score.bars).map((sound) => [sound.start / QUARTER, sound.end / QUARTER, sound.key]);
/** A little unsteady, as by hand, always alike. */
const byHand = (notes: readonly HandNote[], amount = 0.02): HandNote[] =>
  notes.map((note, i) => ({
    ...note,
    at: Math.max(0, note.at + amount * Math.sin(i * 2.7)),
    length: note.length * 0.92,
  }));
const eighths = (keys: number[]) => line(...keys.map((key): [number, number] => [key, 0.5]));
const scale = (n: number, from = 60) => Array.from({ length: n }, (_, i) => from + [0, 2, 4, 5, 7, 5, 4, 2][i % 8]!);

describe('swing', () => {
  const swung = (ratio: number) =>
    eighths(scale(32)).map((note, i) =>
      i % 2 ? { ...note, at: note.at - 0.5 + ratio / (1 + ratio), length: 0.3 } : note,
    );
  const bass: HandTrack = {
    name: 'Double Bass',
    notes: line(...Array.from({ length: 16 }, (_, i): [number, number] => [36 + (i % 5), 1])),
  };
  const turns = (notes: readonly HandNote[]) => notes.map(({ at }) => at);
  it('is found, taken out, and named above the first bar where a rhythm section plays', () => {
    const found = convert([{ name: 'Alto Sax', notes: swung(2) }, bass]);
    expect(found.score.swing).toEqual([{ bar: 0, ratio: 2, unit: 'eighth' }]);
    expect(places(found).map(([start]) => start)).toEqual(Array.from({ length: 32 }, (_, i) => i / 2));
    expect(found.queries.filter(({ kind }) => kind === 'swing')).toEqual([]);
  });
  it('is asked about where nobody else plays; exact triplets stay as the file has them, uneven eighths do not', () => {
    const alone = convert([{ name: 'Oboe', notes: swung(2) }]);
    expect(alone.score.swing).toEqual([]);
    expect(places(alone)[1]![0]).toBeCloseTo(2 / 3, 4);
    expect(alone.queries.find(({ kind }) => kind === 'swing')?.message).toContain(
      '16 off-beat eighths lie late, about 2.0 to 1',
    );
    const uneven = convert([{ name: 'Oboe', notes: byHand(swung(1.6)) }]);
    expect(uneven.score.swing).toMatchObject([{ bar: 0, unit: 'eighth' }]);
    expect(uneven.queries.map(({ kind }) => kind)).toContain('swing');
  });
  it('lives on sixteenths too', () => {
    const funk = Array.from({ length: 16 }, (_, beat) =>
      [0, 1 / 3, 1 / 2, 5 / 6].map((turn, i) => ({ key: 60 + ((beat + i) % 5), at: beat + turn, length: 0.15 })),
    ).flat();
    const found = convert([{ name: 'Electric Guitar', notes: funk }, bass]);
    expect(found.score.swing).toEqual([{ bar: 0, ratio: 2, unit: '16th' }]);
    expect(places(found).map(([start]) => start)).toEqual(Array.from({ length: 64 }, (_, i) => i / 4));
    expect(
      found.score.parts[0]!.bars.flatMap((bar) => bar.voices.flatMap((voice) => voice.symbols)).filter(
        (symbol) => symbol.tuplet,
      ),
    ).toEqual([]);
  });
  it('begins and ceases in mid-piece', () => {
    const half = swung(2).map((note) => ({ ...note, at: note.at + 32 }));
    const even = eighths(scale(64));
    const later = eighths(scale(32)).map((note) => ({ ...note, at: note.at + 48 }));
    const found = convert([
      { name: 'Alto Sax', notes: [...even, ...half, ...later] },
      { ...bass, notes: Array.from({ length: 64 }, (_, i) => ({ key: 36 + (i % 5), at: i, length: 1 })) },
    ]);
    expect(found.score.swing).toEqual([
      { bar: 8, ratio: 2, unit: 'eighth' },
      { bar: 12, ratio: 1, unit: 'eighth' },
    ]);
    expect(places(found).map(([start]) => start)).toEqual(Array.from({ length: 128 }, (_, i) => i / 2));
  });
  it('is not found in even eighths, in triplets, nor in dotted rhythms', () => {
    const triplets = line(...Array.from({ length: 36 }, (_, i): [number, number] => [60 + (i % 5), 1 / 3]));
    const dotted = line(...Array.from({ length: 32 }, (_, i): [number, number] => [60 + (i % 5), i % 2 ? 0.25 : 0.75]));
    for (const notes of [eighths(scale(32)), triplets, dotted]) {
      expect(convert([{ name: 'Alto Sax', notes: byHand(notes) }, bass]).swing.heard).toEqual([]);
      const exact = convert([{ name: 'Alto Sax', notes }, bass]);
      expect(exact.swing.heard).toEqual([]);
      places(exact).forEach(([start], i) => expect(start).toBeCloseTo(turns(notes)[i]!, 4));
    }
  });
  it('is what somebody says it is', () => {
    expect(convert([{ name: 'Alto Sax', notes: swung(2) }], after({ kind: 'setSwing', ratio: 1 })).score.swing).toEqual(
      [],
    );
    expect(
      convert(
        [{ name: 'Alto Sax', notes: eighths(scale(16)) }],
        after({ kind: 'setSwing', ratio: 2 }, { kind: 'setSwing', ratio: null }),
      ).swing.pinned,
    ).toBe(false);
  });
});

describe('a report', () => {
  it.each([
    ['dotted quarters and eighths of 6/8', line([60, 1.5], [62, 0.5], [64, 0.5], [65, 0.5], [67, 1.5], [60, 1.5]), 0],
    ['two to a dotted quarter', line([60, 1.5], [62, 0.75], [64, 0.75], [65, 1.5], [67, 1.5]), 1],
  ])('counts tuplets among %s', (_, notes, tuplets) => {
    const { reports } = toScore(performanceOf([{ name: 'Oboe', notes }], [tempo(0, 100), meter(0, 6, 8)]), NO_SETTINGS);
    expect(reports[0]!.tupletBeats).toBe(tuplets);
  });
});

describe('pinned grids', () => {
  const quintuplet = byHand(
    [
      ...eighths(scale(8)),
      ...line(...[72, 74, 76, 77, 79].map((key): [number, number] => [key, 0.2])).map((note) => ({
        ...note,
        at: note.at + 4,
      })),
      { key: 72, at: 5, length: 3 },
    ],
    0.01,
  );
  it('find quintuplets only where somebody asks for them', () => {
    const five = (settings?: ConversionSettings) =>
      convert([{ name: 'Flute', notes: quintuplet }], settings).score.parts[0]!.bars[1]!.voices[0]!.symbols.filter(
        (symbol) => symbol.tuplet?.actual === 5,
      ).length;
    expect(five()).toBe(0);
    expect(five(after({ kind: 'setGrid', part: partId('t1'), smallest: '16th', triplets: true, also: [5] }))).toBe(5);
  });
  it('may hold for some bars only', () => {
    const sixteenths = byHand(line(...Array.from({ length: 32 }, (_, i): [number, number] => [60 + (i % 7), 0.25])));
    const pinned = convert(
      [{ name: 'Flute', notes: sixteenths }],
      after({ kind: 'setGrid', part: partId('t1'), smallest: 'eighth', triplets: false, bars: { from: 1, to: 2 } }),
    );
    const starts = soundsOf(pinned.score.parts[0]!, pinned.score.bars).map((sound) => sound.start);
    expect(starts.filter((start) => start < 4 * QUARTER).some((start) => start % (QUARTER / 2) !== 0)).toBe(true);
    expect(starts.filter((start) => start >= 4 * QUARTER).every((start) => start % (QUARTER / 2) === 0)).toBe(true);
  });
});

describe('gaps, voices and hands', () => {
  it('close gaps up to a value when that is wished', () => {
    const notes = line([72, 0.5], [0, 0.5], [74, 0.5], [0, 0.5], [76, 0.5], [0, 1.5]);
    expect(places(convert([{ name: 'Flute', notes }])).map(([from, to]) => to! - from!)).toEqual([0.5, 0.5, 0.5]);
    expect(
      places(convert([{ name: 'Flute', notes }], after({ kind: 'setGaps', part: partId('t1'), upTo: 'eighth' }))).map(
        ([from, to]) => to! - from!,
      ),
    ).toEqual([1, 1, 0.5]);
  });
  it('write up to four voices on a staff', () => {
    // Three notes that begin and end at times of their own.
    const notes: HandNote[] = [
      { key: 79, at: 0, length: 1 },
      { key: 77, at: 1, length: 3 },
      { key: 72, at: 0, length: 2 },
      { key: 71, at: 2, length: 2 },
      { key: 64, at: 0, length: 4 },
    ];
    const voices = (most: number) =>
      new Set(
        convert(
          [{ name: 'Organ', notes }],
          after({ kind: 'setVoices', part: partId('t1'), most }, { kind: 'setHandSplit', part: partId('t1'), key: 60 }),
        )
          .score.parts[0]!.bars[0]!.voices.filter((voice) => voice.staff === 1)
          .map((voice) => voice.voice),
      ).size;
    expect([voices(1), voices(2), voices(3)]).toEqual([1, 2, 3]);
  });
  it('split the staves at a key when that is wished', () => {
    const notes = line([55, 1], [59, 1], [61, 1], [65, 1]);
    const staves = (key: number) => {
      const { score } = convert([{ name: 'Piano', notes }], after({ kind: 'setHandSplit', part: partId('t1'), key }));
      return soundsOf(score.parts[0]!, score.bars).map((sound) => sound.staff);
    };
    expect([staves(60), staves(65)]).toEqual([
      [2, 2, 1, 1],
      [2, 2, 2, 1],
    ]);
  });
});

describe('single notes', () => {
  const flute = [{ name: 'Flute', notes: line([72, 1], [72, 1], [76, 1], [77, 1]) }];
  it('move by a step', () => {
    expect(
      places(convert(flute, after({ kind: 'moveNotes', part: partId('t1'), moves: [{ note: 2, by: QUARTER / 2 }] }))),
    ).toEqual([
      [0, 1, 72],
      [1, 2, 72],
      [2.5, 3, 76],
      [3, 4, 77],
    ]);
  });
  it('join and are cut', () => {
    expect(places(convert(flute, after({ kind: 'joinNotes', part: partId('t1'), notes: [0, 1] })))).toEqual([
      [0, 2, 72],
      [2, 3, 76],
      [3, 4, 77],
    ]);
    expect(
      places(convert(flute, after({ kind: 'cutNote', part: partId('t1'), note: 3, at: 3.5 * QUARTER }))).slice(-2),
    ).toEqual([
      [3, 3.5, 77],
      [3.5, 4, 77],
    ]);
  });
  it('that are gone change nothing', () => {
    const plain = places(convert(flute));
    expect(
      places(
        convert(
          flute,
          after(
            { kind: 'moveNotes', part: partId('t1'), moves: [{ note: 99, by: 5 }] },
            { kind: 'joinNotes', part: partId('t1'), notes: [99, 98] },
            { kind: 'cutNote', part: partId('t1'), note: 99, at: 3 },
          ),
        ),
      ),
    ).toEqual(plain);
  });
});

describe('doubts about rhythm', () => {
  const tune = scale(32, 62);
  // The clarinet is a sixteenth late in one place; everywhere else all three go together.
  const off = eighths(tune.map((key) => key - 5)).map((note, i) =>
    i === 11 ? { ...note, at: note.at + 0.25, length: 0.2 } : note,
  );
  const band = [
    { name: 'Flute', notes: byHand(eighths(tune.map((key) => key + 7))) },
    { name: 'Clarinet', notes: byHand(off, 0.015) },
    { name: 'Viola', notes: byHand(eighths(tune), 0.01) },
  ];
  it('see the one part that leaves the others by a step, and put it back', () => {
    const conversion = convert(band);
    const [query, ...others] = conversion.queries.filter(({ kind }) => kind === 'one-step');
    expect(others).toEqual([]);
    expect(query).toMatchObject({ part: 't2', bar: 1, facts: { moves: [{ by: -QUARTER / 4 }], back: null } });
    const [remedy] = remediesFor(query!);
    expect(remedy!.label).toBe('Write as in Flute');
    const mended = convert(band, after(remedy!.decision));
    expect(mended.queries.filter(({ kind }) => kind === 'one-step')).toEqual([]);
    expect(places(mended, 1).map(([start]) => start)).toEqual(places(mended, 0).map(([start]) => start));
  });
  it('do not disturb parts that have rhythms of their own', () => {
    expect(
      convert([
        { name: 'Flute', notes: byHand(eighths(tune)) },
        { name: 'Viola', notes: byHand(line(...Array.from({ length: 8 }, (_, i): [number, number] => [60 + i, 2]))) },
      ]).queries,
    ).toEqual([]);
  });
});
