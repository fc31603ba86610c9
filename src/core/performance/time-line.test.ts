import { describe, expect, it } from 'vitest';
import { line, meter, performanceOf, tempo } from '../../testing/music';
import { beatsOfBar, bpmFromMicroseconds, QUARTER, secondsAtTick, tempoAt, type Bar } from '../time';
import { barsOfPerformance, withTimeLine, type TimeLineEdit } from './index';

/** Twenty quarters, 4/4, at 120. */
const music = performanceOf(
  [{ name: 'A', notes: line(...Array.from({ length: 20 }, (_, i): [number, number] => [60 + (i % 7), 1])) }],
  [tempo(0, 120), meter(0, 4, 4)],
);
const bars = (...edits: TimeLineEdit[]): Bar[] => barsOfPerformance(withTimeLine(music, edits));
const lengths = (list: Bar[]) => list.map(({ length }) => length / QUARTER);
const numbers = (list: Bar[]) => list.map(({ number }) => number);
const q = (quarters: number) => quarters * QUARTER;

describe('a mended time line', () => {
  it('keeps every note at its tick', () => {
    const edits: TimeLineEdit[] = [
      { kind: 'meters', from: 0, to: null, meters: [{ beats: 5, beatType: 4 }] },
      { kind: 'barlines', from: 0, by: q(1) },
      { kind: 'tempo', at: q(4), bpm: 60 },
    ];
    expect(withTimeLine(music, edits).tracks).toBe(music.tracks);
  });
  it('has other meters from a barline on, in turn, and up to a place', () => {
    const five: TimeLineEdit = { kind: 'meters', from: q(4), to: null, meters: [{ beats: 5, beatType: 4 }] };
    expect(lengths(bars(five))).toEqual([4, 5, 5, 5, 5]);
    const turn = [5, 3, 6].map((beats) => ({ beats, beatType: 4 }));
    expect(lengths(bars({ kind: 'meters', from: 0, to: null, meters: turn }))).toEqual([5, 3, 6, 5, 3]);
    const some: TimeLineEdit = { kind: 'meters', from: q(4), to: q(10), meters: [{ beats: 3, beatType: 4 }] };
    expect(lengths(bars(some))).toEqual([4, 3, 3, 4, 4, 4]);
    // Let go again, the bars before go on.
    expect(lengths(bars(five, { kind: 'meters', from: q(4), to: null, meters: [] }))).toEqual([4, 4, 4, 4, 4]);
  });
  it('keeps how beats are counted where barlines are moved', () => {
    const seven: TimeLineEdit = {
      kind: 'meters',
      from: 0,
      to: null,
      meters: [{ beats: 7, beatType: 8, groups: [3, 2, 2] }],
    };
    const [, first, second] = bars(seven, { kind: 'barlines', from: 0, by: q(1) });
    for (const bar of [first!, second!])
      expect(beatsOfBar(bar).map(({ length }) => length / q(0.5))).toEqual([3, 2, 2]);
  });
  it('has its barlines a beat later: a pickup, numbered 0', () => {
    const shifted = bars({ kind: 'barlines', from: 0, by: q(1) });
    expect(lengths(shifted)).toEqual([1, 4, 4, 4, 4, 4]);
    expect(numbers(shifted)).toEqual([0, 1, 2, 3, 4, 5]);
    expect(lengths(bars({ kind: 'barlines', from: 0, by: -q(1) }))).toEqual([3, 4, 4, 4, 4, 4]);
    expect(lengths(bars({ kind: 'barlines', from: q(8), by: q(2) }))).toEqual([4, 4, 2, 4, 4, 4]);
    // Back where they were.
    expect(lengths(bars({ kind: 'barlines', from: 0, by: q(4) }))).toEqual([4, 4, 4, 4, 4]);
  });
  it('is counted from where bar 1 is, and anew where a section begins', () => {
    expect(numbers(bars({ kind: 'number', at: q(8), number: 1 }))).toEqual([1, 2, 1, 2, 3]);
    expect(numbers(bars({ kind: 'number', at: 0, number: -1 }))).toEqual([-1, 0, 1, 2, 3]);
    const anew: TimeLineEdit = { kind: 'number', at: 0, number: 65 };
    expect(numbers(bars(anew))[4]).toBe(69);
    expect(numbers(bars(anew, { kind: 'number', at: 0, number: null }))).toEqual([1, 2, 3, 4, 5]);
  });
  it('has other tempos: set, taken away, by degrees', () => {
    const { tempo: map } = withTimeLine(music, [{ kind: 'tempo', at: q(4), bpm: 60 }]);
    expect(secondsAtTick(map, 480 * 8)).toBeCloseTo(2 + 4, 6);
    const back = withTimeLine(music, [
      { kind: 'tempo', at: q(4), bpm: 60 },
      { kind: 'tempo', at: q(4), bpm: null },
      { kind: 'tempo', at: 0, bpm: null },
    ]);
    expect(back.tempo.events).toEqual(music.tempo.events);
    const ramp = withTimeLine(music, [{ kind: 'ramp', from: q(8), to: q(12), start: 120, end: 60 }]).tempo;
    const bpm = (quarter: number) => bpmFromMicroseconds(tempoAt(ramp, quarter * 480));
    expect([bpm(7), bpm(10), bpm(12), bpm(19)].map(Math.round)).toEqual([120, 90, 60, 60]);
  });
  it('has markers set, renamed and taken away', () => {
    const texts = (...edits: TimeLineEdit[]) => withTimeLine(music, edits).markers.map(({ text }) => text);
    const set: TimeLineEdit = { kind: 'marker', at: q(4), text: 'Chase' };
    expect(texts(set)).toEqual(['Chase']);
    expect(texts(set, { kind: 'marker', at: q(4), text: 'Flight', was: 'Chase' })).toEqual(['Flight']);
    expect(texts(set, { kind: 'marker', at: q(4), text: null })).toEqual([]);
  });
});
