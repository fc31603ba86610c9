import { describe, expect, it } from 'vitest';
import { demoOriginal } from '../../../demo/make';
import { line, meta, meter, performanceOf, PPQ, tempo } from '../../testing/music';
import { Meta, readSmf, SmfError, writeSmf } from '../smf';
import { QUARTER, secondsAtTick } from '../time';
import { barsOfPerformance, fileFacts, mostAtOnce, performanceFromSmf, surveyPerformance } from './index';

describe('from file to performance', () => {
  it('pairs notes, gathers time lines from every track and keeps controllers', () => {
    const performance = performanceOf(
      [
        {
          name: 'Ob',
          program: 69,
          notes: line([60, 1], [62, 2]),
          extra: [{ kind: 'channel', tick: 10, status: 0xb0, data1: 11, data2: 90 }],
        },
      ],
      [meter(0, 3, 4), tempo(3, 60), meta(PPQ, Meta.marker, [65])],
    );
    const [, oboe] = performance.tracks;
    expect(oboe).toMatchObject({
      id: 't1',
      name: 'Ob',
      channels: [1],
      programs: [{ program: 69 }],
      controllers: [{ tick: 10, controller: 11, value: 90 }],
    });
    expect(oboe!.notes.map(({ key, start, end }) => [key, start / PPQ, end / PPQ])).toEqual([
      [60, 0, 1],
      [62, 1, 3],
    ]);
    expect(performance.meters).toEqual([{ at: 0, beats: 3, beatType: 4 }]);
    expect(performance.markers).toMatchObject([{ tick: PPQ, text: 'A' }]);
    expect(secondsAtTick(performance.tempo, 4 * PPQ)).toBe(2.5);
  });

  it('splits a type 0 file by channel', () => {
    const performance = performanceOf(
      [
        {
          name: 'all',
          notes: [
            { key: 60, at: 0, length: 1, channel: 1 },
            { key: 40, at: 0, length: 1, channel: 10 },
          ],
        },
      ],
      [],
      0,
    );
    expect(performance.tracks.map((track) => [track.id, track.channels, track.notes.length])).toEqual([
      ['t0c1', [1], 1],
      ['t0c10', [10], 1],
    ]);
  });

  it('never leaves percussion among pitches', () => {
    const performance = performanceOf([
      {
        name: 'Band',
        notes: [
          { key: 60, at: 0, length: 1, channel: 1 },
          { key: 36, at: 0, length: 1, channel: 10 },
          { key: 64, at: 1, length: 1, channel: 2 },
        ],
      },
      { name: 'Oboe', notes: line([60, 1]) },
    ]);
    expect(performance.tracks.map((track) => [track.id, track.name, track.channels])).toEqual([
      ['t0', '', []],
      ['t1', 'Band', [1, 2]],
      ['t1c10', 'Band · Channel 10', [10]],
      ['t2', 'Oboe', [1]],
    ]);
  });

  it('brings a time signature beside the beat to the beat, and says so', () => {
    const late = performanceOf(
      [{ name: 'Ob', notes: line([60, 16]) }],
      [
        meter(0, 4, 4),
        meta(4 * PPQ + 1, Meta.timeSignature, [3, 2, 24, 8]),
        meta(10 * PPQ - 3, Meta.timeSignature, [4, 2, 24, 8]),
      ],
    );
    expect(late.meters.map(({ at, beats }) => [at / QUARTER, beats])).toEqual([
      [0, 4],
      [4, 3],
      [10, 4],
    ]);
    expect(late.warnings.map(({ message }) => message)).toEqual([
      'The time signature 3/4 at tick 1921 stands beside the beat: read at bar 2, beat 1.',
      'The time signature 4/4 at tick 4797 stands beside the beat: read at bar 4, beat 1.',
    ]);
    expect(performanceOf([{ notes: line([60, 16]) }], [meter(0, 4, 4), meter(2.5, 3, 4)]).warnings).toEqual([]);
  });

  it('ends an unreleased note where its key starts again and says so', () => {
    const performance = performanceFromSmf({
      warnings: [],
      file: {
        format: 0,
        division: { kind: 'metrical', ticksPerQuarter: PPQ },
        headerExtra: new Uint8Array(),
        unknownChunks: [],
        tracks: [
          {
            endTick: 900,
            events: [0, 480].map((tick) => ({ kind: 'channel', tick, status: 0x90, data1: 60, data2: 80 })),
          },
        ],
      },
    });
    expect(performance.tracks[0]!.notes.map(({ start, end }) => [start, end])).toEqual([
      [0, 480],
      [480, 900],
    ]);
    expect(performance.warnings.map((warning) => warning.message).join()).toContain('2 notes are never released');
  });

  it('refuses type 2 and names the number of patterns', () => {
    const { file } = readSmf(demoOriginal());
    expect(() => performanceFromSmf({ file: { ...file, format: 2 }, warnings: [] })).toThrow(SmfError);
    expect(() => performanceFromSmf({ file: { ...file, format: 2 }, warnings: [] })).toThrow(/14 separate patterns/);
  });

  it('leaves out what an absurd delta time puts hours away, and says where', () => {
    const performance = performanceOf([{ notes: [...line([60, 1]), { key: 60, at: 500_000, length: 1 }] }]);
    expect(performance.tracks[1]!.notes).toHaveLength(1);
    expect(performance.warnings[0]).toMatchObject({ track: 't1', tick: 500_000 * PPQ });
    expect(barsOfPerformance(performance).length).toBeLessThan(10);
  });

  it('reads meters that would make more bars than anybody reads as 4/4, and says so', () => {
    const late = [{ name: 'Flute', notes: [{ key: 60, at: 39_000, length: 1 }] }];
    const { meters, warnings } = performanceOf(late, [meter(0, 1, 64)]);
    expect(meters).toEqual([]);
    expect(warnings[0]!.message).toMatch(/such as 1\/64, would make 624,016 bars; it is read in 4\/4/);
    expect(performanceOf(late, [meter(0, 2, 4)]).meters).toEqual([]);
    expect(performanceOf(late, [meter(0, 4, 4)]).meters).toHaveLength(1);
  });
  it('reads SMPTE time as 120 quarter notes a minute', () => {
    const { file } = readSmf(
      writeSmf({
        format: 0,
        division: { kind: 'smpte', framesPerSecond: 25, ticksPerFrame: 40 },
        headerExtra: new Uint8Array(),
        unknownChunks: [],
        tracks: [
          {
            endTick: 1000,
            events: [
              { kind: 'channel', tick: 0, status: 0x90, data1: 60, data2: 80 },
              { kind: 'channel', tick: 1000, status: 0x80, data1: 60, data2: 0 },
            ],
          },
        ],
      }),
    );
    const performance = performanceFromSmf({ file, warnings: [] });
    // 25 frames of 40 ticks are one second: two quarter notes at 120.
    expect(secondsAtTick(performance.tempo, performance.lastNoteEnd)).toBeCloseTo(1, 6);
    expect(performance.lastNoteEnd / performance.ticksPerQuarter).toBe(2);
  });

  it('does not count a note that follows as sounding with the one before', () => {
    const { tracks } = performanceOf([{ notes: [...line([60, 1], [62, 1]), { key: 64, at: 0.5, length: 1 }] }]);
    expect(mostAtOnce(tracks[1]!.notes)).toBe(2);
  });
});

describe('survey', () => {
  const melody = line([60, 1], [62, 0.5], [64, 0.5], [65, 1], [67, 1], [69, 2]);
  const performance = performanceOf([
    { name: 'Flute', notes: melody },
    { name: 'Flute dbl', notes: melody.map((note) => ({ ...note, key: note.key + 12, at: note.at + 0.02 })) },
    { name: 'spare', notes: [], extra: [{ kind: 'channel', tick: 0, status: 0xb0, data1: 7, data2: 100 }] },
    {
      name: 'Vln 1',
      notes: [
        ...melody.map((note) => ({ ...note, key: note.key + 7 })),
        { key: 24, at: 0, length: 0.1 },
        { key: 25, at: 3, length: 0.1 },
      ],
    },
    { name: 'Kit', notes: [{ key: 36, at: 0, length: 0.5, channel: 10 }] },
  ]);
  const survey = surveyPerformance(performance, barsOfPerformance(performance));
  const [, flute, double, spare, violin, kit] = survey.tracks;

  it('counts notes, range, bars, grid and density', () => {
    expect(flute).toMatchObject({
      notes: 6,
      lowest: 60,
      highest: 69,
      maxAtOnce: 1,
      firstBar: 1,
      lastBar: 2,
      density: [5, 1],
      state: 'music',
    });
    expect(flute!.onGrid).toMatchObject({ eighths: 1, sixteenths: 1 });
    expect(flute!.soundingShare).toBeCloseTo(6 / 6.02, 2);
  });
  it('finds a track that doubles another an octave higher and ten milliseconds later', () => {
    expect(double!.duplicate).toMatchObject({ of: 't1', exact: false, transposed: 12, later: 10 });
    expect(double!.state).toBe('duplicate');
    expect(violin!.duplicate).toBeNull();
  });
  it('sees empty tracks with their controllers, percussion, and keys that look like switches', () => {
    expect(spare).toMatchObject({
      state: 'empty',
      controllers: [{ controller: 7, count: 1, lowest: 100, highest: 100 }],
    });
    expect(kit!.state).toBe('percussion');
    expect(violin!.keyswitches).toEqual([24, 25]);
  });

  it('describes the demo file as a whole', () => {
    const reading = readSmf(demoOriginal());
    const demo = performanceFromSmf(reading);
    const facts = fileFacts(reading.file, demo, barsOfPerformance(demo), demoOriginal().length);
    expect(facts).toMatchObject({
      format: 1,
      bars: 28,
      title: 'The Clockmaker’s Goose, cue 3',
      resolution: '480 ticks per quarter note',
    });
    expect(facts.meters.map((meter) => [meter.beats, meter.bar])).toEqual([
      [4, 1],
      [3, 9],
      [4, 21],
    ]);
    expect(facts.tempos.map((mark) => Math.round(mark.bpm))).toEqual([96, 138, 96, 92, 87, 80, 72]);
    expect(facts.markers.map((marker) => [marker.text, marker.bar])).toEqual([
      ['The clock runs', 1],
      ['Goose waltz', 9],
      ['The clock again', 21],
    ]);
    expect(facts.tempos[1]!.seconds).toBeCloseTo((32 * 60) / 96, 4);
    expect(demo.meters[1]!.at).toBe(32 * QUARTER);
  });
});
