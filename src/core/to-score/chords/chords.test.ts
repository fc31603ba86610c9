import { describe, expect, it } from 'vitest';
import { chordBar, plainPart, plainScore } from '../../../testing/scores';
import { chordText, withoutSuggestions, type Score } from '../../score';
import { layBars, QUARTER } from '../../time';
import { findChords, type HeardNote } from './find-chords';
import { withChordSymbols } from './chord-symbols';
import { partId } from '../../base';

/* Progressions as harmony textbooks spell them, from memory. */

const bars = (count: number) => layBars([{ at: 0, beats: 4, beatType: 4 }], 4 * QUARTER * count);
const held = (...chords: number[][]): HeardNote[] =>
  chords.flatMap((keys, b) => keys.map((key) => ({ key, start: b * 4 * QUARTER, end: (b + 1) * 4 * QUARTER })));
const heard = (notes: HeardNote[], count: number) =>
  findChords(notes, bars(count)).map(({ root, kind, bass, at }) => [
    at / QUARTER,
    root,
    kind,
    ...(bass === undefined ? [] : [bass]),
  ]);

describe('chords heard', () => {
  it('two, five, one', () => {
    expect(heard(held([50, 65, 69, 72], [43, 65, 71, 74], [48, 64, 67, 71]), 3)).toEqual([
      [0, 2, 'minor-seventh'],
      [4, 7, 'dominant'],
      [8, 0, 'major-seventh'],
    ]);
  });
  it('diminished, half-diminished, augmented, suspended', () => {
    expect(
      heard(held([47, 62, 65, 68], [47, 62, 65, 69], [48, 64, 68], [48, 65, 67, 72]), 4).map(([, root, kind]) => [
        root,
        kind,
      ]),
    ).toEqual([
      [11, 'diminished-seventh'],
      [11, 'half-diminished'],
      [0, 'augmented'],
      [0, 'suspended-fourth'],
    ]);
  });
  it('over another bass', () => {
    expect(heard(held([52, 60, 67, 72], [48, 60, 64, 67]), 2)).toEqual([[0, 0, 'major', 4]]);
    expect(heard(held([52, 60, 67, 72], [53, 65, 69, 72]), 2)).toEqual([
      [0, 0, 'major', 4],
      [4, 5, 'major'],
    ]);
  });
  it('broken, with passing notes in the tune', () => {
    const broken = [48, 55, 64, 55, 48, 55, 64, 55].map((key, i) => ({
      key,
      start: (i * QUARTER) / 2,
      end: ((i + 1) * QUARTER) / 2,
    }));
    const tune = [72, 74, 76, 77].map((key, i) => ({ key, start: i * QUARTER, end: (i + 1) * QUARTER }));
    const notes = [...broken, ...tune].sort((a, b) => a.start - b.start);
    expect(heard(notes, 1)).toEqual([[0, 0, 'major']]);
  });
  it('nothing where nothing sounds, and no chord again after a rest in between', () => {
    expect(heard([], 2)).toEqual([]);
    const notes = [
      ...held([48, 64, 67]),
      ...held([48, 64, 67]).map((one) => ({ ...one, start: one.start + 8 * QUARTER, end: one.end + 8 * QUARTER })),
    ];
    expect(heard(notes, 3)).toEqual([
      [0, 0, 'major'],
      [4, null, 'none'],
      [8, 0, 'major'],
    ]);
  });
});

describe('chord symbols', () => {
  const piano = plainPart([chordBar(51, 58, 67), chordBar(58, 65, 74)], { id: partId('t1') });
  const horn = plainPart([chordBar(60), chordBar(60)], {
    id: partId('t2'),
    transposition: 7,
    transpositionSteps: 4,
    writtenKeys: [-2],
  });
  const score: Score = plainScore([piano, horn], bars(2), { keys: [{ bar: 0, fifths: -3, mode: 'major' }] });
  const symbols = (use: 'on' | 'suggest' | 'off', over: string | null) => {
    const rule = { use, from: partId('t1'), over: over === null ? null : partId(over) };
    const parts = withChordSymbols.run({ ...score, rule });
    return { ...score, parts: [...parts] };
  };
  const texts = (one: Score) => one.parts.map(({ harmonies = [] }) => harmonies.map(chordText));
  it('are spelled by the key, and as the player of their part reads', () => {
    expect(texts(symbols('on', null))).toEqual([['E♭', 'B♭'], []]);
    expect(texts(symbols('on', 't2'))).toEqual([[], ['B♭', 'F']]);
  });
  it('go out only when they were taken', () => {
    expect(texts(withoutSuggestions(symbols('on', null)))).toEqual([['E♭', 'B♭'], []]);
    expect(texts(withoutSuggestions(symbols('suggest', null)))).toEqual([[], []]);
    expect(texts(symbols('off', null))).toEqual([[], []]);
  });
});
