import { partId } from '../src/core/base';
import { describe, expect, it } from 'vitest';
import { bandPiece, BANDS } from './bands';
import { addSighs, NO_SIGHS, sighsOf } from './copyist';
import { line, performanceOf, tempo, type HandNote } from '../src/testing/music';
import { checkScore, type Score } from '../src/core/score';
import { toScore } from '../src/core/to-score';
import { NO_SETTINGS } from '../src/core/settings';

const at104 = [tempo(0, 104)];
const words = (score: Score, part = 0, bar = 0) =>
  score.parts[part]!.bars[bar]!.voices.flatMap((voice) =>
    voice.symbols.map(
      (symbol) =>
        `${symbol.notes.map((note) => note.key).join('+') || 'r'}:${symbol.type}${'.'.repeat(symbol.dots)}${symbol.marks?.articulations?.includes('staccato') ? '!' : ''}`,
    ),
  );
const short = (keys: number[], step: number, length: number): HandNote[] =>
  keys.map((key, i) => ({ key, at: i * step, length }));
const eight = [60, 62, 64, 65, 67, 65, 64, 62];

// How printed music looks, from memory of notation handbooks; no single source.
describe('as a copyist writes it', () => {
  it('a sixteenth and its rest are an eighth with a dot, in a line that lets go early as a habit', () => {
    const { score, audit } = toScore(
      performanceOf([{ name: 'Trumpet', notes: short([...eight, ...eight], 0.5, 0.22) }], at104),
      NO_SETTINGS,
    );
    expect(words(score)).toEqual(eight.map((key) => `${key}:eighth!`));
    expect(audit.words).toMatch(/All 16 notes/);
    const kept = toScore(performanceOf([{ name: 'Trumpet', notes: short([...eight, ...eight], 0.5, 0.25) }], at104), {
      ...NO_SETTINGS,
      lengths: { [partId('t1')]: [{ as: 'played' }] },
    });
    expect(words(kept.score).slice(0, 2)).toEqual(['60:16th', 'r:16th']);
  });
  it('a short note is believed in a line that plays its values out', () => {
    const notes = line(
      ...Array.from({ length: 4 }, (): [number, number][] => [
        [60, 0.5],
        [62, 0.5],
        [64, 0.25],
        [0, 0.25],
        [65, 0.5],
        [67, 1],
        [65, 0.5],
        [64, 0.5],
      ]).flat(),
    );
    const { score } = toScore(performanceOf([{ name: 'Oboe', notes }], at104), NO_SETTINGS);
    expect(words(score).slice(2, 4)).toEqual(['64:16th', 'r:16th']);
  });
  it('a run around middle C stays on one staff, and so does a chord within an octave', () => {
    const run = short([57, 60, 64, 60, 57, 60, 64, 67, 57, 60, 64, 60, 57, 60, 64, 67], 0.25, 0.25);
    const low = line([36, 4], [38, 4]);
    const { score } = toScore(
      performanceOf(
        [
          {
            name: 'Piano',
            notes: [
              ...run,
              ...[60, 64, 67].map((key) => ({ key, at: 4, length: 4 })),
              ...low.map((note) => ({ ...note })),
            ],
          },
        ],
        at104,
      ),
      NO_SETTINGS,
    );
    const staves = score.parts[0]!.bars[0]!.voices.filter(
      (voice) => voice.symbols.filter((symbol) => symbol.notes.length > 0).length > 4,
    ).map((voice) => voice.staff);
    expect(new Set(staves).size).toBe(1);
    const chord = score.parts[0]!.bars[1]!.voices.find((voice) =>
      voice.symbols.some((symbol) => symbol.notes.length === 3),
    );
    expect(chord?.symbols[0]!.notes.map((note) => note.key)).toEqual([60, 64, 67]);
  });
  it('a part nobody knows has one staff and the clef it lies in; two only where the music needs two', () => {
    const clefs = (notes: HandNote[], settings = NO_SETTINGS) =>
      toScore(performanceOf([{ name: 'Track 3', notes }], at104), settings).score.parts[0]!.clefs;
    expect(clefs(short([43, 45, 47, 48, 50, 48, 47, 45], 0.5, 0.5))).toEqual(['bass']);
    expect(clefs(short([72, 74, 76, 77, 79, 77, 76, 74], 0.5, 0.5))).toEqual(['treble']);
    const wide = [...short([72, 74, 76, 77], 1, 1), ...short([36, 38, 40, 41], 1, 1)];
    expect(clefs(wide)).toEqual(['treble', 'bass']);
    expect(clefs(wide, { ...NO_SETTINGS, staves: { [partId('t1')]: 1 } })).toHaveLength(1);
  });
  it('two bass drums at once are one head, other sounds on one place move apart, and an open hi-hat has its circle', () => {
    const strike = (key: number, at: number): HandNote => ({ key, at, length: 0.1, channel: 10 });
    const kit = [strike(35, 0), strike(36, 0), strike(46, 0.5), strike(42, 1), strike(61, 2), strike(47, 2)];
    const { score } = toScore(performanceOf([{ name: 'Drums', notes: kit }], at104), NO_SETTINGS);
    expect(checkScore(score)).toEqual([]);
    const symbols = score.parts[0]!.bars[0]!.voices.flatMap((voice) => voice.symbols).filter(
      (symbol) => symbol.notes.length > 0,
    );
    const at = (quarters: number) =>
      symbols
        .filter((symbol) => symbol.at === quarters * 10080)
        .flatMap((symbol) => symbol.notes.map(({ pitch }) => `${pitch.step}${pitch.octave}`));
    expect(at(0)).toEqual(['F4']);
    expect(new Set(at(2)).size).toBe(2);
    expect(symbols.flatMap((symbol) => symbol.marks?.hiHat ?? [])).toEqual(['open', 'closed']);
  });
  it('unknown parts have short names that say which they are', () => {
    const notes = line([72, 4], [74, 4]);
    const { casting } = toScore(
      performanceOf(
        ['Track 3', 'Warm Thing', 'Track 3'].map((name) => ({ name, notes })),
        at104,
      ),
      NO_SETTINGS,
    );
    expect(casting.parts.map(({ name, abbreviation }) => [name, abbreviation])).toEqual([
      ['Track 3 1', 'Tr. 3 1'],
      ['Warm Thing', 'Warm Th.'],
      ['Track 3 2', 'Tr. 3 2'],
    ]);
  });
  it('asks once whether two bass drums are one', () => {
    const strike = (key: number, at: number): HandNote => ({ key, at, length: 0.1, channel: 10 });
    const { queries } = toScore(
      performanceOf([{ name: 'Drums', notes: [strike(36, 0), strike(35, 1), strike(36, 2), strike(35, 2)] }], at104),
      NO_SETTINGS,
    );
    expect(queries.filter((query) => query.kind === 'one-drum').map((query) => query.message)).toEqual([
      'Drum Kit, bar 1, beat 2: keys 36 and 35 are both a bass drum; they stand on one place, and are one head where they are struck together.',
    ]);
  });
  it('parts in octaves are written the same, the clearer one decides', () => {
    const riff = short(eight, 0.5, 0.5);
    const loose = riff.map((note, i) => ({
      ...note,
      key: note.key - 12,
      at: note.at + 0.03 * Math.sin(i * 2.1) + 0.03,
      length: 0.3 + 0.08 * (i % 3),
    }));
    const { score } = toScore(
      performanceOf(
        [
          { name: 'Flute', notes: riff },
          { name: 'Bassoon', notes: loose },
        ],
        at104,
      ),
      NO_SETTINGS,
    );
    const rhythm = (part: number) => words(score, part).map((word) => word.split(':')[1]);
    expect(rhythm(1)).toEqual(rhythm(0));
  });
  it('in swing a long eighth that is let go early is still an eighth', () => {
    const swung = [...eight, ...eight, ...eight].map((key, i) => ({
      key,
      at: Math.floor(i / 2) + (i % 2 === 1 ? 2 / 3 : 0),
      length: 0.3,
    }));
    const { score } = toScore(performanceOf([{ name: 'Tenor Sax', notes: swung }], at104), {
      ...NO_SETTINGS,
      swing: { ratio: 2, unit: 'eighth' },
    });
    expect(words(score).map((word) => word.replace('!', '').split(':')[1])).toEqual(Array(8).fill('eighth'));
  });
  it('a strum is one voice, whichever string dies away first; a bass note held under broken chords is not', () => {
    const strum = [0, 2, 4, 6].flatMap((at) =>
      [52, 55, 59, 64].map((key) => ({ key, at, length: key === 59 ? 0.9 : 1.9 })),
    );
    expect(
      words(toScore(performanceOf([{ name: 'Acoustic Guitar', notes: strum }], at104), NO_SETTINGS).score),
    ).toEqual(['52+55+59+64:half', '52+55+59+64:half']);
    const picked = [
      { key: 40, at: 0, length: 4 },
      ...[59, 64, 67, 59, 64, 67, 59].map((key, i) => ({ key, at: 0.5 + i / 2, length: 0.5 })),
    ];
    expect(
      words(toScore(performanceOf([{ name: 'Acoustic Guitar', notes: picked }], at104), NO_SETTINGS).score).at(-1),
    ).toBe('40:whole');
  });
  it('chords that were all drawn with one length are one voice where the next comes too soon for it', () => {
    const comping = [0, 1, 1.75, 2, 3, 3.75].flatMap((at, i) =>
      [0, 1, 2, 3].flatMap((bar) =>
        (i % 2 === 0 ? [60, 64, 67] : [62, 65, 69]).map((key) => ({ key, at: bar * 4 + at, length: 0.5 })),
      ),
    );
    const { score } = toScore(performanceOf([{ name: 'Piano', notes: comping }], at104), NO_SETTINGS);
    expect(
      new Set(
        score.parts[0]!.bars.flatMap((bar) =>
          bar.voices.filter(({ symbols }) => symbols.some(({ notes }) => notes.length > 0)).map(({ voice }) => voice),
        ),
      ),
    ).toEqual(new Set([1]));
  });
  // Floors; the measured numbers are in docs/accuracy.md.
  it('leaves a copyist little to sigh about in pieces as bands sequence them', () => {
    const sighs = BANDS.map((kind) => sighsOf(toScore(bandPiece(kind, 7), NO_SETTINGS).score)).reduce(
      addSighs,
      NO_SIGHS,
    );
    expect(sighs.shortRests / sighs.notes).toBeLessThan(0.04);
    // Only the harp has two staves here: its runs over four octaves change hands once each way.
    expect(sighs.hops / sighs.singles).toBeLessThan(0.07);
    expect(sighs.farOff / sighs.notes).toBeLessThan(0.05);
    expect(sighs.doubleHeads).toBe(0);
    expect(sighs.doubledUnlike).toBe(0);
    expect(sighs.doubledBars).toBeGreaterThan(50);
  });
});
