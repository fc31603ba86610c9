/* Lists of any length. Spreading a long list into a call (`push(...list)`, `Math.max(...list)`) overflows the stack. */

/** Adds all of `more` to the end of `list`. */
export function append<T>(list: T[], more: readonly T[]): void {
  for (const one of more) list.push(one);
}

/** The lowest value; Infinity of none. */
export function lowest(values: readonly number[]): number {
  return values.reduce((low, value) => (value < low ? value : low), Infinity);
}

/** The highest value; −Infinity of none. */
export function highest(values: readonly number[]): number {
  return values.reduce((high, value) => (value > high ? value : high), -Infinity);
}

/** Neighbours that agree in something, together: [1, 1, 2, 1] → [[1, 1], [2], [1]]. */
export function runsOf<T>(list: readonly T[], of: (one: T) => unknown): T[][] {
  const runs: T[][] = [];
  for (const one of list) {
    const last = runs.at(-1);
    if (last && of(last[0]!) === of(one)) last.push(one);
    else runs.push([one]);
  }
  return runs;
}

/**
 * Each under its own key.
 *
 * @throws Error when two have the same key: in a list of ours that is a slip of whoever added one
 */
export function onceEach<K, V>(entries: readonly (readonly [K, V])[]): Map<K, V> {
  const found = new Map<K, V>();
  for (const [key, value] of entries) {
    if (found.has(key)) throw new Error(`“${String(key)}” is there twice.`);
    found.set(key, value);
  }
  return found;
}

/** By what `of` says of them, in order of first appearance. */
export function groupBy<K, T>(list: readonly T[], of: (one: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const one of list) {
    const there = groups.get(of(one));
    if (there) there.push(one);
    else groups.set(of(one), [one]);
  }
  return groups;
}

/** Index of the first entry whose place is not before `place`, or the length. The places rise. */
export function firstNotBefore<T>(list: readonly T[], place: number, placeOf: (entry: T) => number): number {
  let low = 0;
  let high = list.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (placeOf(list[middle]!) < place) low = middle + 1;
    else high = middle;
  }
  return low;
}
