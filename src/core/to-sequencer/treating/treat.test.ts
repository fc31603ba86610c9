import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { NO_LOOSENING, USUAL_TREATMENTS, VALUE_LENGTH, type Treatment } from '../../settings';
import { layBars, QUARTER } from '../../time';
import { curveOfStrengths, strengthsOfCurve, thinned } from './controllers';
import { treated, type TreatedNote } from './treat';

const bars = layBars([{ at: 0, beats: 4, beatType: 4 }], 8 * 4 * QUARTER);
const piece = { bars, swing: [], part: 0, unitsOf: (ms: number) => (ms / 500) * QUARTER };
const note = (start: number, end: number, more: Partial<TreatedNote> = {}): TreatedNote => ({
  start: start * QUARTER,
  end: end * QUARTER,
  key: 60,
  velocity: 70,
  ...more,
});
const after = (notes: TreatedNote[], does: Treatment, span: { from: number; to: number } | null = null) =>
  treated(notes, [{ bars: span, does }], piece);
const quarters = (notes: readonly TreatedNote[]) =>
  notes.map(({ start, end }) => [start / QUARTER, end / QUARTER].map((at) => Math.round(at * 1000) / 1000));

const anyNotes = fc.array(
  fc.record({
    start: fc.integer({ min: 0, max: 30 * QUARTER }),
    length: fc.integer({ min: 1, max: 4 * QUARTER }),
    key: fc.integer({ min: 21, max: 108 }),
    velocity: fc.integer({ min: 1, max: 127 }),
  }),
  { minLength: 1, maxLength: 40 },
);
const made = (list: { start: number; length: number; key: number; velocity: number }[]): TreatedNote[] =>
  list.map(({ start, length, key, velocity }) => ({ start, end: start + length, key, velocity }));
const SEED = { seed: 20260 };

describe('treatments', () => {
  it('leave every note there, with its key, some length and a velocity that can be sent', () => {
    fc.assert(
      fc.property(anyNotes, fc.constantFrom(...Object.values(USUAL_TREATMENTS)), (list, does) => {
        const notes = made(list);
        const changed = after(notes, does);
        expect(changed.map(({ key }) => key)).toEqual(notes.map(({ key }) => key));
        for (const { start, end, velocity } of changed) {
          expect(end).toBeGreaterThan(start);
          expect(velocity).toBeGreaterThanOrEqual(1);
          expect(velocity).toBeLessThanOrEqual(127);
        }
      }),
      SEED,
    );
  });
  it('change nothing outside of their bars', () => {
    fc.assert(
      fc.property(anyNotes, fc.constantFrom(...Object.values(USUAL_TREATMENTS)), (list, does) => {
        const notes = made(list);
        const changed = after(notes, does, { from: 2, to: 4 });
        notes.forEach((one, i) => {
          const bar = Math.floor((one.start + QUARTER / 16) / (4 * QUARTER));
          if (bar < 2 || bar >= 4) expect(changed[i]).toBe(one);
        });
      }),
      SEED,
    );
  });
  it('set onsets on the grid, half way to it, and swing its off-beats', () => {
    fc.assert(
      fc.property(anyNotes, fc.constantFrom(...(['quarter', 'eighth', '16th', '32nd'] as const)), (list, grid) => {
        const step = VALUE_LENGTH[grid];
        const does = { ...USUAL_TREATMENTS.quantize, grid };
        for (const { start } of after(made(list), does)) expect(start % step).toBe(0);
        const half = after(made(list), { ...does, strength: 0.5 });
        made(list).forEach(({ start }, i) =>
          expect(half[i]!.start).toBeCloseTo((start + Math.round(start / step) * step) / 2, 6),
        );
      }),
      SEED,
    );
    const swung = after([note(0.02, 0.5), note(0.47, 1)], { ...USUAL_TREATMENTS.quantize, grid: 'eighth', swing: 2 });
    expect(quarters(swung).map(([start]) => start)).toEqual([0, 0.667]);
  });
  it('close gaps up to a value, and leave what is a rest', () => {
    const notes = [note(0, 0.7), note(1, 1.8), note(3, 3.5), note(6, 7)];
    expect(quarters(after(notes, { kind: 'closeGaps', upTo: 'eighth' }))).toEqual([
      [0, 1],
      [1, 1.8],
      [3, 3.5],
      [6, 7],
    ]);
  });
  it('trim what laps, and leave what is held', () => {
    const notes = [note(0, 1.2), note(1, 2.1, { key: 62 }), note(2, 3), note(0, 4, { key: 36 })];
    expect(quarters(after(notes, { kind: 'trimOverlaps' }))).toEqual([
      [0, 1],
      [1, 2],
      [2, 3],
      [0, 4],
    ]);
  });
  it('scale velocities to a range, and give accents by the place in the bar', () => {
    const notes = [note(0, 1, { velocity: 20 }), note(1, 2, { velocity: 60 }), note(1.5, 2, { velocity: 100 })];
    const strengths = (does: Treatment) => after(notes, does).map(({ velocity }) => velocity);
    expect(strengths({ kind: 'scale', weakest: 50, strongest: 90 })).toEqual([50, 70, 90]);
    expect(strengths({ kind: 'accents', first: 10, beats: 2, between: -4 })).toEqual([30, 62, 96]);
    expect(strengths({ kind: 'level', velocity: 88 })).toEqual([88, 88, 88]);
  });
  it('spread chords from the lowest note up', () => {
    const chord = [note(0, 4, { key: 67 }), note(0, 4, { key: 60 }), note(0, 4, { key: 64 })];
    const loose = after(chord, { kind: 'loosen', loosening: { ...NO_LOOSENING, spread: 50 } });
    expect(quarters(loose).map(([start]) => start)).toEqual([0.1, 0, 0.05]);
  });
  it('are in the order they were decided: what was levelled can be shaped, not the other way round', () => {
    const notes = [note(0, 1, { velocity: 20 }), note(1, 2, { velocity: 90 })];
    const both: Treatment[] = [{ kind: 'level', velocity: 80 }, USUAL_TREATMENTS.accents];
    const run = (list: Treatment[]) =>
      treated(
        notes,
        list.map((does) => ({ bars: null, does })),
        piece,
      ).map(({ velocity }) => velocity);
    expect(run(both)).toEqual([92, 84]);
    expect(run([...both].reverse())).toEqual([80, 80]);
  });
});

describe('dynamics on another carrier', () => {
  it('come back as velocities from the controller they were put on', () => {
    fc.assert(
      fc.property(anyNotes, (list) => {
        const strongest = new Map<number, number>();
        for (const { start, velocity } of list) strongest.set(start, Math.max(velocity, strongest.get(start) ?? 0));
        const notes = made(list);
        const level = after(notes, USUAL_TREATMENTS.toController);
        expect(new Set(level.map(({ velocity }) => velocity)).size).toBe(1);
        const back = strengthsOfCurve(level, curveOfStrengths(notes));
        back.forEach(({ start, velocity }) => expect(velocity).toBe(strongest.get(start)));
      }),
      SEED,
    );
  });
  it('are thinned to fewer values that stay as near as is said', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 127 }), { minLength: 1, maxLength: 80 }),
        fc.integer({ min: 0, max: 12 }),
        (values, within) => {
          const curve = values.map((value, at) => ({ at, value }));
          const fewer = thinned(curve, within);
          expect(fewer.length).toBeLessThanOrEqual(curve.length);
          for (const { at, value } of curve)
            expect(Math.abs(value - fewer.findLast((one) => one.at <= at)!.value)).toBeLessThanOrEqual(within);
          expect(fewer.at(-1)!.value).toBe(values.at(-1));
        },
      ),
      SEED,
    );
  });
});
