import { describe, expect, it } from 'vitest';
import { line, meter, performanceOf } from '../../testing/music';
import { replay } from '../../testing/replay';
import { partId, trackId } from '../base';
import type { Decision } from '../decisions';
import { EMPTY_LEDGER, enter } from '../documents';
import { changesBetween } from './changes';

const performance = performanceOf(
  [
    { name: 'Flute', notes: line([72, 1], [74, 1], [76, 1], [77, 1]) },
    { name: 'Oboe', notes: line([67, 4]) },
    { name: 'Zz', notes: line([60, 4]) },
  ],
  [meter(0, 4, 4)],
);
const before = replay([performance], EMPTY_LEDGER);
const changes = (...made: Decision[]) =>
  changesBetween(before, replay([performance], made.reduce(enter, EMPTY_LEDGER)));

describe('what a decision would change', () => {
  it('is nothing when nothing was decided', () => {
    expect(changes()).toEqual({ notes: 0, parts: [], answered: 0, asked: 0 });
  });
  it('is counted by notes and parts', () => {
    expect(changes({ kind: 'shiftNotes', part: partId('t1'), notes: [0, 1], semitones: 12 })).toMatchObject({
      notes: 2,
      parts: ['Flute'],
    });
    expect(changes({ kind: 'removeNotes', part: partId('t1'), notes: [3] })).toMatchObject({ notes: 1 });
  });
  it('names parts that go or become another instrument, and queries that are answered', () => {
    expect(changes({ kind: 'leaveOut', tracks: [trackId('t2')] }).parts).toEqual(['Oboe']);
    const named = changes({ kind: 'assignInstrument', tracks: [trackId('t3')], instrument: 'viola' });
    expect(named).toMatchObject({ parts: ['Viola'], answered: 1, asked: 0 });
  });
});
