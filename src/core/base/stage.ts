/*
 * Stages: the steps of a conversion, each declared once with the inputs it needs. The same inputs are what a later
 * conversion is compared by, so that a change to one part computes that part and nothing else; the outcome is the same
 * with and without.
 */

/** A step: a pure function of named inputs. */
export interface Stage<In extends object, Out> {
  readonly name: string;
  readonly run: (inputs: In) => Out;
}

/** Declares a stage. @param name unique; what the memo knows it by */
export function stage<In extends object, Out>(name: string, run: (inputs: In) => Out): Stage<In, Out> {
  return { name, run };
}

/** What a conversion keeps for the next one. */
export class Memo {
  private readonly known = new Map<string, { inputs: readonly unknown[]; result: unknown }>();
  private readonly said = new Map<string, { json: string; value: unknown }>();

  /**
   * The result of a stage, computed only when an input has changed: objects are compared by identity, numbers and
   * strings by value, lists by what is in them.
   *
   * @param of whose it is, for a stage that runs once for each part or track
   */
  run<In extends object, Out>({ name, run }: Stage<In, Out>, inputs: In, of = ''): Out {
    const slot = `${name}/${of}`;
    const list = Object.values(inputs);
    const before = this.known.get(slot);
    if (before && same(before.inputs, list)) return before.result as Out;
    const result = run(inputs);
    this.known.set(slot, { inputs: list, result });
    return result;
  }

  /** The value of last time when it says the same, so that what rests on it is recalled too. @param value plain data */
  steady<T>(slot: string, value: T): T {
    const json = JSON.stringify(value) ?? '';
    const before = this.said.get(slot);
    if (before?.json === json) return before.value as T;
    this.said.set(slot, { json, value });
    return value;
  }

  /** As `steady`, for values that a function compares. */
  settle<T>(slot: string, value: T, equal: (a: T, b: T) => boolean): T {
    const before = this.known.get(slot);
    if (before && equal(before.result as T, value)) return before.result as T;
    this.known.set(slot, { inputs: [], result: value });
    return value;
  }
}

function same(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  return Array.isArray(a) && Array.isArray(b) && a.length === b.length && a.every((one, i) => same(one, b[i]));
}

export function sameNumbers(a: ArrayLike<number>, b: ArrayLike<number>): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}
