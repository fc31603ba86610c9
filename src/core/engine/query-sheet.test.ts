import { describe, expect, it } from 'vitest';
import { partId, queryId } from '../base';
import { line, meter, performanceOf } from '../../testing/music';
import { barsOfPerformance } from '../performance';
import type { OpenQuery } from '../queries';
import { isForComposer, querySheetText, sheetLine } from './query-sheet';

const bars = barsOfPerformance(
  performanceOf([{ name: 'Flute', notes: line(...Array(16).fill([60, 1])) }], [meter(0, 4, 4)]),
);
const query = (more: object) => ({ id: queryId('q'), message: 'Is it so?', ...more }) as unknown as OpenQuery;
const nameOf = (id: string) => ({ t1: 'Flute', t2: 'Oboe' })[id] ?? id;

describe('a query sheet', () => {
  it('says where each query is, once', () => {
    const at = bars[2]!.start + 10080;
    const one = query({ part: partId('t1'), at, bar: 2, message: 'Flute, bar 3, beat 2: key 99 is not there.' });
    expect(sheetLine(one, bars, nameOf)).toEqual({ where: 'Flute, bar 3, beat 2', question: 'Key 99 is not there.' });
  });
  it('names several parts, a bar alone, or the whole piece', () => {
    const where = (more: object) => sheetLine(query(more), bars, nameOf).where;
    expect(where({ parts: [partId('t1'), partId('t2')], part: partId('t1') })).toBe('Flute, Oboe');
    expect(where({ bar: 3 })).toBe('bar 4');
    expect(where({})).toBe('The piece as a whole');
  });
  it('is for the composer where the composer can answer', () => {
    expect(isForComposer(query({ kind: 'tuplet' }))).toBe(true);
    expect(isForComposer(query({ kind: 'file' }))).toBe(false);
    expect(isForComposer(query({ kind: 'bar-repeats' }))).toBe(false);
  });
  it('has a number, a question and room for an answer for each', () => {
    const text = querySheetText('Goose', [
      { where: 'Flute', question: 'A?' },
      { where: 'Oboe', question: 'B?' },
    ]);
    expect(text).toMatch(/^Goose: queries\n\n1\. Flute\n {3}A\?\n\n {3}Answer: _+\n\n2\. Oboe\n {3}B\?/);
  });
});
