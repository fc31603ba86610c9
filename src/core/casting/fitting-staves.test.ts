import { partId } from '../base';
import { describe, expect, it } from 'vitest';
import { instrumentById, UNKNOWN_INSTRUMENT } from '../instruments';
import type { PlayedNote } from '../performance';
import { line, performanceOf, type HandNote } from '../../testing/music';
import { toScore } from '../to-score';
import { fittingStaves } from './fitting-staves';
import { NO_SETTINGS } from '../settings';

const played = (chords: readonly (readonly number[])[]): PlayedNote[] =>
  chords.flatMap((keys, i) =>
    keys.map((key) => ({
      id: i * 10 + key,
      key,
      velocity: 80,
      start: i * 480,
      end: i * 480 + 480,
      channel: 1,
    })),
  );
const clefs = (id: string, chords: readonly (readonly number[])[], chosen?: 1 | 2) =>
  fittingStaves(instrumentById(id), played(chords), chosen).clefs;
const scale = (from: number) => [0, 2, 4, 5, 7, 9, 11, 12].map((step) => [from + step]);

// Which instruments are written on one or two staves: common practice, no source.
describe('staves that fit', () => {
  it('one staff for a line, in the clef it lies in', () => {
    expect(clefs('synthesizer', scale(67))).toEqual(['treble']);
    expect(clefs('organ', scale(43))).toEqual(['bass']);
    expect(fittingStaves(UNKNOWN_INSTRUMENT, played(scale(40))).clefs).toEqual(['bass']);
  });
  it('two where the music needs two: wide chords, or both registers', () => {
    expect(
      clefs('synthesizer', [
        [40, 64, 67],
        [41, 65, 69],
        [43, 67, 71],
      ]),
    ).toEqual(['treble', 'bass']);
    expect(clefs('organ', [...scale(36), ...scale(79)])).toEqual(['treble', 'bass']);
  });
  it('what lies above the treble staff is no better off on two', () => {
    expect(clefs('synthesizer', scale(88))).toEqual(['treble']);
  });
  it('a harp and a piano have their two, but for one that would stay empty throughout', () => {
    const often = (...chords: number[][]) => Array.from({ length: 8 }, () => [...scale(72), ...chords]).flat();
    expect(clefs('harp', scale(72))).toEqual(['treble', 'bass']);
    expect(clefs('piano', scale(72))).toEqual(['treble', 'bass']);
    expect(clefs('piano', often())).toEqual(['treble']);
    expect(clefs('harp', often([48]))).toEqual(['treble', 'bass']);
    expect(clefs('piano', often([60, 79]))).toEqual(['treble', 'bass']);
    expect(clefs('piano', often(), 2)).toEqual(['treble', 'bass']);
  });
  it('a flute has its one, whatever it plays', () => {
    expect(clefs('flute', scale(60))).toEqual(['treble']);
  });
  it('somebody can choose, for any instrument of pitch', () => {
    expect(clefs('harp', scale(72), 1)).toEqual(['treble']);
    expect(clefs('synthesizer', scale(72), 2)).toEqual(['treble', 'bass']);
  });
  it('a few notes that would rather have two staves are doubtful', () => {
    const mostly = [...Array.from({ length: 12 }, () => scale(67)).flat(), [52], [50]];
    expect(fittingStaves(instrumentById('synthesizer'), played(mostly))).toEqual({ clefs: ['treble'], doubtful: true });
    expect(fittingStaves(instrumentById('synthesizer'), played(mostly), 1).doubtful).toBe(false);
  });
  it('hands recorded apart keep their staves, until somebody wants one', () => {
    const hand = (from: number): HandNote[] => line(...scale(from).map(([key]): [number, number] => [key!, 1]));
    const tracks = [
      { name: 'Piano RH', notes: hand(67) },
      { name: 'Piano LH', notes: hand(60) },
    ];
    const staves = (settings: typeof NO_SETTINGS) =>
      toScore(performanceOf(tracks), settings).score.parts.map((part) => part.clefs.length);
    expect(staves(NO_SETTINGS)).toEqual([2]);
    expect(staves({ ...NO_SETTINGS, staves: { [partId('t1')]: 1 } })).toEqual([1]);
  });
});
