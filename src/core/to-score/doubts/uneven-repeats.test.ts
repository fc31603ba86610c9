import { describe, expect, it } from 'vitest';
import { line, meter, performanceOf, tempo } from '../../../testing/music';
import { replay } from '../../../testing/replay';
import { partId } from '../../base';
import type { Decision } from '../../decisions';
import { dismissedQueries, EMPTY_LEDGER, enter } from '../../documents';
import { remediesFor, stepOf } from '../../queries';

/* A repeat is written once, and one of its playings is changed by hand afterwards. */

const phrase = [60, 62, 64, 65, 67, 69, 71, 72, 74, 72, 71, 69, 67, 65, 64, 62];
const performance = performanceOf(
  [{ name: 'Flute', notes: line(...[...phrase, ...phrase].map((key): [number, number] => [key, 1]), [55, 4]) }],
  [meter(0, 4, 4), tempo(0, 100)],
);
const folded: Decision = { kind: 'foldRepeat', from: 0, length: 4, times: 2, endings: 0 };
const raised = (...notes: number[]): Decision => ({ kind: 'shiftNotes', part: partId('t1'), notes, semitones: 1 });

function after(...made: Decision[]) {
  const ledger = made.reduce(enter, EMPTY_LEDGER);
  const { queries, printed } = replay([performance], ledger);
  const open = queries.filter(({ id }) => !dismissedQueries(ledger).has(id));
  return { printed, uneven: open.find(({ kind }) => kind === 'uneven-repeat') };
}

describe('a repeat written once', () => {
  it('asks nothing while its playings are alike, or when all of them are changed alike', () => {
    expect(after(folded).uneven).toBeUndefined();
    expect(after(folded, raised(2, 18)).uneven).toBeUndefined();
  });

  it('says where a playing was changed by hand, and each remedy settles it', () => {
    const { uneven } = after(folded, raised(16 + 14));
    expect(uneven?.message).toBe(
      'Bars 1–4 are written once for 2 playings; the first is printed. Flute has other notes later in bar 8.',
    );
    const remedies = remediesFor(uneven!);
    expect(remedies.map(({ label }) => label)).toEqual(['Write endings', 'Write it out', 'Keep the first playing']);
    const results = remedies.map((remedy) => after(folded, raised(30), stepOf(uneven!, remedy)));
    expect(results.map((result) => result.uneven)).toEqual([undefined, undefined, undefined]);
    // Three bars and two endings; everything; four bars; and the last bar of the piece.
    expect(results.map(({ printed }) => printed.bars.length)).toEqual([6, 9, 5]);
  });

  it('offers no endings where the playings part at their beginning', () => {
    const { uneven } = after(folded, raised(16));
    expect(uneven && remediesFor(uneven).map(({ label }) => label)).toEqual(['Write it out', 'Keep the first playing']);
  });
});
