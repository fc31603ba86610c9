/*
 * Pairing two sorted lists of onsets of one key, in order and at least cost: a pair costs how far its two are apart, one
 * that stays alone costs as much as half the window, so that nothing further apart than the window is paired.
 *
 * Edit distance over a band (Needleman and Wunsch 1970; Sakoe and Chiba 1978 for the band): only pairs within the window
 * are looked at, so that time grows with the notes and not with their square.
 */
import type { Seconds } from '../../time';

/** @returns for each of `a` its partner's index in `b`, or −1 */
export function alignOnsets(a: readonly Seconds[], b: readonly Seconds[], window: Seconds): Int32Array {
  const partner = new Int32Array(a.length).fill(-1);
  const alone = window / 2;
  /** Row of the first i of `a`: costs for the first j of `b`, from `low` on. */
  interface Row {
    low: number;
    costs: number[];
    /** 0: the last of `a` stays alone; 1: the last of `b` does; 2: they are a pair. */
    steps: number[];
  }
  const rows: Row[] = [];
  /** Cost in a row at j; beyond its end the rest of `b` stays alone. */
  const costAt = ({ low, costs }: Row, j: number): number => {
    if (j < low) return Infinity;
    const last = costs.length - 1;
    return j - low <= last ? costs[j - low]! : costs[last]! + alone * (j - low - last);
  };
  let [from, to] = [0, 0];
  for (let i = 0; i <= a.length; i++) {
    if (i > 0) {
      while (from < b.length && b[from]! < a[i - 1]! - window) from++;
      to = Math.max(to, from);
      while (to < b.length && b[to]! <= a[i - 1]! + window) to++;
    }
    const before = rows[i - 1];
    const row: Row = { low: from, costs: [], steps: [] };
    for (let j = from; j <= to; j++) {
      const left = j > from ? row.costs[j - 1 - from]! + alone : Infinity;
      const up = before ? costAt(before, j) + alone : Infinity;
      const pair =
        before && j > 0 && Math.abs(a[i - 1]! - b[j - 1]!) <= window
          ? costAt(before, j - 1) + Math.abs(a[i - 1]! - b[j - 1]!)
          : Infinity;
      // At equal cost a pair is better than two alone.
      const least = Math.min(pair, up, left);
      const start = i === 0 ? alone * j : Infinity;
      row.costs.push(Math.min(least, start));
      row.steps.push(pair <= least && pair < Infinity ? 2 : up <= left ? 0 : 1);
    }
    rows.push(row);
  }
  for (let i = a.length, j = b.length; i > 0;) {
    const { low, steps } = rows[i]!;
    // Left of the band everything before stays alone; right of it the last of `b` does.
    if (j - low >= steps.length) j = low + steps.length - 1;
    const step = steps[j - low] ?? 0;
    if (step === 2) partner[--i] = --j;
    else if (step === 1) j--;
    else i--;
  }
  return partner;
}
