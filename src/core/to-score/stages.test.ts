import fc from 'fast-check';
import { partId } from '../base';
import { describe, expect, it } from 'vitest';
import { line, meter, performanceOf, tempo, type HandNote, type HandTrack } from '../../testing/music';
import { plainPart, plainScore } from '../../testing/scores';
import { checkScore, pitchName, soundsOf, type Part } from '../score';
import { layBars, QUARTER } from '../time';
import { assembleVoice } from './notation/assemble';
import { toScore } from './index';
import { NO_SETTINGS, type ConversionSettings } from '../settings';

const convert = (tracks: HandTrack[], conductor = [tempo(0, 100)], settings: Partial<ConversionSettings> = {}) =>
  toScore(performanceOf(tracks, conductor), { ...NO_SETTINGS, ...settings });

/** A part as words: type, dots, tuplet and names; rests in lower case r. */
function words(part: Part, bar: number, voice = 0): string {
  return part.bars[bar]!.voices[voice]!.symbols.map((symbol) => {
    const value =
      {
        breve: '0',
        whole: '1',
        half: '2',
        quarter: '4',
        eighth: '8',
        '16th': '16',
        '32nd': '32',
        '64th': '64',
        '128th': '128',
      }[symbol.type] +
      '.'.repeat(symbol.dots) +
      (symbol.tuplet ? `/${symbol.tuplet.actual}` : '');
    if (symbol.notes.length === 0) return symbol.wholeBar ? 'R' : `r${value}`;
    const ties =
      (symbol.notes[0]!.tieFromLast ? '~' : '') +
      symbol.notes.map((note) => pitchName(note.pitch)).join('+') +
      (symbol.notes[0]!.tieToNext ? '~' : '');
    return `${ties}:${value}`;
  }).join(' ');
}

describe('assembling', () => {
  it('brackets triplets of eighths, quarters over two beats, and keeps beats without one plain', () => {
    const third = 1 / 3;
    const { score } = convert([
      {
        name: 'Flute',
        notes: line([72, third], [74, third], [76, third], [77, 1], [79, 2 / 3], [77, 2 / 3], [76, 2 / 3], [74, 4]),
      },
    ]);
    expect(words(score.parts[0]!, 0)).toBe('C5:8/3 D5:8/3 E5:8/3 F5:4 G5:4/3 F5:4/3 E5:4/3');
    expect(checkScore(score)).toEqual([]);
  });
  it('ties over the barline and fills with rests', () => {
    const { score } = convert([
      {
        name: 'Flute',
        notes: [
          { key: 72, at: 3, length: 2 },
          { key: 74, at: 6, length: 1 },
          { key: 74, at: 8, length: 4 },
        ],
      },
    ]);
    expect(words(score.parts[0]!, 0)).toBe('r2 r4 C5~:4');
    expect(words(score.parts[0]!, 1)).toBe('~C5:4 r4 D5:4 r4');
  });
  it('writes quintuplets and septuplets where a file has them exactly', () => {
    const { score } = convert([
      {
        name: 'Flute',
        notes: line(
          ...Array.from({ length: 5 }, (): [number, number] => [72, 0.2]),
          [74, 1],
          ...Array.from({ length: 7 }, (): [number, number] => [76, 2 / 7 / 2]),
          [77, 1],
        ),
      },
    ]);
    expect(words(score.parts[0]!, 0)).toMatch(/^(C5:16\/5 ){5}D5:4 (E5:16\/7 ){7}F5:4$/);
  });
  it.each([
    [[4, 4], 5, 2, /^(C5:8\/5 ){5}D5:2$/],
    [[4, 4], 7, 2, /^(C5:8\/7 ){7}D5:2$/],
    [[4, 4], 3, 4, /^(C5:2\/3 ?){3}$/],
    [[3, 4], 5, 3, /^(C5:4\/5 ?){5}$/],
    [[3, 4], 7, 3, /^(C5:8\/7 ?){7}$/],
  ] as const)('in %j writes %d notes over %d beats under one bracket', ([beats, beatType], count, over, wanted) => {
    const notes = line(...Array.from({ length: count }, (): [number, number] => [72, over / count]), [
      74,
      beats - over || beats,
    ]);
    const { score } = toScore(
      performanceOf([{ name: 'Flute', notes }], [tempo(0, 120), meter(0, beats, beatType)]),
      NO_SETTINGS,
    );
    expect(words(score.parts[0]!, 0)).toMatch(wanted);
    expect(checkScore(score)).toEqual([]);
  });
  it('fills every bar and keeps every place for any chords on any grid', () => {
    const bars = layBars(
      [
        { at: 0, beats: 4, beatType: 4 },
        { at: 8 * QUARTER, beats: 6, beatType: 8 },
      ],
      20 * QUARTER,
    );
    const beat = fc.array(fc.constantFrom(0, 1, 2, 3, 4, 5), { maxLength: 5 });
    fc.assert(
      fc.property(
        fc.array(fc.tuple(beat, fc.constantFrom(4, 3, 6, 5, 7)), { minLength: 12, maxLength: 12 }),
        (beats) => {
          const places = [
            ...new Set(
              beats.flatMap(([slots, division], b) =>
                slots.filter((slot) => slot < division).map((slot) => b * QUARTER + (slot * QUARTER) / division),
              ),
            ),
          ]
            .filter((place) => place < 8 * QUARTER)
            .sort((a, b) => a - b);
          const chords = places.map((start, i) => ({
            start,
            end: places[i + 1] ?? 8 * QUARTER,
            notes: [{ key: 60, pitch: { step: 'C' as const, alter: 0, octave: 4 }, played: [i] }],
          }));
          const symbols = assembleVoice(chords, bars);
          const part = plainPart(
            bars.map((_, b) => ({ voices: symbols.has(b) ? [{ staff: 1, voice: 1, symbols: symbols.get(b)! }] : [] })),
          );
          const score = plainScore([part], bars);
          expect(checkScore(score)).toEqual([]);
          expect(soundsOf(part, bars).map((sound) => [sound.start, sound.end])).toEqual(
            chords.map((chord) => [chord.start, chord.end]),
          );
        },
      ),
      { numRuns: 200 },
    );
  });
});

describe('grid and durations', () => {
  const shaky = (notes: HandNote[], by: number[]): HandNote[] =>
    notes.map((note, i) => ({ ...note, at: Math.max(0, note.at + by[i % by.length]!), length: note.length * 0.9 }));
  const drift = [0.02, -0.03, 0.01, 0.025, -0.02];

  it('finds three in the time of two in one half of a beat, as reels turn', () => {
    const turn = [0, 1 / 6, 1 / 3, 1 / 2, 3 / 4, 1, 1.25, 1.5, 1.5 + 1 / 6, 1.5 + 1 / 3];
    const reel = [0, 1, 2, 3, 4, 5, 6, 7].flatMap((n) =>
      turn.map((at, i) => ({ key: 62 + ((i * 5 + n) % 9), at: 2 * n + at, length: 0.15 })),
    );
    const { score } = convert([
      {
        name: 'Violin',
        notes: shaky(
          reel,
          drift.map((by) => by * 0.7),
        ),
      },
    ]);
    const starts = soundsOf(score.parts[0]!, score.bars).map(({ start }) => start / QUARTER);
    reel.forEach(({ at }, i) => expect(starts[i]).toBeCloseTo(at, 9));
  });
  it('keeps an eighth-note part to eighths and closes its gaps', () => {
    const eighths = Array.from({ length: 32 }, (_, i) => ({ key: 60 + (i % 5), at: i / 2, length: 0.5 }));
    const { score, reports } = convert([{ name: 'Piano', notes: shaky(eighths, drift) }]);
    expect(reports[0]!.smallest).toBe(QUARTER / 2);
    expect(
      soundsOf(score.parts[0]!, score.bars).every(
        (sound) => sound.start % (QUARTER / 2) === 0 && sound.end - sound.start === QUARTER / 2,
      ),
    ).toBe(true);
  });
  it('trims legato overlaps instead of writing a second voice', () => {
    const legato = line([72, 1], [74, 1], [76, 1], [77, 1]).map((note) => ({ ...note, length: 1.15 }));
    const { score } = convert([{ name: 'Flute', notes: legato }]);
    expect(words(score.parts[0]!, 0)).toBe('C5:4 D5:4 E5:4 F5:4');
  });
  it('does not let the last note run on', () => {
    const { score } = convert([{ name: 'Flute', notes: shaky(line([72, 1], [74, 1], [0, 6], [76, 1]), [0.01]) }]);
    expect(words(score.parts[0]!, 2)).toBe('E5:4 r4 r2');
  });
  it('obeys a pinned grid', () => {
    const notes = line([72, 0.5], [74, 0.25], [76, 0.25], [77, 1], [79, 2]);
    const { score } = convert([{ name: 'Flute', notes }], undefined, {
      grids: { [partId('t1')]: [{ smallest: 'eighth', triplets: false, also: [] }] },
    });
    expect(soundsOf(score.parts[0]!, score.bars).every((sound) => sound.start % (QUARTER / 2) === 0)).toBe(true);
  });
  it('accounts for every played note: written or absorbed by one at the same place', () => {
    const note = fc.record({
      key: fc.integer({ min: 40, max: 90 }),
      at: fc.double({ min: 0, max: 16, noNaN: true }),
      length: fc.double({ min: 0.05, max: 3, noNaN: true }),
    });
    fc.assert(
      fc.property(
        fc.array(note, { minLength: 1, maxLength: 60 }),
        fc.constantFrom('Flute', 'Piano', 'Guitar', 'Clarinet'),
        (notes, name) => {
          const { score } = convert([{ name, notes }]);
          expect(checkScore(score)).toEqual([]);
          const written = soundsOf(score.parts[0]!, score.bars).flatMap((sound) => sound.played);
          expect([...written].sort((a, b) => a - b)).toEqual(notes.map((_, i) => i));
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('voices and hands', () => {
  it('writes a held bass under moving notes as a second voice on one staff', () => {
    const { score } = convert([
      { name: 'Guitar', notes: [{ key: 40, at: 0, length: 4 }, ...line([64, 1], [65, 1], [67, 1], [69, 1])] },
    ]);
    expect(words(score.parts[0]!, 0, 0)).toBe('E5:4 F5:4 G5:4 A5:4');
    expect(words(score.parts[0]!, 0, 1)).toBe('E3:1');
  });
  it('joins a left-hand and a right-hand track to one part with two staves', () => {
    const { score } = convert([
      { name: 'Pno LH', notes: line([64, 4]) },
      { name: 'Pno RH', notes: line([60, 4]) },
    ]);
    expect(score.parts).toHaveLength(1);
    expect(soundsOf(score.parts[0]!, score.bars).map((sound) => [sound.key, sound.staff])).toEqual([
      [60, 1],
      [64, 2],
    ]);
  });
  it('lets a hand follow its line over middle C', () => {
    const right = line([67, 0.5], [64, 0.5], [60, 0.5], [57, 0.5], [60, 0.5], [64, 0.5], [67, 1]);
    const left = line([45, 1], [40, 1], [45, 2]);
    const { score } = convert([{ name: 'Piano', notes: [...right, ...left] }]);
    const sounds = soundsOf(score.parts[0]!, score.bars);
    expect(sounds.filter((sound) => sound.staff === 2).map((sound) => sound.key)).toEqual([45, 40, 45]);
  });
});

describe('timelines', () => {
  it('writes a short first bar as a pickup', () => {
    const { score } = convert(
      [{ name: 'Flute', notes: line([67, 1], [72, 1], [74, 1], [76, 2]) }],
      [meter(0, 1, 4), meter(1, 4, 4)],
    );
    expect(score.bars.map((bar) => [bar.number, bar.implicit])).toEqual([
      [0, true],
      [1, false],
    ]);
    expect(words(score.parts[0]!, 0)).toBe('G4:4');
  });
  it('prints lasting tempo changes and only plays the steps of a ritardando', () => {
    const notes = line(...Array.from({ length: 16 }, (_, i): [number, number] => [60 + (i % 7), 1]));
    const { score } = convert(
      [{ name: 'Flute', notes }],
      [tempo(0, 100), tempo(8, 96), tempo(9, 90), tempo(10, 80), tempo(11, 70), tempo(12, 60)],
    );
    expect(score.tempos.map((mark) => [Math.round(mark.bpm), mark.shown])).toEqual([
      [100, true],
      [96, false],
      [90, false],
      [80, false],
      [70, false],
      [60, true],
    ]);
  });
});

describe('percussion', () => {
  it('parts hands and feet, and asks about a key without a sound', () => {
    const beat = [0, 1, 2, 3].flatMap((at): HandNote[] => [
      { key: 42, at, length: 0.1, channel: 10 },
      { key: at % 2 ? 38 : 36, at, length: 0.1, channel: 10 },
    ]);
    const { score, queries } = convert([
      { name: 'Drums', notes: [...beat, { key: 99, at: 3.5, length: 0.1, channel: 10 }] },
    ]);
    const [hands, feet] = score.parts[0]!.bars[0]!.voices;
    expect(hands!.symbols.map((symbol) => [symbol.type, symbol.notes.map((note) => note.key).join('+')])).toEqual([
      ['quarter', '42'],
      ['quarter', '38+42'],
      ['quarter', '42'],
      ['eighth', '38+42'],
      ['eighth', '99'],
    ]);
    expect(feet!.symbols.map((symbol) => symbol.notes[0]?.key ?? 'r')).toEqual([36, 'r', 36, 'r']);
    expect(queries.filter((query) => query.kind === 'unmapped-drum')).toMatchObject([
      { facts: { keys: [{ key: 99 }] } },
    ]);
  });
});

describe('queries', () => {
  it('asks about unknown instruments, empty tracks, notes out of range and far from the grid', () => {
    const regular = Array.from({ length: 24 }, (_, i) => ({ key: 72 + (i % 4), at: i / 2, length: 0.45 }));
    const { queries } = convert(
      [
        { name: 'Inst 12', notes: line([60, 4]) },
        { name: 'spare', notes: [] },
        {
          name: 'Flute',
          notes: [
            ...regular.slice(0, 10),
            { key: 74, at: 5.17, length: 0.3 },
            ...regular.slice(11),
            { key: 40, at: 12, length: 1 },
          ],
        },
      ],
      undefined,
      { grids: { [partId('t3')]: [{ smallest: 'eighth', triplets: false, also: [] }] } },
    );
    expect(new Set(queries.map((query) => query.kind))).toEqual(
      new Set(['unknown-instrument', 'empty-track', 'out-of-range', 'off-grid']),
    );
    expect(queries.find((query) => query.kind === 'off-grid')).toMatchObject({ bar: 1, part: 't3' });
    expect(new Set(queries.map((query) => query.id)).size).toBe(queries.length);
  });
});
