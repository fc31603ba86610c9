import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  barBeat,
  placeInWords,
  barLength,
  beatGroups,
  buildTempoMap,
  layBars,
  playedUnits,
  QUARTER,
  secondsAtTick,
  tickAtSeconds,
  ticksFromUnits,
  writtenUnits,
} from './index';

describe('units', () => {
  it('holds 128th notes and 3-, 5-, 6-, 7- and 9-tuplets of a quarter as whole numbers', () => {
    for (const division of [32, 3, 5, 6, 7, 9]) expect(QUARTER % division).toBe(0);
  });

  it('goes from ticks to units and back without loss at any resolution a sequencer uses', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 5_000_000 }),
        fc.constantFrom(24, 96, 120, 192, 384, 480, 960, 1920),
        (tick, ppq) => {
          expect(ticksFromUnits(playedUnits(tick, ppq), ppq)).toBe(tick);
          expect(ticksFromUnits(writtenUnits(tick, ppq), ppq)).toBe(tick);
        },
      ),
    );
  });
});

describe('tempo map', () => {
  it('means 120 quarter notes a minute when nothing is said (Standard MIDI Files 1.0)', () => {
    expect(secondsAtTick(buildTempoMap([], 480), 960)).toBe(1);
  });

  it('adds up the stretches between changes', () => {
    const map = buildTempoMap([{ tick: 480, microsecondsPerQuarter: 250_000 }], 480);
    expect(secondsAtTick(map, 480)).toBe(0.5);
    expect(secondsAtTick(map, 960)).toBe(0.75);
    expect(secondsAtTick(map, 480 * 5)).toBe(1.5);
  });

  it('passes over a tempo of nothing and takes the last of several at one tick', () => {
    const map = buildTempoMap(
      [
        { tick: 0, microsecondsPerQuarter: 0 },
        { tick: 10, microsecondsPerQuarter: 1 },
        { tick: 10, microsecondsPerQuarter: 600_000 },
      ],
      480,
    );
    expect(map.events.map((e) => e.microsecondsPerQuarter)).toEqual([500_000, 600_000]);
  });

  it('is inverted by tickAtSeconds', () => {
    const event = fc.record({
      tick: fc.integer({ min: 0, max: 1e6 }),
      microsecondsPerQuarter: fc.integer({ min: 50_000, max: 5_000_000 }),
    });
    fc.assert(
      fc.property(fc.array(event, { maxLength: 20 }), fc.integer({ min: -1000, max: 2e6 }), (events, tick) => {
        const map = buildTempoMap(events, 480);
        expect(tickAtSeconds(map, secondsAtTick(map, tick))).toBeCloseTo(tick, 3);
      }),
    );
  });
});

describe('bars', () => {
  it('is 4/4 when nothing is said (Standard MIDI Files 1.0)', () => {
    const bars = layBars([], 8 * QUARTER);
    expect(bars.map((bar) => [bar.number, bar.length / QUARTER])).toEqual([
      [1, 4],
      [2, 4],
    ]);
  });

  it('cuts a bar where a meter arrives inside it', () => {
    const bars = layBars(
      [
        { at: 0, beats: 4, beatType: 4 },
        { at: 6 * QUARTER, beats: 3, beatType: 4 },
      ],
      9 * QUARTER,
    );
    expect(bars.map((bar) => [bar.length / QUARTER, bar.implicit])).toEqual([
      [4, false],
      [2, true],
      [3, false],
    ]);
  });

  it('reads a short first meter as a pickup numbered 0', () => {
    const bars = layBars(
      [
        { at: 0, beats: 1, beatType: 4 },
        { at: QUARTER, beats: 4, beatType: 4 },
      ],
      9 * QUARTER,
    );
    expect(bars.map((bar) => bar.number)).toEqual([0, 1, 2]);
    expect(bars[0]).toMatchObject({ implicit: true, meter: { beats: 4, beatType: 4 } });
  });

  it.each([
    ['a pickup of one before a bar of four and a change', [1, 4, 3], true],
    ['a pickup of three before four that stay', [3, 4, 4, 2], true],
    ['four and five that come in turn', [4, 5, 5, 4, 5, 4], false],
    ['five, eight, four: meters that change on and on', [5, 8, 4, 4, 9, 4, 8, 4], false],
    ['two before a long bar, and again after it', [2, 5, 2, 3, 2], false],
  ])('tells %s', (_, lengths, isPickup) => {
    let at = 0;
    const meters = lengths.map((beats) => ({ at: (at += beats * QUARTER) - beats * QUARTER, beats, beatType: 4 }));
    const bars = layBars(meters, at);
    expect(bars[0]!.number).toBe(isPickup ? 0 : 1);
    expect(bars[0]!.implicit).toBe(isPickup);
    expect(bars.map(({ length }) => length / QUARTER)).toEqual(lengths);
  });

  it('keeps how a bar is written as a sum', () => {
    const [first] = layBars([{ at: 0, beats: 7, beatType: 8, groups: [3, 2, 2] }], 1);
    expect(first!.meter.groups).toEqual([3, 2, 2]);
  });

  it('covers the music without gaps whatever the meters', () => {
    const meter = fc.record({
      at: fc.integer({ min: 0, max: 40 }).map((q) => q * 1260),
      beats: fc.integer({ min: 1, max: 15 }),
      beatType: fc.constantFrom(2, 4, 8, 16),
    });
    fc.assert(
      fc.property(fc.array(meter, { maxLength: 6 }), fc.integer({ min: 1, max: 400_000 }), (meters, end) => {
        const bars = layBars(meters, end);
        let at = 0;
        for (const bar of bars) {
          expect(bar.start).toBe(at);
          expect(bar.length).toBeGreaterThan(0);
          at += bar.length;
        }
        expect(at).toBeGreaterThanOrEqual(end);
      }),
    );
  });

  it('groups beats as players count them (common practice)', () => {
    const quarters = (beats: number, beatType: number) =>
      beatGroups({ beats, beatType }).map((group) => group / QUARTER);
    expect(quarters(4, 4)).toEqual([1, 1, 1, 1]);
    expect(quarters(6, 8)).toEqual([1.5, 1.5]);
    expect(quarters(5, 8)).toEqual([1.5, 1]);
    expect(quarters(7, 8)).toEqual([1, 1, 1.5]);
    for (let beats = 1; beats < 20; beats++)
      for (const beatType of [2, 4, 8, 16]) {
        expect(beatGroups({ beats, beatType }).reduce((a, b) => a + b, 0)).toBe(barLength({ beats, beatType }));
      }
  });

  it('reads places out in the beat of the lower number', () => {
    const bars = layBars([{ at: 0, beats: 6, beatType: 8 }], 6 * QUARTER);
    expect(barBeat(bars, 3 * QUARTER + QUARTER / 2)).toEqual({ bar: 2, beat: 2 });
  });
  it('says them without decimals, also off the beat', () => {
    const bars = layBars([{ at: 0, beats: 4, beatType: 4 }], 8 * QUARTER);
    const said = [0, 1, 1.5, 3.746, 4].map((quarters) => placeInWords(bars, quarters * QUARTER));
    expect(said).toEqual([
      'bar 1, beat 1',
      'bar 1, beat 2',
      'bar 1, after beat 2',
      'bar 1, just before beat 5',
      'bar 2, beat 1',
    ]);
  });
});
