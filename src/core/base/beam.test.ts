import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { beamSearch } from './index';

/** Every path, for comparison. */
function cheapest(costs: readonly (readonly number[])[], change: number): number {
  const walk = (step: number, before: number): number =>
    step === costs.length
      ? 0
      : Math.min(
          ...costs[step]!.map((cost, c) => cost + (before >= 0 && before !== c ? change : 0) + walk(step + 1, c)),
        );
  return walk(0, -1);
}

const search = (costs: readonly (readonly number[])[], change: number, width: number) =>
  beamSearch<number, number>({
    start: -1,
    steps: costs.length,
    width,
    choices: (step) => costs[step]!.map((_, c) => c),
    cost: (before, choice, step) => costs[step]![choice]! + (before >= 0 && before !== choice ? change : 0),
    next: (_, choice) => choice,
  });

const total = (costs: readonly (readonly number[])[], change: number, path: readonly number[]) =>
  path.reduce((sum, c, i) => sum + costs[i]![c]! + (i > 0 && path[i - 1] !== c ? change : 0), 0);

describe('beam search', () => {
  it('finds the cheapest path when nothing is let go', () => {
    const costs = fc.array(fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 1, maxLength: 3 }), { maxLength: 5 });
    fc.assert(
      fc.property(costs, fc.integer({ min: 0, max: 6 }), (list, change) => {
        const path = search(list, change, 1000);
        expect(path).toHaveLength(list.length);
        expect(total(list, change, path)).toBe(list.length === 0 ? 0 : cheapest(list, change));
      }),
    );
  });
  it('takes the first of equally cheap choices', () => {
    expect(
      search(
        [
          [1, 1],
          [2, 2, 2],
        ],
        0,
        4,
      ),
    ).toEqual([0, 0]);
  });
  it('follows only as many beginnings as it is wide', () => {
    // The dear first step pays later; a beam of one never learns of it.
    const costs = [
      [0, 1],
      [5, 0],
    ];
    expect(search(costs, 9, 1)).toEqual([0, 0]);
    expect(search(costs, 9, 2)).toEqual([1, 1]);
  });
});
