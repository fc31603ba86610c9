import { describe, expect, it } from 'vitest';
import { differenceInWords } from './difference-words';

describe('a difference in words', () => {
  const difference = { kind: 'missing', part: 0, bar: 0, key: 81, milliseconds: 0, played: [] } as const;
  // Names of the keys: General MIDI 1 percussion key map.
  it.each([
    [{ ...difference, drum: true as const }, 'drum key 81 (open triangle) is missing'],
    [difference, 'A5 is missing'],
    [{ ...difference, key: 20, drum: true as const, kind: 'extra' as const }, 'drum key 20 is extra'],
    [
      { ...difference, kind: 'pitch' as const, key: 35, otherKey: 36, drum: true as const, why: 'drum key moved' },
      'drum key 35 (acoustic bass drum) sounds as drum key 36 (bass drum 1): drum key moved',
    ],
  ])('%j', (one, words) => {
    expect(differenceInWords(one)).toBe(words);
  });
});
