import { describe, expect, it } from 'vitest';
import { fMeasure, playFreely } from '../../../bench/beats';
import { corpus } from '../../../bench/corpus';
import { BARS, dance } from '../../testing/dances';
import { performanceOf, tempo } from '../../testing/music';
import { NO_FREE_TIME } from '../settings';
import { beatUnit } from './beat-unit';
import { beatsOfThree } from './beats-of-three';
import { tellingOf } from './telling';
import { findBeats, followBeats, onsetsOf } from './index';

const PULSE = 0.3;

const beatsOfDance = (groups: readonly number[]) => {
  let at = 0;
  return Array.from({ length: BARS }, () => groups.map((group) => (at += group * PULSE) - group * PULSE)).flat();
};

describe('beats of uneven length', () => {
  it.each([[[3, 2]], [[2, 3]], [[2, 2, 3]], [[3, 2, 2]], [[2, 3, 2]]])('are found in bars of %j', (groups) => {
    const [found] = findBeats(onsetsOf(dance(groups)));
    expect(found!.uneven?.groups).toEqual(groups);
    expect(fMeasure(found!.beats, beatsOfDance(groups))).toBeGreaterThan(0.99);
  });
  it.each([[[2, 2]], [[3, 3]], [[2, 2, 2]], [[3, 3, 3]], [[2, 2, 2, 2, 2]], [[3, 3, 2]]])(
    'are not thought of in bars of %j',
    (groups) => {
      const found = findBeats(onsetsOf(dance(groups)));
      expect(found.length).toBeGreaterThan(0);
      for (const { uneven } of found) expect(uneven).toBeUndefined();
    },
  );
  it('are not made out of a few bars', () => {
    const found = findBeats(onsetsOf(dance([3, 2], { bars: 4 })));
    expect(found.length).toBeGreaterThan(0);
    for (const { uneven } of found) expect(uneven).toBeUndefined();
  });
  it('are bars of eighths on the page, with a sum where it is not the usual one', () => {
    const meters = (groups: number[]) => followBeats(dance(groups), NO_FREE_TIME)!.performance.meters;
    expect(meters([3, 2])).toEqual([{ at: 0, beats: 5, beatType: 8 }]);
    expect(meters([2, 2, 3])).toEqual([{ at: 0, beats: 7, beatType: 8 }]);
    expect(meters([3, 2, 2])).toEqual([{ at: 0, beats: 7, beatType: 8, groups: [3, 2, 2] }]);
  });
  it('begin with a pickup where the music does', () => {
    const { performance, following } = followBeats(dance([3, 2], { pickup: 1 }), NO_FREE_TIME)!;
    expect(performance.meters.map(({ beats, beatType }) => `${beats}/${beatType}`)).toEqual(['1/8', '5/8']);
    expect(following.downbeats[0]).toBe(1);
    expect(following.largestShift).toBeLessThan(1);
  });
  it('give way to what somebody says', () => {
    const of = (said: object) => followBeats(dance([3, 2]), { ...NO_FREE_TIME, ...said })!.following;
    expect(of({ unit: 'quarter' })).toMatchObject({ unit: 'quarter' });
    expect(of({ unit: 'quarter' }).groups).toBeUndefined();
    expect(of({ beatsPerBar: 4 }).beatsPerBar).toBe(4);
    expect(of({ beatsPerBar: 5 }).groups).toEqual([3, 2]);
    expect(of({ firstDownbeat: 2 }).downbeats[0]).toBe(2);
    expect(of({ period: 0.6 }).groups).toBeUndefined();
  });
  it('are found in free playing', () => {
    const pieces = corpus(43).filter(({ kind }) => kind === 'five and seven');
    const figures = pieces.map((piece) => {
      const { performance, beats } = playFreely(piece, 'lightly free', 5);
      return fMeasure(findBeats(onsetsOf(performance))[0]!.beats, beats);
    });
    expect(figures.reduce((sum, figure) => sum + figure, 0) / figures.length).toBeGreaterThan(0.9);
  });
});

describe('what a beat is written as', () => {
  const written = (kind: 'compound meters' | 'swing' | 'triplets in one part' | 'simple meters') =>
    corpus(43)
      .filter((piece) => piece.kind === kind)
      .map((piece, i) => {
        const { performance, beats } = playFreely(piece, 'rubato', 90 + i);
        return beatUnit(beats, onsetsOf(performance));
      });
  it('is a dotted quarter where it is parted in three', () => {
    const units = written('compound meters');
    expect(units.filter((unit) => unit === 'dotted quarter').length).toBeGreaterThanOrEqual(units.length - 1);
  });
  it.each(['swing', 'triplets in one part', 'simple meters'] as const)('is a quarter in %s', (kind) => {
    expect(new Set(written(kind))).toEqual(new Set(['quarter']));
  });
  it('is a quarter where nothing lies between beats', () => {
    expect(beatUnit([0, 1, 2, 3], [])).toBe('quarter');
  });
  it('makes a jig of a jig', () => {
    const { performance, following } = followBeats(dance([3, 3]), NO_FREE_TIME)!;
    expect(following.unit).toBe('dotted quarter');
    expect(performance.meters[0]).toMatchObject({ beatType: 8 });
    expect(followBeats(dance([3, 3]), { ...NO_FREE_TIME, unit: 'quarter' })!.performance.meters[0]!.beatType).toBe(4);
  });
});

describe('beats of three pulses', () => {
  // Eighths run through in both hands; every third is marked. By twos they are as even.
  const jig = (group: number) =>
    performanceOf(
      [
        {
          name: 'Piano',
          notes: Array.from({ length: 144 }, (_, i) => [
            { key: 67 + ((i * 5) % 7), at: i / 2, length: 0.45, velocity: i % group === 0 ? 96 : 72 },
            ...(i % group === 0 ? [{ key: 43 + ((i / group) % 4), at: i / 2, length: group / 2 - 0.05 }] : []),
          ]).flat(),
        },
      ],
      [tempo(0, 100)],
    );
  it.each([2, 3])('are counted in %ds where every such one stands out', (group) => {
    const [found] = findBeats(onsetsOf(jig(group)));
    expect(found!.period).toBeCloseTo(group * PULSE, 2);
    expect(
      fMeasure(
        found!.beats,
        Array.from({ length: 144 / group }, (_, i) => i * group * PULSE),
      ),
    ).toBeGreaterThan(0.98);
  });
  it('take the place of twos that a tracker of even beats prefers', () => {
    const onsets = onsetsOf(jig(3));
    const pulses = Array.from({ length: 144 }, (_, i) => i * PULSE);
    const inTwos = { beats: pulses.filter((_, i) => i % 2 === 0), period: 2 * PULSE, worth: 0.9 };
    const found = beatsOfThree([inTwos, { beats: pulses, period: PULSE, worth: 0.2 }], onsets);
    expect(found?.beats.slice(0, 3)).toEqual([0, 3 * PULSE, 6 * PULSE]);
    const short = [inTwos, { beats: pulses.slice(0, 30), period: PULSE, worth: 0.2 }];
    expect(beatsOfThree(short, onsets)).toBeNull();
    expect(beatsOfThree([inTwos, { beats: pulses, period: PULSE, worth: -0.5 }], onsets)).toBeNull();
    expect(beatsOfThree([], onsets)).toBeNull();
  });
  it('leave twos where twos are', () => {
    const pulses = Array.from({ length: 144 }, (_, i) => i * PULSE);
    const inFours = { beats: pulses.filter((_, i) => i % 4 === 0), period: 4 * PULSE, worth: 0.9 };
    expect(beatsOfThree([inFours, { beats: pulses, period: PULSE, worth: 0.2 }], onsetsOf(jig(2)))).toBeNull();
  });
});

describe('what a place tells', () => {
  const marks = (length: number, cycle: number) =>
    Array.from({ length }, (_, i) => (i % cycle === 0 ? 1 : 0) + 0.2 * Math.sin(i * 12.9));
  it('is nearly all where marks come back, and nothing elsewhere', () => {
    expect(tellingOf(marks(200, 5), 5)).toBeGreaterThan(0.8);
    expect(Math.abs(tellingOf(marks(200, 5), 4))).toBeLessThan(0.1);
    expect(Math.abs(tellingOf(marks(200, 5), 7))).toBeLessThan(0.1);
  });
  it('outlasts a slip: it is looked for in stretches', () => {
    const slipped = [...marks(84, 5), ...marks(84, 5)];
    expect(tellingOf(slipped, 5)).toBeGreaterThan(0.8);
  });
  it('is nothing where all is alike', () => {
    expect(tellingOf(Array<number>(200).fill(0.3), 3)).toBe(0);
    const alike = performanceOf(
      [{ name: 'A', notes: Array.from({ length: 200 }, (_, i) => ({ key: 60, at: i / 2, length: 0.4 })) }],
      [tempo(0, 100)],
    );
    const pulses = Array.from({ length: 200 }, (_, i) => i * PULSE);
    const inTwos = { beats: pulses.filter((_, i) => i % 2 === 0), period: 2 * PULSE, worth: 0.9 };
    expect(beatsOfThree([inTwos, { beats: pulses, period: PULSE, worth: 0.2 }], onsetsOf(alike))).toBeNull();
  });
  it('is nothing where there is too little', () => {
    expect(tellingOf(marks(20, 5), 5)).toBe(0);
    expect(tellingOf([], 5)).toBe(0);
  });
});
