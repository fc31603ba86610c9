/** Seeded random numbers, so that every measurement can be repeated (mulberry32, public domain, from memory). */
export interface Random {
  /** 0 ≤ x < 1 */
  next(): number;
  /** Normally distributed around 0 (Box–Muller). */
  normal(sigma: number): number;
  between(low: number, high: number): number;
  pick<T>(list: readonly T[]): T;
}

export function seeded(seed: number): Random {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  return {
    next,
    normal: (sigma) => sigma * Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next()),
    between: (low, high) => low + (high - low) * next(),
    pick: (list) => list[Math.floor(next() * list.length)]!,
  };
}
