/*
 * Beam search: a path of choices through many steps, of which only the cheapest few beginnings are followed (B.
 * Lowerre, The HARPY Speech Recognition System, 1976).
 */

export interface Beam<State, Choice> {
  start: State;
  steps: number;
  /** So many beginnings are kept after each step. */
  width: number;
  choices: (step: number) => readonly Choice[];
  /** What a choice adds after a beginning that ended in this state. */
  cost: (state: State, choice: Choice, step: number) => number;
  next: (state: State, choice: Choice, step: number) => State;
}

/** A beginning of the path; its state is needed for the next step only. */
interface Beginning<State> {
  cost: number;
  state: State;
  trail: Trail | null;
}

interface Trail {
  choice: number;
  from: Trail | null;
}

/**
 * @returns the index of each step's choice on the cheapest path; of equally cheap ones the one that comes first: of the
 * earlier beginning, then by the order of the choices
 */
export function beamSearch<State, Choice>(beam: Beam<State, Choice>): number[] {
  let beginnings: Beginning<State>[] = [{ cost: 0, state: beam.start, trail: null }];
  for (let step = 0; step < beam.steps; step++) beginnings = stepOn(beginnings, beam, step);
  const path: number[] = [];
  for (let trail = beginnings[0]?.trail ?? null; trail; trail = trail.from) path.push(trail.choice);
  return path.reverse();
}

function stepOn<State, Choice>(
  beginnings: readonly Beginning<State>[],
  { width, choices, cost, next }: Beam<State, Choice>,
  step: number,
): Beginning<State>[] {
  const open = choices(step);
  // Costs first, in order: states are made for what is kept only.
  const kept = new Kept(width);
  beginnings.forEach((beginning, b) => {
    for (let c = 0; c < open.length; c++) kept.offer(beginning.cost + cost(beginning.state, open[c]!, step), b, c);
  });
  return Array.from({ length: kept.size }, (_, k) => {
    const { state, trail } = beginnings[kept.beginning[k]!]!;
    const choice = kept.choice[k]!;
    return { cost: kept.cost[k]!, state: next(state, open[choice]!, step), trail: { choice, from: trail } };
  });
}

/** The cheapest few of what was offered, in order of cost; of equal ones the earlier offer first. */
class Kept {
  size = 0;
  readonly cost: Float64Array;
  readonly beginning: Int32Array;
  readonly choice: Int32Array;

  constructor(private readonly width: number) {
    this.cost = new Float64Array(width + 1);
    this.beginning = new Int32Array(width + 1);
    this.choice = new Int32Array(width + 1);
  }

  offer(cost: number, beginning: number, choice: number): void {
    if (this.size === this.width && cost >= this.cost[this.width - 1]!) return;
    let place = this.size;
    for (; place > 0 && this.cost[place - 1]! > cost; place--) {
      this.cost[place] = this.cost[place - 1]!;
      this.beginning[place] = this.beginning[place - 1]!;
      this.choice[place] = this.choice[place - 1]!;
    }
    this.cost[place] = cost;
    this.beginning[place] = beginning;
    this.choice[place] = choice;
    if (this.size < this.width) this.size++;
  }
}
