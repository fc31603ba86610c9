import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { leastCostPath } from './index';

const small = { minLength: 3, maxLength: 3 };
const cost = fc.integer({ min: 0, max: 9 });

describe('the least-cost path', () => {
  it('costs what the best of all paths costs', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(cost, small), { minLength: 1, maxLength: 4 }),
        fc.array(fc.array(cost, small), small),
        fc.array(cost, small),
        (at, change, begin) => {
          const costOf = (path: readonly number[], start: number) =>
            path.reduce((sum, state, i) => sum + change[path[i - 1] ?? start]![state]! + at[i]![state]!, begin[start]!);
          const found = leastCostPath({
            steps: at.length,
            states: 3,
            begin: (state) => begin[state]!,
            at: (step, state) => at[step]![state]!,
            change: (from, to) => change[from]![to]!,
          });
          let all: number[][] = [[]];
          for (let i = 0; i < at.length; i++) all = all.flatMap((path) => [0, 1, 2].map((state) => [...path, state]));
          const least = Math.min(...all.flatMap((path) => [0, 1, 2].map((start) => costOf(path, start))));
          expect(costOf(found.path, found.start)).toBe(least);
        },
      ),
      { seed: 13, numRuns: 200 },
    );
  });
  it('takes the lowest of equally cheap states', () => {
    const free = { steps: 3, states: 2, begin: () => 0, at: () => 1, change: () => 0 };
    expect(leastCostPath(free)).toEqual({ start: 0, path: [0, 0, 0] });
  });
  it('of no step is where it begins', () => {
    const none = { steps: 0, states: 2, begin: (state: number) => 1 - state, at: () => 0, change: () => 0 };
    expect(leastCostPath(none)).toEqual({ start: 1, path: [] });
  });
});
