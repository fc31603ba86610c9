import { describe, expect, it } from 'vitest';
import { BARS, dance, quarterNotes } from '../../../testing/dances';
import { performanceOf, tempo } from '../../../testing/music';
import { inForce, EMPTY_LEDGER, enter, settingsOf } from '../../documents';
import { preparePerformance } from '../../engine/prepare';
import type { Performance } from '../../performance';
import { remediesFor } from '../../queries';
import { beatsOfBar, layBars, QUARTER } from '../../time';
import { meterDoubts } from './meter-doubts';

const asked = (performance: Performance) => meterDoubts(performance, 'own');

const quarters = (...bars: Parameters<typeof quarterNotes>): Performance =>
  performanceOf([{ name: 'Piano', notes: quarterNotes(...bars) }], [tempo(0, 100)]);

describe('a file that states no meter', () => {
  it.each([
    ['3/4', quarters([3])],
    ['5/4', quarters([5])],
    ['6/8', dance([3, 3])],
    ['9/8', dance([3, 3, 3])],
    ['5/8', dance([3, 2])],
    ['7/8', dance([2, 2, 3])],
    ['3+2+2/8', dance([3, 2, 2])],
    ['6/8', dance([3, 3], { bars: 1200 })],
  ])('is asked about where the music is in %s', (said, performance) => {
    const [query] = asked(performance);
    expect(query).toMatchObject({ kind: 'meter', facts: { pickup: 0 } });
    expect(query!.message).toContain(`say ${said}.`);
    expect(remediesFor(query!).map(({ label }) => label)).toEqual([said]);
  });
  it.each([
    ['5/4 3/4 6/4 in turn', quarters([5, 3, 6])],
    ['4/4 3/4 in turn', quarters([4, 3], { leant: true })],
    [
      '4/4, 3/4 from bar 6, 4/4 from bar 7',
      quarters([4, 4, 4, 4, 4, 3, ...Array<number>(BARS - 6).fill(4)], { leant: true }),
    ],
    [
      '4/4, 3/4 from bar 17',
      quarters([...Array<number>(16).fill(4), ...Array<number>(BARS - 16).fill(3)], { leant: true }),
    ],
    [
      '4/4, 3/4 and 5/4, changing 6 times',
      quarters([4, 4, 4, 4, 4, 3, 4, 4, 4, 4, 4, 5, 4, 4, 4, 4, 4, 4, 4, 3, 4, 4, 4, 4], { leant: true }),
    ],
  ])('is asked about where its bars change: %s', (said, performance) => {
    const [query] = asked(performance);
    expect(query!.message).toContain(`say ${said}.`);
    expect(remediesFor(query!).map(({ label }) => label)).toEqual([said]);
  });
  it('whose barlines lie beside the music is asked about', () => {
    const [query] = asked(quarters([4], { pickup: 1 }));
    expect(query!.message).toContain('the first full bar begins on beat 2');
    expect(remediesFor(query!).map(({ label }) => label)).toEqual(['4/4, 1/4 before the first bar']);
  });
  it.each([
    ['four quarters', quarters([4])],
    ['two quarters', dance([2, 2])],
    ['three, three and two eighths', dance([3, 3, 2])],
  ])('is believed where the music has %s', (_, performance) => {
    expect(asked(performance)).toEqual([]);
  });
  it('gets the bars that were taken, and is not asked again', () => {
    const of = (performance: Performance, decisions = 1) => {
      const [query] = asked(performance);
      const [remedy] = remediesFor(query!);
      const ledger = [remedy!.decision, ...(remedy!.also ?? [])].reduce(enter, EMPTY_LEDGER);
      expect(inForce(ledger)).toHaveLength(decisions);
      const { performance: mended } = preparePerformance([{ reading: null as never, performance }], settingsOf(ledger));
      expect(meterDoubts(mended, 'own')).toEqual([]);
      return layBars(mended.meters, 40 * QUARTER);
    };
    const jig = of(dance([3, 3]));
    expect(jig.slice(0, 3).map(({ start }) => start / QUARTER)).toEqual([0, 3, 6]);
    expect(beatsOfBar(jig[1]!).map(({ length }) => length / QUARTER)).toEqual([1.5, 1.5]);
    const waltz = of(quarters([3], { pickup: 1 }), 2);
    expect(waltz.slice(0, 3).map(({ start }) => start / QUARTER)).toEqual([0, 1, 4]);
    const cue = of(quarters([5, 3, 6], { pickup: 2 }), 2);
    expect(cue.slice(0, 6).map(({ start }) => start / QUARTER)).toEqual([0, 2, 7, 10, 16, 21]);
    const odd = of(quarters([4, 4, 4, 4, 4, 3, ...Array<number>(BARS - 6).fill(4)], { leant: true }), 3);
    expect(odd.slice(4, 8).map(({ start }) => start / QUARTER)).toEqual([16, 20, 23, 27]);
  });
});
