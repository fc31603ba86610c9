import { describe, expect, it } from 'vitest';
import {
  firstNotBefore,
  append,
  commonDivisor,
  highest,
  onceEach,
  isFurtherPlayer,
  leadingTrack,
  lowest,
  median,
  partId,
  partOf,
  groupBy,
  runsOf,
  trackId,
  unsplit,
  upperMedian,
} from './index';

describe('ids', () => {
  it('name a part by its track, and its further players behind it', () => {
    const track = trackId('o2t3c10');
    expect([partOf(track), partOf(track, 2)]).toEqual(['o2t3c10', 'o2t3c10p2']);
    expect([partOf(track), partOf(track, 12)].map(leadingTrack)).toEqual([track, track]);
    expect([partOf(track), partOf(track, 2)].map(isFurtherPlayer)).toEqual([false, true]);
  });
  it('lead back to the track a file has', () => {
    expect(['t3', 't0c10', 't9s6', 'o2t9c1s6'].map((id) => unsplit(trackId(id)))).toEqual(['t3', 't0', 't9', 'o2t9']);
    expect(leadingTrack(partId('t9s6p3'))).toBe('t9s6');
  });
});

describe('lists', () => {
  it('of any length are added, and searched, without overflowing', () => {
    const long = Array.from({ length: 300_000 }, (_, i) => i);
    const list = [-1];
    append(list, long);
    expect([list.length, lowest(list), highest(list)]).toEqual([300_001, -1, 299_999]);
    expect([lowest([]), highest([])]).toEqual([Infinity, -Infinity]);
  });
  it('stand each under a key of its own, and two under one are a fault', () => {
    expect([
      ...onceEach([
        ['a', 1],
        ['b', 2],
      ]),
    ]).toEqual([
      ['a', 1],
      ['b', 2],
    ]);
    expect(() =>
      onceEach([
        ['trill-mark', 1],
        ['trill-mark', 2],
      ]),
    ).toThrow('“trill-mark” is there twice.');
  });
  it('fall into runs of neighbours that agree', () => {
    expect(runsOf([1, 1, 2, 1, 1, 1], (one) => one)).toEqual([[1, 1], [2], [1, 1, 1]]);
    expect(runsOf([], (one) => one)).toEqual([]);
  });
});

describe('statistics', () => {
  it('find the middle, between two or as one of them', () => {
    expect([median([3, 1, 2]), median([4, 1, 2, 3]), median([])]).toEqual([2, 2.5, NaN]);
    expect([upperMedian([3, 1, 2]), upperMedian([4, 1, 2, 3]), upperMedian([])]).toEqual([2, 3, 0]);
  });
  it('find the common divisor', () => {
    expect([commonDivisor(10080, 3360), commonDivisor(-8, 12), commonDivisor(7, 0)]).toEqual([3360, 4, 7]);
  });
});

describe('firstNotBefore', () => {
  it('is where a place would go in, before its equals; the length when all are before', () => {
    const list = [1, 2, 2, 5].map((at) => ({ at }));
    const first = (place: number) => firstNotBefore(list, place, ({ at }) => at);
    expect([0, 1, 2, 3, 5, 6].map(first)).toEqual([0, 0, 1, 3, 3, 4]);
  });
});

describe('groupBy', () => {
  it('keeps the order of first appearance, and of each group', () => {
    expect([...groupBy([3, 1, 4, 1, 5, 9, 2, 6], (one) => one % 3)]).toEqual([
      [0, [3, 9, 6]],
      [1, [1, 4, 1]],
      [2, [5, 2]],
    ]);
  });
});
