import { describe, expect, it } from 'vitest';
import { line, performanceOf, tempo, type HandNote, type HandTrack } from '../../../testing/music';
import { partId } from '../../base';
import { soundsOf, type Score } from '../../score';
import { NO_SETTINGS, type ConversionSettings } from '../../settings';
import { QUARTER } from '../../time';
import { toScore } from '../index';

const convert = (tracks: HandTrack[], settings: Partial<ConversionSettings> = {}) =>
  toScore(performanceOf(tracks, [tempo(0, 100)]), { ...NO_SETTINGS, ...settings });
const heads = (score: Score, staff: number) =>
  soundsOf(score.parts[0]!, score.bars)
    .filter((sound) => sound.staff === staff)
    .map(({ key }) => key);

describe('hands that were recorded apart', () => {
  const right = { name: 'Piano RH', notes: line([72, 1], [60, 1], [64, 1], [72, 1]) };
  const left = { name: 'Piano LH', notes: line([48, 1], [60, 1], [52, 1], [48, 1]) };

  it('strike one key together, each on its staff', () => {
    const { score } = convert([right, left]);
    expect(score.parts).toHaveLength(1);
    expect(heads(score, 1)).toEqual([72, 60, 64, 72]);
    expect(heads(score, 2)).toEqual([48, 60, 52, 48]);
  });
  it('are not moved against each other by a sixteenth: a prelude in broken chords', () => {
    const hand = (places: number[], keys: number[], length: number) =>
      Array.from({ length: 48 }, (_, half) =>
        places.map((place, i) => ({
          key: keys[i % keys.length]!,
          at: 1 + 2 * half + place + 0.018 * Math.sin(half * 2.3 + 5 * i + 1),
          length,
        })),
      ).flat();
    const lower = hand([0, 0.25], [60, 64], 1.6);
    const upper = hand([0.5, 0.75, 1, 1.25, 1.5, 1.75], [67, 72, 76], 0.22);
    const { score } = convert([
      { name: 'Piano RH', notes: upper },
      { name: 'Piano LH', notes: lower },
    ]);
    const starts = (staff: number) =>
      new Set(
        soundsOf(score.parts[0]!, score.bars)
          .filter((sound) => sound.staff === staff)
          .map(({ start }) => ((start + QUARTER) % (2 * QUARTER)) / QUARTER),
      );
    expect([...starts(2)].sort()).toEqual([0, 0.25]);
    expect([...starts(1)].sort()).toEqual([0.5, 0.75, 1, 1.25, 1.5, 1.75]);
  });
  it('write it once where somebody parts the keyboard by keys', () => {
    const { score } = convert([right, left], { handSplits: { [partId('t1')]: 60 } });
    expect([...heads(score, 1), ...heads(score, 2)].filter((key) => key === 60)).toHaveLength(1);
  });
});

describe('hands of one track', () => {
  // Chords in quarters, close under a tune: their highest keys lie above middle C.
  it.each([
    [[55, 58, 63], 72],
    [[51, 55, 58, 63], 70],
  ])('keep the chord %j that is struck again', (chord, tune) => {
    const notes = Array.from({ length: 32 }, (_, beat) =>
      [...chord, tune + (beat % 3) * 2].map((key): HandNote => ({ key, at: beat, length: 0.9 })),
    ).flat();
    const { score } = convert([{ name: 'Piano', notes }]);
    expect(new Set(heads(score, 2))).toEqual(new Set(chord));
    expect(heads(score, 1).every((key) => key >= tune)).toBe(true);
  });
  it('play a fast run as one voice, however late the fingers leave their keys', () => {
    // Thirty-seconds at 100: 75 ms each; every finger stays 45 ms longer.
    const run = Array.from({ length: 64 }, (_, i) => ({
      key: 72 + [0, 2, 4, 5, 7, 5, 4, 2][i % 8]!,
      at: 1 + i / 8 + 0.006 * Math.sin(i * 2.3),
      length: 0.2,
    }));
    const { score } = convert([{ name: 'Piano', notes: [{ key: 48, at: 0, length: 9.5 }, ...run] }]);
    const voices = score.parts[0]!.bars.map(
      ({ voices }) =>
        voices.filter(({ staff, symbols }) => staff === 1 && symbols.some(({ notes }) => notes.length > 0)).length,
    );
    expect(Math.max(...voices)).toBe(1);
  });
});
