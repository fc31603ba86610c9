import { partId } from '../../base';
import { describe, expect, it } from 'vitest';
import { line, performanceOf, type HandNote, type HandTrack } from '../../../testing/music';
import { Message } from '../../smf';
import { QUARTER } from '../../time';
import { toScore } from '..';
import { NO_SETTINGS, type ConversionSettings, type MarkEdit, type MarkRule } from '../../settings';

/* What a copyist would write for what was played: common practice, no source. */

const PPQ = 480;
const control = (controller: number, points: readonly [quarter: number, value: number][]) =>
  points.map(([quarter, value]) => ({
    kind: 'channel' as const,
    tick: Math.round(quarter * PPQ),
    status: Message.controlChange,
    data1: controller,
    data2: value,
  }));
const scale = (from: number, count: number, length = 1) =>
  Array.from({ length: count }, (_, i): [number, number] => [from + [0, 2, 4, 5, 7, 5, 4, 2][i % 8]!, length]);
const loud = (notes: HandNote[], velocity: (at: number) => number): HandNote[] =>
  notes.map((note) => ({ ...note, velocity: Math.round(velocity(note.at)) }));
const take = (...marks: MarkRule['mark'][]): MarkRule[] =>
  marks.map((mark) => ({ mark, use: 'on', strength: 'usual' }));

function partOf(track: HandTrack, settings: Partial<ConversionSettings> = {}) {
  return toScore(performanceOf([track]), { ...NO_SETTINGS, ...settings });
}
const bar = (at: number) => at / (4 * QUARTER);
const articulations = (track: HandTrack, settings?: Partial<ConversionSettings>) =>
  partOf(track, settings).score.parts[0]!.bars.flatMap((one) =>
    one.voices.flatMap((voice) =>
      voice.symbols
        .filter((symbol) => symbol.notes.length > 0)
        .map((symbol) => symbol.marks?.articulations?.join('+') ?? ''),
    ),
  );

describe('dynamics', () => {
  const steps = { name: 'Flute', notes: loud(line(...scale(72, 48)), (at) => [50, 95, 64][Math.floor(at / 16)]!) };
  it('are said where the loudness changes, and only there', () => {
    const { dynamics, hairpins } = partOf(steps).score.parts[0]!.lines;
    expect(dynamics.map(({ at, level, suggested }) => [bar(at), level, suggested])).toEqual([
      [0, 'p', true],
      [4, 'f', true],
      [8, 'mp', true],
    ]);
    expect(hairpins).toEqual([]);
  });
  it('are not made of first beats that are struck harder, and a section that is loud stays one', () => {
    // Eighths: one of eight is an accent, and nothing between.
    const beat = (at: number) => (at % 4 === 0 ? 34 : 0);
    const levels = (velocity: (at: number) => number) =>
      partOf({ name: 'Flute', notes: loud(line(...scale(72, 96, 0.5)), velocity) }).score.parts[0]!.lines.dynamics.map(
        ({ at, level }) => [bar(at), level],
      );
    expect(levels((at) => 64 + beat(at))).toEqual([[0, 'mp']]);
    expect(levels((at) => (at < 24 ? 50 : 93) + beat(at))).toEqual([
      [0, 'p'],
      [6, 'f'],
    ]);
  });
  it('are read from the modulation controller of sustained sounds, with a hairpin where it rises', () => {
    const swell = Array.from({ length: 96 }, (_, i): [number, number] => [
      i / 2,
      50 + Math.max(0, Math.min(47, (i - 32) * 3)),
    ]);
    const track = {
      name: 'Violin 1',
      notes: loud(line(...scale(72, 24, 2)), (at) => 60 + (at % 7) * 8),
      extra: control(1, swell),
    };
    const { score, reports } = partOf(track);
    const { dynamics, hairpins } = score.parts[0]!.lines;
    expect(dynamics.map(({ level }) => level)).toEqual(['p', 'f']);
    expect(hairpins).toHaveLength(1);
    expect(hairpins[0]).toMatchObject({ kind: 'crescendo' });
    expect(bar(hairpins[0]!.start)).toBeCloseTo(4, 0);
    expect(bar(hairpins[0]!.end)).toBeCloseTo(6, 0);
    expect(reports[0]!.marks.loudnessFrom).toEqual(['controller 1']);
  });
  it('say nothing where every note is equally loud', () => {
    const { score, reports } = partOf({ name: 'Flute', notes: line(...scale(72, 32)) });
    expect(score.parts[0]!.lines.dynamics).toEqual([]);
    expect(reports[0]!.marks.loudnessFrom).toEqual([]);
  });
  it('can be off, suggested, or taken, in the part or in some bars; the last word counts', () => {
    const levels = (rules: MarkRule[]) =>
      partOf(steps, { marks: { [partId('t1')]: rules } }).score.parts[0]!.lines.dynamics.map(
        ({ level, suggested }) => `${level}${suggested ? '?' : ''}`,
      );
    expect(levels([{ mark: 'dynamics', use: 'off', strength: 'usual' }])).toEqual([]);
    expect(levels(take('dynamics'))).toEqual(['p', 'f', 'mp']);
    expect(
      levels([...take('dynamics'), { mark: 'dynamics', use: 'off', strength: 'usual', bars: { from: 4, to: 8 } }]),
    ).toEqual(['p', 'mp']);
    expect(levels([{ mark: 'dynamics', use: 'on', strength: 'usual', bars: { from: 0, to: 2 } }])).toEqual([
      'p',
      'f?',
      'mp?',
    ]);
  });
});

describe('dynamics of an ensemble', () => {
  const levelsOf = (tracks: HandTrack[]) =>
    toScore(performanceOf(tracks), NO_SETTINGS).score.parts.map(({ lines }) =>
      lines.dynamics.map(({ at, level }) => `${bar(at)} ${level}`),
    );
  it('are equal where controllers are, whoever reaches higher elsewhere', () => {
    const expression = (first: number) => [
      ...Array.from({ length: 16 }, (_, i): [number, number] => [i, first + (i % 2)]),
      ...Array.from({ length: 16 }, (_, i): [number, number] => [16 + i, 60 + (i % 2)]),
    ];
    const violins = [30, 125].map((first, v) => ({
      name: `Violin ${v + 1}`,
      notes: loud(line(...scale(72, 32)), () => 100),
      extra: control(11, expression(first)),
    }));
    const [one, two] = levelsOf(violins);
    expect(one!.find((sign) => sign.startsWith('4 '))).toBe('4 p');
    expect(two!.find((sign) => sign.startsWith('4 '))).toBe('4 p');
  });
  it('are not made of the strokes of a drum kit, unless somebody asks', () => {
    const kit = {
      name: 'Drum Kit',
      notes: Array.from({ length: 64 }, (_, i) => ({
        key: [36, 42, 38, 42][i % 4]!,
        at: i / 2,
        length: 0.25,
        channel: 10,
        velocity: [118, 60, 100, 44][i % 4]! - (i > 31 ? 30 : 0),
      })),
    };
    expect(levelsOf([kit])).toEqual([[]]);
    const asked = partOf(kit, { marks: { [partId('t1')]: take('dynamics') } });
    expect(asked.score.parts[0]!.lines.dynamics.length).toBeGreaterThan(0);
  });
  it('change once in a bar, unless by two signs', () => {
    const levels = (velocities: readonly number[]) =>
      partOf({
        name: 'Clarinet',
        notes: loud(line(...scale(60, 128, 0.25)), (at) => velocities[Math.floor(at * 2) % velocities.length]!),
      }).score.parts[0]!.lines.dynamics.map(({ at }) => Math.floor(bar(at)));
    const within = levels([86, 86, 86, 86, 64, 64, 64, 64]);
    expect(within.length).toBe(new Set(within).size);
    const echo = levels([100, 100, 100, 100, 48, 48, 48, 48]);
    expect(echo.filter((one) => one === 1)).toHaveLength(2);
  });
});

describe('slurs', () => {
  const overlapping = (keys: number[], overlap: number): HandNote[] =>
    keys.map((key, i) => ({ key, at: i, length: 1 + overlap }));
  const slurs = (notes: HandNote[], name = 'Flute') =>
    partOf({ name, notes }, { marks: { [partId('t1')]: take('slurs') } }).score.parts[0]!.lines.slurs.map(
      ({ start, end }) => [start / QUARTER, end / QUARTER],
    );
  it('go over notes that sound into each other', () => {
    expect(
      slurs([...overlapping([72, 74, 76, 77], 0.1), { key: 79, at: 4, length: 0.8 }, { key: 77, at: 5, length: 0.8 }]),
    ).toEqual([[0, 4]]);
  });
  it('end before a key struck again, and where bars begin when they grow long', () => {
    expect(slurs(overlapping([72, 74, 74, 76], 0.1))).toEqual([
      [0, 1],
      [2, 3],
    ]);
    expect(
      slurs(
        overlapping(
          Array.from({ length: 16 }, (_, i) => 72 + (i % 2) * 2 + (i % 3)),
          0.1,
        ),
      ).every(([start, end]) => end! - start! < 8),
    ).toBe(true);
  });
  it('are not for what is plucked or struck', () => {
    expect(slurs(overlapping([60, 62, 64, 65], 0.1), 'Harp')).toEqual([]);
  });
});

describe('signs on notes', () => {
  it('are staccato where notes sound for much less than they are written', () => {
    const notes = [0, 1, 2, 3].map((at) => ({ key: 72 + at, at, length: at < 2 ? 0.3 : 0.95 }));
    // Whole bars of the same, so that the values are plain.
    const track = {
      name: 'Oboe',
      notes: [0, 4, 8, 12].flatMap((shift) =>
        notes.map((note) => ({ ...note, at: note.at + shift, length: note.length - (shift % 3) * 0.01 })),
      ),
    };
    const found = articulations(track, {
      marks: { [partId('t1')]: take('staccato') },
      closeGaps: { [partId('t1')]: 'quarter' },
    });
    expect(found.slice(0, 4)).toEqual(['staccato', 'staccato', '', '']);
  });
  it('are accents where one is struck much harder than those around it', () => {
    const track = {
      name: 'Trumpet',
      notes: loud(line(...scale(60, 32, 0.5)), (at) => (at === 5 || at === 11 ? 118 : 70 + ((at * 4) % 3))),
    };
    const found = articulations(track, { marks: { [partId('t1')]: take('accents') } });
    expect(found.flatMap((sign, i) => (sign ? [[i / 2, sign]] : []))).toEqual([
      [5, 'accent'],
      [11, 'accent'],
    ]);
  });
  it('are set and taken away by hand, and a bar’s pattern is copied to all of its rhythm', () => {
    const notes = line(
      [72, 1],
      [74, 0.5],
      [76, 0.5],
      [77, 2],
      [72, 1],
      [71, 0.5],
      [69, 0.5],
      [67, 2],
      [72, 2],
      [74, 2],
      [76, 1],
      [74, 0.5],
      [72, 0.5],
      [71, 2],
    );
    const edits = (to: number): ConversionSettings['markEdits'] => ({
      [partId('t1')]: [
        { kind: 'articulation', note: 1, articulation: 'staccato', on: true },
        { kind: 'articulation', note: 2, articulation: 'staccato', on: true },
        { kind: 'slur', from: 0, to: 1, on: true },
        { kind: 'articulation', note: 2, articulation: 'staccato', on: false },
        { kind: 'pattern', bar: 0, to: { from: 0, to } },
      ],
    });
    expect(articulations({ name: 'Flute', notes }, { markEdits: edits(9) })).toEqual([
      '',
      'staccato',
      '',
      '',
      '',
      'staccato',
      '',
      '',
      '',
      '',
      '',
      'staccato',
      '',
      '',
    ]);
    expect(articulations({ name: 'Flute', notes }, { markEdits: edits(2) }).filter(Boolean)).toHaveLength(2);
    expect(
      partOf({ name: 'Flute', notes }, { markEdits: edits(9) }).score.parts[0]!.lines.slurs.map(({ start, end }) => [
        bar(start),
        bar(end),
      ]),
    ).toEqual([
      [0, 0.25],
      [1, 1.25],
      [3, 3.25],
    ]);
  });
});

describe('pedal', () => {
  it('is held from one change to the next, as controller 64 says', () => {
    const notes = [0, 1, 2, 3, 4, 5, 6, 7].map((at) => ({ key: 48 + at, at, length: 1 }));
    const track = {
      name: 'Piano',
      notes,
      extra: control(64, [
        [0.08, 127],
        [3.95, 0],
        [4.1, 127],
        [7.9, 10],
      ]),
    };
    const { pedals } = partOf(track, { marks: { [partId('t1')]: take('pedal') } }).score.parts[0]!.lines;
    expect(pedals.map(({ start, end }) => [start / QUARTER, end / QUARTER])).toEqual([
      [0, 4],
      [4, 8],
    ]);
  });
});

describe('breaths', () => {
  it('stand where everybody lets go together without a rest', () => {
    const voice = (key: number) =>
      [0, 2, 4, 6, 8, 10, 12, 14].map((at, i) => ({ key: key + (i % 3), at, length: at === 6 ? 1.55 : 1.98 }));
    const { score } = toScore(
      performanceOf([
        { name: 'Flute', notes: voice(74) },
        { name: 'Oboe', notes: voice(70) },
        { name: 'Bassoon', notes: voice(50) },
      ]),
      {
        ...NO_SETTINGS,
        marks: Object.fromEntries(['t1', 't2', 't3'].map((id) => [id, take('breaths')])),
        closeGaps: Object.fromEntries(['t1', 't2', 't3'].map((id) => [id, 'eighth'])),
      },
    );
    for (const part of score.parts) {
      const places = part.bars.flatMap((one, b) =>
        one.voices.flatMap((each) =>
          each.symbols.filter((symbol) => symbol.marks?.breath).map((symbol) => b * 4 + symbol.at / QUARTER),
        ),
      );
      expect(places).toEqual([6]);
    }
  });
});

describe('dynamics, hairpins and words by hand', () => {
  const tune = { name: 'Flute', notes: line(...scale(72, 8)) };
  const ids = performanceOf([tune])
    .tracks.flatMap(({ notes }) => notes)
    .map(({ id }) => id);
  const by = (...edits: MarkEdit[]) => partOf(tune, { markEdits: { [partId('t1')]: edits } }).score.parts[0]!;
  it('stand where their notes begin, and take the place of what stood there', () => {
    const { dynamics } = by(
      { kind: 'dynamic', note: ids[0]!, level: 'p' },
      { kind: 'dynamic', note: ids[4]!, level: 'f' },
      { kind: 'dynamic', note: ids[4]!, level: 'ff' },
    ).lines;
    expect(dynamics).toEqual([
      { at: 0, staff: 1, level: 'p' },
      { at: 4 * QUARTER, staff: 1, level: 'ff' },
    ]);
    expect(
      by({ kind: 'dynamic', note: ids[0]!, level: 'p' }, { kind: 'dynamic', note: ids[0]!, level: null }).lines
        .dynamics,
    ).toEqual([]);
  });
  it('reach from the first picked note over the last one', () => {
    const over = { kind: 'hairpin', from: ids[1]!, to: ids[3]!, shape: 'crescendo' } as const;
    expect(by(over).lines.hairpins).toEqual([{ start: QUARTER, end: 4 * QUARTER, staff: 1, kind: 'crescendo' }]);
    expect(by(over, { ...over, from: ids[2]!, to: ids[2]!, shape: 'diminuendo' }).lines.hairpins).toEqual([
      { start: 2 * QUARTER, end: 3 * QUARTER, staff: 1, kind: 'diminuendo' },
    ]);
    expect(by(over, { ...over, shape: null }).lines.hairpins).toEqual([]);
  });
  it('are words that can be said and taken back', () => {
    const said = (words: string) =>
      by({ kind: 'words', note: ids[0]!, words: 'dolce' }, { kind: 'words', note: ids[0]!, words }).bars[0]!.voices[0]!
        .symbols[0]!.marks?.words;
    expect(said('espressivo')).toEqual(['espressivo']);
    expect(said('')).toBeUndefined();
  });
});
