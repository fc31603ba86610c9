import { describe, expect, it } from 'vitest';
import { partId, queryId } from '@/core/base';
import type { OpenQuery } from '@/core/engine';
import { targetsFor, type Findable } from './targets';

const bars = Array.from({ length: 80 }, (_, i) => ({
  index: i,
  number: i + 1,
  start: i * 40320,
  length: 40320,
  beats: 4,
  beatType: 4,
  implicit: false,
}));
const findable = {
  bars,
  parts: [
    { id: partId('t1'), name: 'Flute', abbreviation: 'Fl.', instrument: 'flute' },
    { id: partId('t2'), name: 'Violin 1', abbreviation: 'Vln. 1', instrument: 'violin' },
    { id: partId('t3'), name: 'Violin 2', abbreviation: 'Vln. 2', instrument: 'violin' },
    { id: partId('t4'), name: 'Violoncello', abbreviation: 'Vc.', instrument: 'cello' },
  ],
  queries: [
    { id: queryId('q'), kind: 'lead', message: 'Flute may have been played 80 ms early.', remedies: [] },
  ] as unknown as OpenQuery[],
  direction: 'to-score',
} as unknown as Findable;

const labels = (typed: string) => targetsFor(typed, findable).map(({ label }) => label);

describe('jumping', () => {
  it.each([
    ['65', 'Bar 65'],
    ['bar 3', 'Bar 3'],
    ['v2 65', 'Violin 2, bar 65'],
    ['vln2 7', 'Violin 2, bar 7'],
    ['Flöte 12', 'Flute, bar 12'],
    ['vc 80', 'Violoncello, bar 80'],
    ['fl', 'Flute'],
  ])('finds “%s”', (typed, label) => {
    expect(labels(typed)).toContain(label);
  });
  it('knows a part by its own number only', () => {
    expect(labels('v2 65')).not.toContain('Violin 1, bar 65');
    expect(labels('v1')).toEqual(['Violin 1']);
  });
  it('finds no bar that is not there', () => {
    expect(labels('vc 81')).toEqual([]);
    expect(labels('  ')).toEqual([]);
  });
  it.each([
    ['quantize', 'Grid'],
    ['humanize', 'Humanize'],
    ['transpose', 'Instruments, names and order of the parts'],
    ['time signature', 'Meters and barlines'],
    ['anacrusis', 'Bar numbers and pickup'],
    ['keyswitch', 'Keyswitches and techniques'],
    ['revision', 'A new version of the file'],
    ['short score', 'Lead sheet and piano reduction'],
  ])('leads from the trade’s word “%s” to ours', (typed, label) => {
    expect(labels(typed)[0]).toBe(label);
  });
  it('finds queries by what they say', () => {
    expect(labels('played early')).toContain('Flute may have been played 80 ms early.');
  });
});
