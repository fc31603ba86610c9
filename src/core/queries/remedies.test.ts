import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { many } from '../../testing/tiers';
import { meter, performanceOf, tempo, type HandTrack } from '../../testing/music';
import type { Performance } from '../performance';
import { checkScore } from '../score';
import { dismissedQueries, EMPTY_LEDGER, enter } from '../documents';
import { remediesFor, stepOf, type Query, type Remedy } from './index';
import { doubtfulPieces } from '../../testing/doubtful-pieces';
import { replay } from '../../testing/replay';

/* A remedy does what its button says: the query it answers is gone, and the score is sound. */

/** Each way to answer a query, and what is left of it afterwards. */
function outcomes(performance: Performance): { query: Query; remedy: Remedy; gone: boolean; faults: string[] }[] {
  const before = replay([performance], EMPTY_LEDGER);
  return before.queries.flatMap((query) =>
    remediesFor(query).map((remedy) => {
      const ledger = enter(EMPTY_LEDGER, stepOf(query, remedy));
      const after = replay([performance], ledger);
      const open = after.queries.filter(({ id }) => !dismissedQueries(ledger).has(id));
      return {
        query,
        remedy,
        gone: open.every(({ id }) => id !== query.id),
        faults: checkScore(after.score).map((fault) => JSON.stringify(fault)),
      };
    }),
  );
}

const left = (performance: Performance) =>
  outcomes(performance)
    .filter(({ gone, faults }) => !gone || faults.length > 0)
    .map(({ query, remedy, faults }) => `${query.id}: ${remedy.label} ${faults.join()}`);
const kinds = (performance: Performance) =>
  new Set(replay([performance], EMPTY_LEDGER).queries.map((query) => query.kind));

describe('remedies', () => {
  it.each(Object.entries(doubtfulPieces))('of %s answer it', (kind, { tracks, conductor = [] }) => {
    const performance = performanceOf(tracks, [meter(0, 4, 4), tempo(0, 100), ...conductor]);
    expect([...kinds(performance)]).toContain(kind);
    expect(left(performance)).toEqual([]);
  });

  it('are there for every query', () => {
    const queries = Object.values(doubtfulPieces).flatMap(({ tracks, conductor = [] }) => {
      const performance = performanceOf(tracks, [meter(0, 4, 4), tempo(0, 100), ...conductor]);
      return replay([performance], EMPTY_LEDGER).queries;
    });
    expect(queries.filter((query) => remediesFor(query).length === 0)).toEqual([]);
  });

  // Cases that random music once found.
  it.each<[string, HandTrack[], [number, number]]>([
    [
      'two short notes on one key, far off any grid',
      [
        {
          name: 'Flute',
          notes: [
            { key: 24, at: 7.1, length: 0.05 },
            { key: 24, at: 0, length: 0.05 },
          ],
        },
      ],
      [4, 4],
    ],
    [
      'two short notes on one key either side of a beat',
      [
        {
          name: 'Flute',
          notes: [
            { key: 97, at: 1.35, length: 0.05 },
            { key: 97, at: 1.6, length: 0.05 },
          ],
        },
      ],
      [6, 8],
    ],
    [
      'two notes closer than a thirty-second',
      [
        {
          name: 'Flute',
          notes: [
            { key: 81, at: 5.4, length: 0.05 },
            { key: 81, at: 5.475, length: 0.05 },
          ],
        },
      ],
      [6, 8],
    ],
  ])('of %s answer it', (_, tracks, [beats, beatType]) => {
    expect(left(performanceOf(tracks, [meter(0, beats, beatType)]))).toEqual([]);
  });

  it('of anything that random music is asked about leave a sound score and answer the query', () => {
    const note = fc.record({
      key: fc.integer({ min: 24, max: 100 }),
      at: fc.integer({ min: 0, max: 640 }).map((n) => n / 40),
      length: fc.integer({ min: 2, max: 80 }).map((n) => n / 40),
    });
    const track = fc.record({
      name: fc.constantFrom('Flute', 'Piano', 'Horns', 'Zz', 'Drum Kit', 'Guitar', 'Violin 1'),
      notes: fc.array(note, { maxLength: 24 }),
    });
    fc.assert(
      fc.property(
        fc.array(track, { minLength: 1, maxLength: 3 }),
        fc.constantFrom([4, 4], [3, 4], [6, 8]),
        (tracks, [beats, beatType]) => {
          if (tracks.every(({ notes }) => notes.length === 0)) return;
          expect(left(performanceOf(tracks, [meter(0, beats, beatType)]))).toEqual([]);
        },
      ),
      { numRuns: Number(process.env.PIECES ?? many(20, 60)) },
    );
  });
});
