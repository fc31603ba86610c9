import { describe, expect, it } from 'vitest';
import { fMeasure, playFreely } from '../../../bench/beats';
import { genres } from '../../../bench/genres';
import { performanceOf, tempo, type HandNote } from '../../testing/music';
import { begunByLongNotes } from './beat-phase';
import { beatsUnderThreeThreeTwo } from './three-three-two';
import { findBeats, onsetsOf } from './index';
import { trackBeats } from './track-beats';

const BARS = 16;
const BEAT = 0.6;
const beats = Array.from({ length: 4 * BARS }, (_, i) => i * BEAT);
const played = (notes: HandNote[]) => onsetsOf(performanceOf([{ name: 'Piano', notes }], [tempo(0, 100)]));

/** Two players strike after every beat; a tune is held from some beats on. */
const riffs = (tune: number) =>
  played(
    beats.flatMap((_, at): HandNote[] => [
      { key: 40 + (at % 3), at: at + 0.25, length: 0.2, velocity: 96 },
      { key: 52 + (at % 3), at: at + 0.25, length: 0.2, velocity: 96 },
      { key: 55 + (at % 2), at: at + 0.75, length: 0.2, velocity: 90 },
      ...(at % 2 === 0 ? [{ key: 72 + ((at * 5) % 7), at, length: tune, velocity: 70 }] : []),
    ]),
  );

/** Three, three and two eighths in the bass; a second line strikes some of them. */
const tresillo = (more: (bar: number) => number[]) =>
  played(
    Array.from({ length: BARS }, (_, bar): HandNote[] => [
      ...[0, 1.5, 3].map((place, i) => ({ key: 40 + ((bar + i) % 4), at: 4 * bar + place, length: i < 2 ? 1.4 : 0.9 })),
      ...more(bar).map((place) => ({ key: 64 + ((bar * 3) % 5), at: 4 * bar + place, length: 0.9 })),
    ]).flat(),
  );

describe('music that is struck beside its beats', () => {
  it('has them where long notes begin', () => {
    const onsets = riffs(1.9);
    const [tracked] = trackBeats(onsets);
    // The pace is found, the place is not.
    expect(tracked!.period).toBeCloseTo(BEAT, 1);
    expect(fMeasure(tracked!.beats, beats)).toBeLessThan(0.1);
    expect(fMeasure(findBeats(onsets)[0]!.beats, beats)).toBeGreaterThan(0.95);
  });
  it('stays there when a beat is set by hand, and follows one that is set on the riff', () => {
    const onsets = riffs(1.9);
    const [found] = findBeats(onsets);
    const set = found!.beats[6]! + 0.03;
    const [after] = findBeats(onsets, { placed: [set] });
    expect(after!.beats).toContain(set);
    expect(after!.beats.filter((beat) => beat !== set)).toEqual(found!.beats.filter((_, i) => i !== 6));
    const onRiff = found!.beats[6]! + BEAT / 4;
    const [followed] = findBeats(onsets, { placed: [onRiff] });
    expect(fMeasure(followed!.beats, beats)).toBeLessThan(0.1);
  });
  it('is left where nothing is held longer than the riff', () => {
    const onsets = riffs(0.2);
    const [tracked] = trackBeats(onsets);
    expect(begunByLongNotes(tracked!, onsets)).toBe(tracked);
  });
  it('is counted in four under three, three and two', () => {
    const onsets = tresillo(
      (bar) =>
        [
          [0, 1.5],
          [0.5, 1.5, 2.5, 3],
          [0, 3],
          [1.5, 3],
        ][bar % 4]!,
    );
    expect(fMeasure(findBeats(onsets)[0]!.beats, beats)).toBeGreaterThan(0.95);
  });
  it('is not taken for that where every beat is struck', () => {
    const onsets = tresillo(() => [0, 1, 2, 3]);
    const levels = trackBeats(onsets);
    expect(beatsUnderThreeThreeTwo(levels, onsets)).toBeNull();
    expect(fMeasure(findBeats(onsets)[0]!.beats, beats)).toBeGreaterThan(0.95);
  });
  it('is followed in free playing', () => {
    // Seeds that no constant was chosen on; without looking beside the beat the riffs have 0.
    const mean = (kind: string) => {
      const figures = [51, 52, 53].flatMap((seed) =>
        genres(seed)
          .filter((piece) => piece.kind === kind)
          .map((piece, i) => {
            const { performance, beats: truth } = playFreely(piece, 'lightly free', seed + i);
            return fMeasure(findBeats(onsetsOf(performance))[0]!.beats, truth);
          }),
      );
      return figures.reduce((sum, figure) => sum + figure, 0) / figures.length;
    };
    expect(mean('off-beat riffs')).toBeGreaterThan(0.9);
    expect(mean('clave')).toBeGreaterThan(0.95);
  });
});
