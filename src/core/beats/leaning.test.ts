import { describe, expect, it } from 'vitest';
import type { Onset } from './onsets';
import { findBars } from './find-bars';

const BARS = 16;
const PERIOD = 0.6;

/** Four beats again and again, of the same harmony and rhythm, struck as loudly as said. */
function struck(loud: readonly number[], pickup = 0): { beats: number[]; onsets: Onset[] } {
  const beats = Array.from({ length: 4 * BARS }, (_, i) => i * PERIOD);
  const onsets = beats.map((at, i): Onset => {
    const place = (i + 4 - pickup) % 4;
    // Nobody plays a place as loudly twice.
    const chance = 0.1 * ((i * 7) % 5) - 0.2;
    // A bass on the first and third, which says nothing of which is which.
    const bass = place % 2 === 0 ? 40 : 60;
    return { at, accent: 0, loud: loud[place]! + chance, bass, keys: [bass], drums: [], length: 0.5 };
  });
  return { beats, onsets };
}
const barsOf = (loud: readonly number[], pickup?: number) => {
  const { beats, onsets } = struck(loud, pickup);
  return findBars(beats, onsets);
};

describe('beats to a bar', () => {
  it('are four where the first is leant on more than the third', () => {
    expect(barsOf([1.2, -0.6, 0.3, -0.6]).beatsPerBar).toBe(4);
  });
  it('are two where both are leant on alike', () => {
    const { beatsPerBar, downbeats } = barsOf([0.8, -0.8, 0.8, -0.8]);
    expect(beatsPerBar).toBe(2);
    expect(downbeats).toEqual(Array.from({ length: 2 * BARS }, (_, i) => 2 * i));
  });
  it('are four where nobody leans on anything', () => {
    expect(barsOf([0, 0, 0, 0]).beatsPerBar).toBe(4);
  });
  it('begin with a pickup all the same', () => {
    const { beatsPerBar, downbeats } = barsOf([0.8, -0.8, 0.8, -0.8], 1);
    expect(beatsPerBar).toBe(2);
    expect(downbeats.slice(0, 3)).toEqual([1, 3, 5]);
  });
  it('are three where every third is leant on, whatever the bass does', () => {
    // The bass moves every two beats, six of which are two bars.
    const beats = Array.from({ length: 48 }, (_, i) => i * PERIOD);
    const onsets = beats.map((at, i): Onset => {
      const loud = (i % 3 === 0 ? 1 : -0.5) + 0.1 * ((i * 7) % 5);
      const bass = i % 2 === 0 ? 40 + (i % 4) : 60;
      return { at, accent: 0, loud, bass, keys: [bass], drums: [], length: i % 2 === 0 ? 1 : 0.4 };
    });
    const unloud = onsets.map((onset) => ({ ...onset, loud: 0 }));
    expect(findBars(beats, unloud).beatsPerBar).not.toBe(3);
    const { beatsPerBar, downbeats } = findBars(beats, onsets);
    expect(beatsPerBar).toBe(3);
    expect(downbeats.slice(0, 3)).toEqual([0, 3, 6]);
  });
  it('stay what somebody says', () => {
    const { beats, onsets } = struck([0.8, -0.8, 0.8, -0.8]);
    expect(findBars(beats, onsets, [], [4]).beatsPerBar).toBe(4);
    expect(findBars(beats, onsets, [2]).downbeats).toContain(2);
  });
});
