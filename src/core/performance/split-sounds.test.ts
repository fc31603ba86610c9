import { trackId } from '../base';
import { describe, expect, it } from 'vitest';
import { performanceOf, type HandNote } from '../../testing/music';
import { castTracks } from '../casting/cast-tracks';
import { PERCUSSION_GROUPS } from '../instruments';
import { splitSounds } from './split-sounds';
import { NO_CASTING_SETTINGS } from '../settings';

const hits = (...keys: number[]): HandNote[] => keys.map((key, at) => ({ key, at, length: 0.2, channel: 10 }));
const latin = performanceOf([
  { name: 'Perc', notes: hits(36, 62, 64, 75, 38, 63, 99) },
  { name: 'Congas', notes: hits(62, 63) },
]);

describe('percussion split by what is struck', () => {
  it('has a track for each instrument, the kit first, and loses no note', () => {
    const split = splitSounds(latin, { [trackId('t1')]: true });
    expect(split.tracks.slice(1).map(({ id, name, notes }) => [id, name, notes.map(({ key }) => key)])).toEqual([
      ['t1s0', 'Perc', [36, 38, 99]],
      ['t1s6', 'Congas', [62, 64, 63]],
      ['t1s13', 'Claves', [75]],
      ['t2', 'Congas', [62, 63]],
    ]);
    expect(split.tracks.flatMap(({ notes }) => notes.map(({ id }) => id)).sort((a, b) => a - b)).toEqual(
      latin.tracks.flatMap(({ notes }) => notes.map(({ id }) => id)).sort((a, b) => a - b),
    );
  });
  it('leaves a track that strikes one instrument as it is, and all of them when none was asked for', () => {
    expect(splitSounds(latin, { [trackId('t2')]: true }).tracks[2]).toBe(latin.tracks[2]);
    expect(splitSounds(latin, {})).toBe(latin);
  });
  it('is recognised by the names it is given', () => {
    const cast = castTracks(splitSounds(latin, { [trackId('t1')]: true }), NO_CASTING_SETTINGS);
    expect(cast.slice(1).map(({ instrument }) => instrument.id)).toEqual(['percussion', 'congas', 'claves', 'congas']);
  });
  it('knows each key in one group only', () => {
    const keys = PERCUSSION_GROUPS.flatMap((group) => group.keys);
    expect(new Set(keys).size).toBe(keys.length);
    expect(new Set(PERCUSSION_GROUPS.map(({ number }) => number)).size).toBe(PERCUSSION_GROUPS.length);
  });
});
