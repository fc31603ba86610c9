import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seeded } from '../../../../bench/random';
import { demoOriginal } from '../../../../demo/make';
import { performanceFromSmf } from '../../performance';
import { readSmf } from '../../smf';
import { agreementOf } from './agreement';
import { alignOnsets } from './align-onsets';
import { changed, type Changes } from '../../../testing/known-changes';
import { fitTime } from './fit-time';
import { musicOfPerformance, type SoundingMusic } from './sounding-music';

const demo = musicOfPerformance(performanceFromSmf(readSmf(demoOriginal())));
const total = (made: ReturnType<typeof agreementOf>, kind: 'moved' | 'length' | 'pitch' | 'missing' | 'extra') =>
  made.parts.reduce((sum, part) => sum + part.differing[kind], 0);
const counts = (made: ReturnType<typeof agreementOf>) => ({
  moved: total(made, 'moved'),
  length: total(made, 'length'),
  pitch: total(made, 'pitch'),
  missing: total(made, 'missing'),
  extra: total(made, 'extra'),
});
const NONE = { moved: 0, length: 0, pitch: 0, missing: 0, extra: 0 };
const clocked = (music: SoundingMusic, ratio: number, offset: number): SoundingMusic => ({
  ...music,
  parts: music.parts.map((part) => ({
    ...part,
    notes: part.notes.map((note) => ({
      ...note,
      onset: ratio * note.onset + offset,
      release: ratio * note.release + offset,
    })),
  })),
});

describe('two musics', () => {
  it('that are the same agree in every note', () => {
    const made = agreementOf(demo, demo);
    expect(counts(made)).toEqual(NONE);
    expect([made.typical, made.largest, made.fit]).toEqual([0, 0, { ratio: 1, offset: 0 }]);
    expect(made.words).toBe('Every one of 1,223 notes is there; 1,223 begin within 12 ms of where they were.');
    expect(new Set(made.map.flat())).toEqual(new Set([0, 1]));
  });
  it.each([
    [1, 3.25],
    [1, -1.5],
    [1.25, 0],
    [0.8, 12],
    [1.013, 0.2],
  ])('at another clock agree: %f times as long, %f s later', (ratio, offset) => {
    const made = agreementOf(demo, clocked(demo, ratio, offset));
    expect(counts(made)).toEqual(NONE);
    expect(made.fit.ratio).toBeCloseTo(ratio, 3);
    expect(made.fit.offset).toBeCloseTo(offset, 2);
    expect(made.words).toMatch(/taken out: /);
  });
  it('are fitted though a quarter of the notes is missing and others are there instead', () => {
    const many: Changes = { missing: 300, extra: 300, moved: 0, octave: 0, pitch: 0, length: 0 };
    const { music } = changed(demo, many, seeded(5));
    const fit = fitTime(demo, clocked(music, 1.1, 2));
    expect(fit.ratio).toBeCloseTo(1.1, 3);
    expect(fit.offset).toBeCloseTo(2, 2);
  });
  it('differ in exactly what was changed', () => {
    for (let seed = 1; seed <= 8; seed++) {
      const { music, made } = changed(
        demo,
        { missing: 9, extra: 7, moved: 12, octave: 4, pitch: 5, length: 11 },
        seeded(seed),
      );
      expect(counts(agreementOf(demo, music)), `seed ${seed}`).toEqual({
        missing: made.missing,
        extra: made.extra,
        moved: made.moved,
        pitch: made.octave + made.pitch,
        length: made.length,
      });
    }
  });
  it('whose parts are named otherwise and stand in another order are paired by their notes', () => {
    const renamed = {
      ...demo,
      parts: demo.parts.map((part, i) => ({ ...part, id: `x${i}`, name: `Track ${i}` })).reverse(),
    };
    expect(counts(agreementOf(demo, renamed))).toEqual(NONE);
  });
  it('of which one is empty say so', () => {
    const nothing: SoundingMusic = { parts: [], bars: [] };
    expect(agreementOf(nothing, nothing).words).toBe('There is no note on either side.');
    expect(counts(agreementOf(demo, nothing))).toEqual({ ...NONE, missing: 1223 });
    expect(counts(agreementOf(nothing, demo))).toEqual({ ...NONE, extra: 1223 });
  });
  it('tell what was decided from what nobody decided', () => {
    const { music } = changed(demo, { missing: 3, extra: 0, moved: 5, octave: 0, pitch: 0, length: 0 }, seeded(3));
    const made = agreementOf(demo, music, {
      explain: (_, kind) => (kind === 'moved' ? { words: 'on purpose', by: 'decision' } : undefined),
    });
    expect(made.words).toMatch(/5 moved \(5 by decision\); 3 missing \(3 unexplained\)\.$/);
    expect(made.differences.filter((one) => one.by === undefined).map((one) => one.kind)).toEqual(
      Array(3).fill('missing'),
    );
    expect(made.map.flat()).toContain(2);
  });
});

describe('onsets of one key', () => {
  /** Every way to pair them in order, tried. */
  function cheapest(a: readonly number[], b: readonly number[], window: number): number {
    const memo = new Map<string, number>();
    const from = (i: number, j: number): number => {
      if (i === a.length || j === b.length) return ((a.length - i + b.length - j) * window) / 2;
      const known = memo.get(`${i}/${j}`);
      if (known !== undefined) return known;
      const apart = Math.abs(a[i]! - b[j]!);
      const least = Math.min(
        from(i + 1, j) + window / 2,
        from(i, j + 1) + window / 2,
        apart <= window ? from(i + 1, j + 1) + apart : Infinity,
      );
      memo.set(`${i}/${j}`, least);
      return least;
    };
    return from(0, 0);
  }
  const onsets = fc
    .array(fc.integer({ min: 0, max: 400 }), { maxLength: 12 })
    .map((list) => list.sort((x, y) => x - y));

  it('are paired at the least cost there is', () => {
    fc.assert(
      fc.property(onsets, onsets, (a, b) => {
        const partner = alignOnsets(a, b, 50);
        const pairs = [...partner].flatMap((j, i) => (j < 0 ? [] : [[i, j] as const]));
        const cost =
          pairs.reduce((sum, [i, j]) => sum + Math.abs(a[i]! - b[j]!), 0) +
          (a.length + b.length - 2 * pairs.length) * 25;
        expect(cost).toBeCloseTo(cheapest(a, b, 50), 6);
        for (const [n, [, j]] of pairs.entries()) if (n > 0) expect(j).toBeGreaterThan(pairs[n - 1]![1]);
      }),
    );
  });
  it('stay in step where one is left out of a run', () => {
    const run = Array.from({ length: 40 }, (_, i) => i * 0.125);
    const without = run.filter((_, i) => i !== 17);
    const partner = [...alignOnsets(run, without, 0.5)];
    expect(partner[17]).toBe(-1);
    expect(partner.filter((_, i) => i !== 17)).toEqual(without.map((_, i) => i));
  });
});
