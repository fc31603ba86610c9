import { describe, expect, it } from 'vitest';
import { QUARTER } from '../../time';
import { splitHands } from './staves';

describe('hands', () => {
  const staves = (chords: readonly { keys: readonly number[]; at: number; length: number }[]) => {
    const notes = chords.flatMap(({ keys, at: start, length }, i) =>
      keys.map((key, k) => ({
        id: i * 10 + k,
        key,
        start: start * QUARTER,
        onset: start * QUARTER,
        release: (start + length) * QUARTER,
        onsetSeconds: 0,
        releaseSeconds: 0,
        velocity: 80,
        absorbed: [],
      })),
    );
    return splitHands(notes);
  };
  it('a broken chord under a held melody is the left hand’s, high as it lies', () => {
    // The first bars of an accompaniment of broken chords in the middle of the keyboard, made for this test.
    const melody = [72, 76, 79].map((key, i) => ({ keys: [key], at: i * 2, length: 2 }));
    const figure = Array.from({ length: 12 }, (_, i) => ({ keys: [[60, 67, 64, 67][i % 4]!], at: i / 2, length: 0.5 }));
    const together = [...melody, ...figure].sort((a, b) => a.at - b.at || a.keys[0]! - b.keys[0]!);
    const found = staves(together);
    // In the first two beats the hands are still finding their places.
    together.forEach((one, i) => {
      if (one.at >= 2 || one.at === 0)
        expect(found[i], `key ${one.keys[0]} at ${one.at}`).toBe(one.length === 2 ? 1 : 2);
    });
  });
  it('hands lie apart where the chord does', () => {
    const chords = Array.from({ length: 6 }, (_, i) => ({ keys: [51, 56, 60, 72], at: i, length: 1 }));
    expect(staves(chords)).toEqual(chords.flatMap(() => [2, 2, 2, 1]));
  });
  it('a chord that is struck again stays in its hand', () => {
    const chords = Array.from({ length: 32 }, (_, i) => ({
      keys: [51, 55, 58, 63, [66, 69, 72, 75][i % 4]!],
      at: i,
      length: 0.9,
    }));
    expect(staves(chords)).toEqual(chords.flatMap(() => [2, 2, 2, 2, 1]));
  });
});
