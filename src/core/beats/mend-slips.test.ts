import { describe, expect, it } from 'vitest';
import { fMeasure, playFreely } from '../../../bench/beats';
import { corpus } from '../../../bench/corpus';
import { NO_FREE_TIME } from '../settings';
import { followBeats } from './follow-beats';
import type { Onset } from './onsets';
import { mendSlips } from './mend-slips';

const mended = (...args: Parameters<typeof mendSlips>) => mendSlips(...args).beats;

/** A beat of each length; in bars of so many, a bass begins each bar and eighths lie between beats. */
function played(lengths: readonly number[], bars: readonly number[]): { beats: number[]; onsets: Onset[] } {
  let at = 0;
  const beats = lengths.map((length) => (at += length) - length);
  const begins = new Set<number>();
  bars.reduce((beat, length) => (begins.add(beat), beat + length), 0);
  const onsets = beats.flatMap((beat, i): Onset[] => {
    const bass = begins.has(i) ? 36 + ((i * 5) % 7) : 60;
    const struck = { loud: 0, keys: [bass, 67], drums: [], bass };
    return [
      { ...struck, at: beat, accent: begins.has(i) ? 1.2 : 0.2, length: begins.has(i) ? 1.5 : 0.5 },
      ...(i % 3 > 0
        ? [{ ...struck, at: beat + lengths[i]! / 2, accent: -0.8, bass: 62, keys: [69], length: 0.2 }]
        : []),
    ];
  });
  return { beats, onsets };
}
const rounded = (beats: readonly number[]) => beats.map((beat) => Math.round(beat * 1000) / 1000);
const steady = (count: number) => Array<number>(count).fill(0.56);
const fours = (count: number) => Array<number>(count).fill(4);
/** Half a minute, in whose middle a phrase slows and the next one takes up the tempo. */
const slowing = [...steady(20), 0.57, 0.63, 0.69, 0.78, ...steady(24)];

describe('a beat that was slipped in or lost', () => {
  const { beats, onsets } = played(slowing, fours(12));
  const [from, to] = [beats[22]!, beats[24]!];

  it('is taken out where the playing slowed', () => {
    const third = (to - from) / 3;
    const found = [...beats.slice(0, 23), from + third, from + 2 * third, ...beats.slice(24)];
    expect(found).toHaveLength(beats.length + 1);
    expect(rounded(mended(found, onsets, 4))).toEqual(rounded(beats));
    expect(mendSlips(found, onsets, 4).slips).toEqual([{ at: beats[20], was: 'too many' }]);
  });
  it('stays where somebody tapped it', () => {
    const third = (to - from) / 3;
    const found = [...beats.slice(0, 23), from + third, from + 2 * third, ...beats.slice(24)];
    expect(mended(found, onsets, 4, [from, from + third])).toEqual(found);
    expect(mended(found, onsets, 4, [beats[2]!, beats[3]!])).toHaveLength(beats.length);
  });
  it('is put in where one was lost', () => {
    const found = [...beats.slice(0, 22), (beats[21]! + to) / 2, ...beats.slice(24)];
    expect(found).toHaveLength(beats.length - 1);
    expect(rounded(mended(found, onsets, 4))).toEqual(rounded(beats));
  });
  it('is counted in bars of two as well', () => {
    const third = (to - from) / 3;
    const found = [...beats.slice(0, 23), from + third, from + 2 * third, ...beats.slice(24)];
    expect(mended(found, onsets, 2)).toHaveLength(beats.length);
  });
  it('is none where a bar is longer than the others', () => {
    const five = played(steady(49), [...fours(5), 5, ...fours(6)]);
    expect(mended(five.beats, five.onsets, 4)).toEqual(five.beats);
  });
  it('is none where all beats are there', () => {
    expect(mendSlips(beats, onsets, 4)).toEqual({ beats, slips: [] });
  });
  it('is told, and the bars after it begin where they do', () => {
    const index = corpus(3).findIndex(({ kind }) => kind === 'swing');
    const played = playFreely(corpus(3)[index]!, 'rubato', 3 * 101 + index);
    const { following } = followBeats(played.performance, NO_FREE_TIME)!;
    expect(following.slips).toMatchObject([{ was: 'too many' }]);
    const downbeats = following.downbeats.map((beat) => following.beats[beat]!);
    expect(fMeasure(downbeats, played.downbeats)).toBeGreaterThan(0.9);
  });
});
