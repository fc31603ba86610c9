import { trackId } from '../base';
import { describe, expect, it } from 'vitest';
import { line, meter, performanceOf, PPQ, tempo } from '../../testing/music';
import { soundsOf } from '../score';
import { QUARTER } from '../time';
import { joinPerformances, splitChannels } from './index';
import { NO_SETTINGS } from '../settings';
import { putTogether } from '../engine/prepare';
import { replay } from '../../testing/replay';

describe('several originals', () => {
  const right = performanceOf(
    [{ name: 'Piano RH', notes: line([72, 1], [74, 1], [76, 2]) }],
    [meter(0, 4, 4), tempo(0, 90)],
  );
  const left = performanceOf([{ name: 'Piano LH', notes: line([48, 2], [43, 2]) }], [tempo(0, 200)]);

  it('join at bar 1 with the tempo of the first', () => {
    const joined = joinPerformances([right, left], {});
    expect(joined.tracks.map((track) => track.id)).toEqual(['t0', 't1', 'o2t0', 'o2t1']);
    expect(joined.tempo).toEqual(right.tempo);
    expect(joined.tracks[3]!.notes.map((note) => [note.id, note.start / PPQ])).toEqual([
      [3, 0],
      [4, 2],
    ]);
  });

  it('begin where they are placed, also behind the end of the first', () => {
    const starts = (bars: number) => joinPerformances([right, left], { 2: bars }).tracks[3]!.notes[0]!.start / PPQ;
    expect([0, 1, 5].map(starts)).toEqual([0, 4, 20]);
  });

  it('bring their own tempo and meter when they follow the first, not when they sound with it', () => {
    const waltz = performanceOf([{ name: 'Piano', notes: line([60, 3]) }], [meter(0, 3, 4), tempo(0, 200)]);
    const after = joinPerformances([right, waltz, waltz], { 2: 1, 3: 3 });
    expect(after.meters.map((event) => [event.at / QUARTER, event.beats])).toEqual([
      [0, 4],
      [4, 3],
      [10, 3],
    ]);
    expect(
      after.tempo.events.map((event) => [event.tick / PPQ, Math.round(60e6 / event.microsecondsPerQuarter)]),
    ).toEqual([
      [0, 90],
      [4, 200],
    ]);
    expect(after.tracks.at(-1)).toMatchObject({ id: 'o3t1', notes: [{ id: 4, start: 10 * PPQ }] });
    expect(joinPerformances([right, waltz], {}).meters).toHaveLength(1);
  });

  it('make one piano part of both hands', () => {
    const { score } = replay([right, left], {
      decisions: [{ kind: 'placeOriginal', original: 2, bars: 1 }],
      position: 1,
    });
    expect(score.parts).toHaveLength(1);
    expect(
      soundsOf(score.parts[0]!, score.bars).map((sound) => [sound.key, sound.staff, sound.start / QUARTER]),
    ).toEqual([
      [72, 1, 0],
      [74, 1, 1],
      [76, 1, 2],
      [48, 2, 4],
      [43, 2, 6],
    ]);
  });

  it('go on in the same parts where a cue comes in several files', () => {
    const oboe = performanceOf([{ name: 'Oboe', notes: line([72, 4]) }]);
    const sequel = replay([oboe, oboe], { decisions: [{ kind: 'placeOriginal', original: 2, bars: 1 }], position: 1 });
    expect(sequel.score.parts.map((part) => [part.name, soundsOf(part, sequel.score.bars).length])).toEqual([
      ['Oboe', 2],
    ]);
    expect(replay([oboe, oboe], { decisions: [], position: 0 }).score.parts).toHaveLength(2);
  });

  it('are brought to one resolution', () => {
    const coarse = { ...left, ticksPerQuarter: PPQ / 2 };
    expect(joinPerformances([right, coarse], {}).tracks[3]!.notes.map((note) => note.start / PPQ)).toEqual([0, 4]);
  });
});

describe('splitting by channel', () => {
  const mixed = performanceOf([
    {
      name: 'Winds',
      notes: [
        { key: 60, at: 0, length: 1, channel: 3 },
        { key: 64, at: 0, length: 1, channel: 1 },
      ],
    },
    { name: 'Vc', notes: line([48, 4]) },
  ]);
  it('gives a track for each channel and keeps the notes’ ids', () => {
    const split = splitChannels(mixed, { [trackId('t1')]: true });
    expect(split.tracks.map((track) => [track.id, track.name, track.notes.map((note) => note.id)])).toEqual([
      ['t0', '', []],
      ['t1c1', 'Winds · Channel 1', [1]],
      ['t1c3', 'Winds · Channel 3', [0]],
      ['t2', 'Vc', [2]],
    ]);
    expect(putTogether([mixed], { ...NO_SETTINGS, splits: { [trackId('t1')]: true } })).toEqual(split);
    expect(splitChannels(mixed, {})).toBe(mixed);
  });
  it('is offered as a query and done by its remedy', () => {
    const before = replay([mixed], { decisions: [], position: 0 });
    expect(before.queries.map((query) => query.id)).toContain('mixed-channels/t1');
    const after = replay([mixed], { decisions: [{ kind: 'splitTrack', track: trackId('t1') }], position: 1 });
    expect(after.score.parts).toHaveLength(3);
    expect(after.queries.map((query) => query.kind)).not.toContain('mixed-channels');
  });
});

describe('doubles and keys', () => {
  it('asks about a track that only thickens another, until one is left out', () => {
    const tune = line([60, 1], [62, 1], [64, 1], [65, 1], [67, 2]);
    const doubled = performanceOf([
      { name: 'Fl', notes: tune },
      { name: 'Fl copy', notes: tune.map((note) => ({ ...note, key: note.key + 12 })) },
    ]);
    const asked = replay([doubled], { decisions: [], position: 0 }).queries.find(
      (query) => query.kind === 'duplicate-track',
    );
    expect(asked?.message).toContain('1 octave higher');
    expect(
      replay([doubled], { decisions: [{ kind: 'leaveOut', tracks: [trackId('t2')] }], position: 1 }).queries.map(
        (query) => query.kind,
      ),
    ).not.toContain('duplicate-track');
  });
});
