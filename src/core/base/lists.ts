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
