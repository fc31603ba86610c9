import { describe, expect, it } from 'vitest';
import { keySignature, line, performanceOf, type HandTrack } from '../../../testing/music';
import { pitchName } from '../../score';
import { layBars, QUARTER } from '../../time';
import { keysOfBars } from './keys';
import { spell, type NoteToSpell } from './spelling';
import { toScore } from '../index';
import { writtenTransposition } from './written-pitch';
import { NO_SETTINGS } from '../../settings';

const convert = (tracks: HandTrack[], conductor: Parameters<typeof performanceOf>[1]) =>
  toScore(performanceOf(tracks, conductor), NO_SETTINGS);

describe('keys and spelling', () => {
  const names = (keys: number[], fifths: number, mode: 'major' | 'minor' = 'major') => {
    const bars = layBars([], keys.length * QUARTER);
    const notes = keys.map((key, i): NoteToSpell => ({ key, start: i * QUARTER, end: (i + 1) * QUARTER, line: 0 }));
    const places = spell(
      notes,
      bars.map(() => ({ fifths, mode })),
      bars.map(() => fifths),
      bars,
    );
    return places
      .map((place) =>
        pitchName({
          step: (['F', 'C', 'G', 'D', 'A', 'E', 'B'] as const)[(((place + 1) % 7) + 7) % 7]!,
          alter: Math.floor((place + 1) / 7),
          octave: 0,
        }).slice(0, -1),
      )
      .join(' ');
  };
  // Textbook spellings (harmony textbooks, from memory).
  it('spells scales by their signature', () => {
    expect(names([68, 70, 72, 73, 75, 77, 79, 80], -4)).toBe('A♭ B♭ C D♭ E♭ F G A♭');
    expect(names([64, 66, 68, 69, 71, 73, 75, 76], 4)).toBe('E F♯ G♯ A B C♯ D♯ E');
  });
  it('raises the leading note of minor, and sixth and seventh of melodic minor', () => {
    expect(names([57, 59, 60, 62, 64, 65, 68, 69], 0, 'minor')).toBe('A B C D E F G♯ A');
    expect(names([60, 62, 63, 65, 67, 69, 71, 72], -3, 'minor')).toBe('C D E♭ F G A B C');
  });
  it('writes the chromatic scale with sharps going up and flats going down', () => {
    expect(names([60, 61, 62], 0)).toBe('C C♯ D');
    expect(names([67, 68, 69], 0)).toBe('G G♯ A');
    expect(names([62, 61, 60], 0)).toBe('D D♭ C');
    expect(names([65, 66, 67], 0)).toBe('F F♯ G');
  });
  it('hears the key of a scale with its chords', () => {
    const bars = layBars([], 16 * QUARTER);
    const tune = [68, 72, 75, 80, 73, 77, 80, 72, 75, 79, 70, 67, 68, 72, 75, 68].map((key, i) => ({
      key,
      start: i * QUARTER,
      end: (i + 1) * QUARTER,
    }));
    expect(keysOfBars(tune, bars)[0]).toEqual({ fifths: -4, mode: 'major' });
  });
  it('keeps written signatures within six accidentals', () => {
    expect(writtenTransposition(2, [5])).toMatchObject({ fifths: -10, steps: 2 });
    expect(writtenTransposition(2, [-4])).toMatchObject({ fifths: 2, steps: 1 });
    expect(writtenTransposition(9, [4])).toMatchObject({ fifths: 3 - 12 });
  });
  it('takes a signature that somebody set, and finds one where nobody did', () => {
    const scale = line(
      ...[65, 67, 69, 70, 72, 74, 76, 77, 77, 76, 74, 72, 70, 69, 67, 65].map((key): [number, number] => [key, 1]),
    );
    expect(convert([{ name: 'Flute', notes: scale }], [keySignature(0, 2)]).score.keys).toEqual([
      { bar: 0, fifths: 2, mode: 'major' },
    ]);
    expect(convert([{ name: 'Flute', notes: scale }], [keySignature(0, 0)]).score.keys[0]).toMatchObject({
      fifths: -1,
    });
  });
});
