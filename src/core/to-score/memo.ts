/**
 * What a conversion keeps for the next one: results by their inputs, so that a change to one part computes that part
 * and nothing else. A result is used again only when every input is the very same; the outcome is the same with and
 * without.
 */
export class Memo {
  private readonly known = new Map<string, { inputs: readonly unknown[]; result: unknown }>();

  /** @param slot names the computation and its part @param inputs compared by identity; strings and numbers by value */
  recall<T>(slot: string, inputs: readonly unknown[], compute: () => T): T {
    const before = this.known.get(slot);
    if (
      before &&
      before.inputs.length === inputs.length &&
      before.inputs.every((input, i) => Object.is(input, inputs[i]))
    )
      return before.result as T;
    const result = compute();
    this.known.set(slot, { inputs, result });
    return result;
  }

  /** The value of last time when it was equal, so that what rests on it is recalled too. */
  settle<T>(slot: string, value: T, equal: (a: T, b: T) => boolean): T {
    const before = this.known.get(slot);
    if (before && equal(before.result as T, value)) return before.result as T;
    this.known.set(slot, { inputs: [], result: value });
    return value;
  }
}

export function sameNumbers(a: ArrayLike<number>, b: ArrayLike<number>): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}
