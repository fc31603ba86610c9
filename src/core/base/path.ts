/*
 * Least-cost path: one state for each step, so that what the states cost and what their changes cost is least in all
 * (R. Bellman, Dynamic Programming, 1957; A. Viterbi, 1967).
 */

export interface PathCosts {
  steps: number;
  states: number;
  /** Of beginning before the first step in a state. */
  begin: (state: number) => number;
  /** Of being in a state at a step. */
  at: (step: number, state: number) => number;
  /** Of going from one state to another. */
  change: (from: number, to: number) => number;
}

/** @returns the state before the first step, and that of each step; of equally cheap ones the lowest */
export function leastCostPath({ steps, states, begin, at, change }: PathCosts): { start: number; path: number[] } {
  let costs = Array.from({ length: states }, (_, state) => begin(state));
  const from: number[][] = [];
  for (let step = 0; step < steps; step++) {
    const back: number[] = [];
    const next: number[] = [];
    for (let to = 0; to < states; to++) {
      let best = 0;
      for (let other = 1; other < states; other++)
        if (costs[other]! + change(other, to) < costs[best]! + change(best, to)) best = other;
      back.push(best);
      next.push(costs[best]! + change(best, to) + at(step, to));
    }
    from.push(back);
    costs = next;
  }
  let state = costs.indexOf(Math.min(...costs));
  const path: number[] = [];
  for (let step = steps - 1; step >= 0; step--) {
    path[step] = state;
    state = from[step]![state]!;
  }
  return { start: state, path };
}
