import { describe, expect, it } from 'vitest';
import { demoOriginal } from '../../../../demo/make';
import { performanceFromSmf } from '../../performance';
import { readSmf } from '../../smf';
import { agreementOf } from './agreement';
import { countDifferences, listedAgreement } from './listing';
import { musicOfPerformance } from './sounding-music';

const demo = musicOfPerformance(performanceFromSmf(readSmf(demoOriginal())));
/** Every third note is a second late. */
const late = {
  ...demo,
  parts: demo.parts.map((part) => ({
    ...part,
    notes: part.notes.map((note, i) => (i % 3 === 0 ? { ...note, onset: note.onset + 90 } : note)),
  })),
};
const made = agreementOf(demo, late);
// As where somebody answers for every second one.
const half = {
  ...made,
  differences: made.differences.map((one, i) => (i % 2 ? { ...one, by: 'decision' as const } : one)),
};

describe('a list of differences', () => {
  it('is whole where it is short, and its counts are those of the parts', () => {
    expect(made.differences.length).toBeGreaterThan(100);
    expect(listedAgreement(made)).toEqual({ ...made, unlisted: 0 });
    expect(countDifferences(made.parts)).toEqual({ all: made.differences.length, open: made.differences.length });
  });
  it('leaves out explained ones first, in order, and says how many', () => {
    const open = half.differences.filter(({ by }) => by === undefined).length;
    const listed = listedAgreement(half, open + 5);
    expect(listed.differences).toHaveLength(open + 5);
    expect(listed.unlisted).toBe(half.differences.length - open - 5);
    expect(listed.differences.filter(({ by }) => by === undefined)).toHaveLength(open);
    const places = listed.differences.map((one) => half.differences.indexOf(one));
    expect(places).toEqual(places.toSorted((a, b) => a - b));
    expect(countDifferences(listed.parts).all).toBe(made.differences.length);
  });
});
