import { describe, expect, it } from 'vitest';
import { BARS, dance } from '../../../testing/dances';
import { performanceOf, tempo, type HandNote } from '../../../testing/music';
import { inForce, EMPTY_LEDGER, enter, settingsOf } from '../../documents';
import { preparePerformance } from '../../engine/prepare';
import type { Performance } from '../../performance';
import { remediesFor } from '../../queries';
import { beatsOfBar, layBars, QUARTER } from '../../time';
import { meterDoubts } from './meter-doubts';

const asked = (performance: Performance) => meterDoubts(performance, 'own');

/** A waltz or a march in quarters: a bass on the first beat, chords on the others. */
function quarters(beats: number, pickup = 0): Performance {
  const notes = Array.from({ length: BARS }, (_, bar): HandNote[] => {
    const at = pickup + bar * beats;
    const root = [43, 48, 50, 43][bar % 4]!;
    return [
      { key: root, at, length: 1 },
      ...Array.from({ length: beats - 1 }, (_, i) =>
        [16, 19, 24].map((above) => ({ key: root + above, at: at + i + 1, length: 0.8 })),
      ).flat(),
    ];
  }).flat();
  return performanceOf(
    [{ name: 'Piano', notes: [...(pickup ? [{ key: 62, at: 0, length: 0.9 }] : []), ...notes] }],
    [tempo(0, 100)],
  );
}

describe('a file that states no meter', () => {
  it.each([
    ['3/4', quarters(3)],
    ['5/4', quarters(5)],
    ['6/8', dance([3, 3])],
    ['9/8', dance([3, 3, 3])],
    ['5/8', dance([3, 2])],
    ['7/8', dance([2, 2, 3])],
    ['6/8', dance([3, 3], { bars: 1200 })],
  ])('is asked about where the music is in %s', (said, performance) => {
    const [query] = asked(performance);
    expect(query).toMatchObject({ kind: 'meter', facts: { pickup: 0 } });
    expect(query!.message).toContain(`say ${said}.`);
    expect(remediesFor(query!).map(({ label }) => label)).toEqual([said]);
  });
  it.each([
    ['four quarters', quarters(4)],
    ['two quarters', dance([2, 2])],
    ['three, three and two eighths', dance([3, 3, 2])],
  ])('is believed where the music has %s', (_, performance) => {
    expect(asked(performance)).toEqual([]);
  });
  it('gets the bars that were taken, and is not asked again', () => {
    const of = (performance: Performance) => {
      const [query] = asked(performance);
      const [remedy] = remediesFor(query!);
      const ledger = [remedy!.decision, ...(remedy!.also ?? [])].reduce(enter, EMPTY_LEDGER);
      expect(inForce(ledger)).toHaveLength(remedy!.also?.length ? 2 : 1);
      const { performance: mended } = preparePerformance([{ reading: null as never, performance }], settingsOf(ledger));
      expect(meterDoubts(mended, 'own')).toEqual([]);
      return layBars(mended.meters, 20 * QUARTER);
    };
    const jig = of(dance([3, 3]));
    expect(jig.slice(0, 3).map(({ start }) => start / QUARTER)).toEqual([0, 3, 6]);
    expect(beatsOfBar(jig[1]!).map(({ length }) => length / QUARTER)).toEqual([1.5, 1.5]);
    const waltz = of(quarters(3, 1));
    expect(waltz.slice(0, 3).map(({ start }) => start / QUARTER)).toEqual([0, 1, 4]);
  });
});
