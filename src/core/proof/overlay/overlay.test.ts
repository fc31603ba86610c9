import { describe, expect, it } from 'vitest';
import { demoOriginal } from '../../../../demo/make';
import { line, smfBytes, type HandNote } from '../../../testing/music';
import { partId } from '../../base';
import { ScoreDesk } from '../../engine';
import { NO_SETTINGS } from '../../settings';
import { layBars, QUARTER } from '../../time';
import { nearUnisons } from './near-unisons';

const bars = layBars([], 12 * QUARTER);
const four = [0, 1, 2, 3];
const rhythm = (...perBar: number[][]) => perBar.flatMap((bar, i) => bar.map((beat) => (i * 4 + beat) * QUARTER));

describe('parts that move together and differ in one place', () => {
  it('are named with the bar and the places', () => {
    const found = nearUnisons(
      [
        { part: partId('a'), onsets: rhythm(four, four, four) },
        { part: partId('b'), onsets: rhythm(four, [0, 1, 2, 3.5], four) },
        { part: partId('c'), onsets: rhythm(four, four, four) },
      ],
      bars,
    );
    expect(found).toEqual([{ bar: 1, part: 'b', from: ['a', 'c'], only: [3.5 * QUARTER], missing: [3 * QUARTER] }]);
  });
  it('name one of two, and nobody who has a rhythm of his own', () => {
    const pair = [
      { part: partId('a'), onsets: rhythm(four, four, four) },
      { part: partId('b'), onsets: rhythm(four, [0, 1, 2], four) },
    ];
    expect(nearUnisons(pair, bars)).toMatchObject([{ part: 'b', from: ['a'], only: [], missing: [3 * QUARTER] }]);
    const other = { part: partId('b'), onsets: rhythm([0, 0.5, 1], four, [0, 2, 3]) };
    expect(nearUnisons([pair[0]!, other], bars)).toEqual([]);
    expect(nearUnisons([pair[0]!, { part: partId('c'), onsets: rhythm(four, four, four) }], bars)).toEqual([]);
  });
});

const overlay = (tracks: { name: string; notes: HandNote[] }[]) => {
  const desk = ScoreDesk.open([smfBytes(tracks)], NO_SETTINGS);
  desk.convert(NO_SETTINGS);
  return desk.overlay();
};

describe('the overlay of a job', () => {
  it('says how early and how loose each part is', () => {
    const desk = ScoreDesk.open([demoOriginal()], NO_SETTINGS);
    desk.convert(NO_SETTINGS);
    const { rows } = desk.overlay();
    const row = (name: string) => rows.find((one) => one.name === name)!;
    // The demo's strings are played ahead of the beat; its flute is not.
    expect(row('Viola').usual).toBeLessThan(-100);
    expect(Math.abs(row('Flute').usual)).toBeLessThan(15);
    expect(rows.reduce((sum, { onsets }) => sum + onsets.length, 0)).toBe(1223);
  });
  it('says what a part asks of its player', () => {
    const chord = [60, 64, 67].map((key): HandNote => ({ key, at: 4, length: 2 }));
    const { compass } = overlay([
      {
        name: 'Flute',
        notes: [...line([72, 1], [74, 1], [50, 1]), ...line([76, 1]).map((note) => ({ ...note, at: 3 }))],
      },
      { name: 'Piano', notes: [...line([48, 1]), ...chord] },
    ]);
    const [flute, piano] = compass;
    expect(flute).toMatchObject({
      lowest: { key: 50, bar: 0 },
      highest: { key: 76, bar: 0 },
      outOfRange: 1,
      atOnce: { notes: 1 },
      playable: 1,
    });
    expect(piano).toMatchObject({ atOnce: { notes: 3, bar: 1 }, playable: null, outOfRange: 0 });
  });
});
