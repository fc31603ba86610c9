import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { line, meter, smfBytes, tempo } from '../../testing/music';
import { barsOfPerformance, performanceFromSmf, type Performance } from '../performance';
import { readSmf, writeSmf } from '../smf';
import { demoOriginal } from '../../../demo/make';
import { buildTempoMap, QUARTER, secondsAtTick, ticksFromUnits } from '../time';
import { seconds } from './fixtures/bar-seconds.json';
import {
  changesOf,
  codeOfFrames,
  countedIn,
  driftOf,
  FRAME_RATES,
  framesOfCode,
  sameCode,
  studioMap,
  tableAsCsv,
  tableOf,
  thinTempo,
  timeCode,
  timeLineOf,
  USUAL_CLICK,
  USUAL_STUDIO_MAP,
} from './index';

describe('time code', () => {
  // SMPTE ST 12-1, drop-frame counting: its worked values.
  it.each([
    [0, '00:00:00;00'],
    [1799, '00:00:59;29'],
    [1800, '00:01:00;02'],
    [3597, '00:01:59;29'],
    [3598, '00:02:00;02'],
    [17_981, '00:09:59;29'],
    [17_982, '00:10:00;00'],
    [107_892, '01:00:00;00'],
    [2_589_407, '23:59:59;29'],
    [2_589_408, '00:00:00;00'],
  ])('frame %i of 29.97 drop is %s', (frame, code) => {
    expect(codeOfFrames(frame, '29.97 drop')).toBe(code);
  });
  it('an hour of drop-frame code is an hour but for 3.6 ms; without dropping it is 3.6 s long', () => {
    expect(timeCode(3599.996, '29.97 drop')).toBe('00:59:59;29');
    expect(timeCode(3599.9965, '29.97 drop')).toBe('01:00:00;00');
    expect(timeCode(3603.6, '29.97')).toBe('01:00:00:00');
    expect(timeCode(3600, '25')).toBe('01:00:00:00');
    expect(timeCode(3600, '24', framesOfCode('01:00:00:00', '24')!)).toBe('02:00:00:00');
    // The same words at another rate; a number that rate drops is none.
    expect(sameCode(25 * 3600, '25', '30')).toBe(30 * 3600);
    expect(sameCode(30 * 60, '30', '29.97 drop')).toBe(0);
  });
  it('reads back what it writes, at every rate', () => {
    for (const rate of FRAME_RATES)
      fc.assert(
        fc.property(fc.integer({ min: 0, max: 2_589_407 - 600_000 }), (frames) => {
          expect(framesOfCode(codeOfFrames(frames, rate), rate)).toBe(frames);
        }),
      );
  });
  it('refuses what is no code', () => {
    expect(framesOfCode('00:01:00;00', '29.97 drop')).toBeNull();
    expect(framesOfCode('00:01:00:00', '29.97')).toBe(1800);
    expect(framesOfCode('00:00:00:25', '25')).toBeNull();
    expect(framesOfCode('00:61:00:00', '25')).toBeNull();
    expect(framesOfCode('soon', '25')).toBeNull();
  });
});

describe('thinned tempo', () => {
  const tapped = fc
    .array(fc.record({ gap: fc.integer({ min: 1, max: 2000 }), tempo: fc.integer({ min: 200_000, max: 1_500_000 }) }), {
      minLength: 2,
      maxLength: 80,
    })
    .map((steps) => {
      let tick = 0;
      const events = steps.map(({ gap, tempo: microsecondsPerQuarter }, i) => {
        const event = { tick: i === 0 ? 0 : tick, microsecondsPerQuarter };
        tick += gap;
        return event;
      });
      return { map: buildTempoMap(events, 480), end: tick };
    });
  it('never leaves the tolerance, at any tick', () => {
    fc.assert(
      fc.property(tapped, fc.integer({ min: 1, max: 60 }), ({ map, end }, ms) => {
        const { events, largest } = thinTempo(map, end, ms / 1000);
        const thin = buildTempoMap(events, 480);
        expect(events.length).toBeLessThanOrEqual(map.events.length);
        expect(largest).toBeLessThanOrEqual(ms / 1000);
        for (let tick = 0; tick <= end; tick += 37)
          expect(Math.abs(secondsAtTick(thin, tick) - secondsAtTick(map, tick))).toBeLessThanOrEqual(ms / 1000 + 1e-9);
      }),
    );
  });
  it('makes one tempo of a tapped one that wavers about it', () => {
    const events = Array.from({ length: 200 }, (_, i) => ({
      tick: i * 480,
      microsecondsPerQuarter: 500_000 + (i % 2 ? 9000 : -9000),
    }));
    expect(thinTempo(buildTempoMap(events, 480), 200 * 480, 0.02).events).toHaveLength(1);
  });
  it('keeps a true change, and everything where nothing may be lost', () => {
    const events = [
      { tick: 0, microsecondsPerQuarter: 500_000 },
      { tick: 4800, microsecondsPerQuarter: 400_000 },
    ];
    const map = buildTempoMap(events, 480);
    expect(thinTempo(map, 9600, 0.02).events).toEqual(events);
    expect(thinTempo(map, 9600, 0)).toEqual({ events, largest: 0 });
  });
  it('takes a hundred thousand changes', () => {
    const events = Array.from({ length: 100_000 }, (_, i) => ({
      tick: i * 10,
      microsecondsPerQuarter: 500_000 + Math.round(80_000 * Math.sin(i / 900)) + ((i * 7919) % 4000),
    }));
    const { events: few, largest } = thinTempo(buildTempoMap(events, 480), 1_000_000, 0.01);
    expect(few.length).toBeLessThan(2000);
    expect(largest).toBeLessThanOrEqual(0.01);
  });
});

/** A pickup, two meters, a ritardando in steps, a marker. */
const film = () =>
  performanceFromSmf(
    readSmf(
      smfBytes(
        [{ name: 'Flute', notes: line(...Array.from({ length: 22 }, (_, i): [number, number] => [60 + (i % 5), 1])) }],
        [
          meter(0, 1, 4),
          meter(1, 4, 4),
          meter(9, 5, 4),
          tempo(0, 100),
          tempo(9, 120),
          ...Array.from({ length: 8 }, (_, i) => tempo(14 + i / 2, 118 - 6 * i)),
        ],
      ),
    ),
  );
const laid = (performance: Performance) =>
  timeLineOf(
    performance,
    barsOfPerformance(performance).map((bar) => ({ bar, start: bar.start })),
  );

describe('the time line', () => {
  it('tells bars, beats and seconds of every change', () => {
    const time = laid(film());
    expect(time.bars.map(({ number }) => number).slice(0, 4)).toEqual([0, 1, 2, 3]);
    expect(time.bars[1]!.at).toBeCloseTo(0.6, 6);
    expect(time.bars[3]!.at).toBeCloseTo(9 * 0.6, 6);
    const changes = changesOf(time);
    expect(changes.filter(({ kind }) => kind === 'meter').map(({ bar, meter: m }) => [bar, m!.beats])).toEqual([
      [0, 4],
      [3, 5],
    ]);
    const ritardando = changes.filter(({ kind, bar }) => kind === 'tempo' && bar >= 4);
    expect(ritardando[1]).toMatchObject({ bar: 4, beat: 1.5, bpm: expect.closeTo(112, 2) as number });
  });
  it('is a table, and a spreadsheet that no name can make compute', () => {
    const time = { ...laid(film()), markers: [{ at: QUARTER, text: '=1+1, "Start"' }] };
    const settings = { rate: '25', start: framesOfCode('10:00:00:00', '25')!, everyBar: true } as const;
    const rows = tableOf(time, settings);
    expect(rows.find(({ bar }) => bar === 1)).toEqual({
      bar: 1,
      pass: 1,
      inMap: 2,
      beat: 1,
      minutes: '0:00.600',
      seconds: 0.6,
      code: '10:00:00:00',
      what: '=1+1, "Start"',
    });
    expect(rows.filter(({ beat }) => beat === 1).map(({ bar }) => bar)).toEqual(time.bars.map(({ number }) => number));
    const csv = tableAsCsv(time, settings).split('\r\n');
    expect(csv[0]).toBe('bar,pass,bar in map,beat,time,seconds,time code 25,what');
    expect(csv[2]).toBe(`1,1,2,1,0:00.600,0.6,10:00:00:00,"'=1+1, ""Start"""`);
  });
});

describe('seconds of bars', () => {
  // fixtures/bar-seconds.py: mido, a reader of its own.
  it('are those that mido counts, bar by bar, also after a map was written and read back', () => {
    const time = laid(performanceFromSmf(readSmf(demoOriginal())));
    const { file } = studioMap(time, USUAL_STUDIO_MAP);
    const map = performanceFromSmf(readSmf(writeSmf(file)));
    expect(time.bars.length).toBeGreaterThanOrEqual(seconds.length - 1);
    time.bars.slice(0, seconds.length).forEach(({ at, start }, i) => {
      expect(at).toBeCloseTo(seconds[i]!, 5);
      expect(secondsAtTick(map.tempo, ticksFromUnits(start, map.ticksPerQuarter))).toBeCloseTo(seconds[i]!, 5);
    });
  });
});

describe('the studio’s map', () => {
  const readBack = (file: Parameters<typeof writeSmf>[0]) => readSmf(writeSmf(file)).file;
  it('is the original’s clock, to the microsecond, on the same grid of ticks', () => {
    const time = laid(film());
    const { file } = studioMap(time, USUAL_STUDIO_MAP);
    expect(file.tracks).toHaveLength(1);
    expect(driftOf(time, writeSmf(file)).largest).toBeLessThan(1e-6);
    const back = performanceFromSmf({ file: readBack(file), warnings: [] });
    expect(file.tracks[0]!.endTick).toBe(22 * 960 + 2 * 960);
    expect(back.meters.map(({ beats, beatType }) => `${beats}/${beatType}`)).toEqual(['1/4', '4/4', '5/4']);
  });
  it('stays within its tolerance, also on a grid the changes do not fall on', () => {
    const time = laid(film());
    for (const ticksPerQuarter of [96, 100, 120, 480, 960, 1000])
      for (const tolerance of [0, 5, 20]) {
        const { file, largest, tempos } = studioMap(time, { ...USUAL_STUDIO_MAP, ticksPerQuarter, tolerance });
        const drift = driftOf(time, writeSmf(file));
        // A barline lies on a tick of every grid here; without a tolerance only microseconds are lost.
        expect(drift.largest).toBeLessThanOrEqual(Math.max(tolerance, 0.01));
        expect(largest).toBeLessThanOrEqual(Math.max(tolerance, 0.01));
        expect(tempos).toBeLessThanOrEqual(time.tempo.events.length);
      }
  });
  it('counts in, clicks every beat with its subdivision, and lasts as long as the music', () => {
    const time = countedIn(laid(film()), 2);
    const settings = { ...USUAL_STUDIO_MAP, click: { ...USUAL_CLICK, halfKey: 42 }, rate: '29.97 drop' } as const;
    const { file } = studioMap(time, { ...settings, start: 107_892 });
    expect(time.bars[2]).toMatchObject({ number: 0, countIn: 0, at: expect.closeTo(8 * 0.6, 6) as number });
    const back = performanceFromSmf({ file: readBack(file), warnings: [] });
    const [click] = back.tracks.filter(({ notes }) => notes.length > 0);
    const struck = (key: number) => click!.notes.filter((note) => note.key === key).map(({ start }) => start / 960);
    // Two bars of four, a pickup of one, two bars of four, then five to a bar: no accent on the pickup.
    expect(struck(76)).toEqual([0, 4, 9, 13, 17, 22, 27]);
    expect(struck(77).slice(0, 8)).toEqual([1, 2, 3, 5, 6, 7, 8, 10]);
    expect(struck(42)).toHaveLength(struck(76).length + struck(77).length);
    expect(driftOf(time, writeSmf(file)).largest).toBeLessThan(0.001);
    // Bar 1 is 5.4 s after the beginning of the map: 161.84 frames before one o'clock.
    const offset = file.tracks[0]!.events.find((event) => event.kind === 'meta' && event.type === 0x54);
    expect(offset).toMatchObject({ data: new Uint8Array([2 << 5, 59, 54, 18, 16]) });
  });
});

describe('time lines nobody would make', () => {
  it('a hundred thousand tempos, and meters that fill no bar, are mapped and read back', () => {
    const bytes = smfBytes(
      [{ name: 'A', notes: line(...Array.from({ length: 400 }, (_, i): [number, number] => [60 + (i % 7), 1])) }],
      [
        meter(0, 7, 8),
        meter(1.25, 4, 4),
        ...Array.from({ length: 100_000 }, (_, i) => ({ ...tempo(0, 60 + ((i * 7919) % 120)), tick: i * 2 })),
      ],
    );
    const time = laid(performanceFromSmf(readSmf(bytes)));
    const exact = studioMap(time, { ...USUAL_STUDIO_MAP, ticksPerQuarter: 480 });
    expect(driftOf(time, writeSmf(exact.file)).largest).toBeLessThan(0.001);
    const thin = studioMap(time, { ...USUAL_STUDIO_MAP, ticksPerQuarter: 480, tolerance: 20 });
    expect(thin.tempos).toBeLessThan(exact.tempos / 20);
    expect(driftOf(time, writeSmf(thin.file)).largest).toBeLessThanOrEqual(20);
  });
});
