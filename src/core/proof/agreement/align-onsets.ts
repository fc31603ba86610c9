/*
 * Pairing two sorted lists of onsets of one key, in order and at least cost: a pair costs how far its two are apart, one
 * that stays alone costs as much as half the window, so that nothing further apart than the window is paired.
 *
 * Edit distance over a band (Needleman and Wunsch 1970; Sakoe and Chiba 1978 for the band): only pairs within the window
 * are looked at, so that time grows with the notes and not with their square.
 */
import type { Seconds } from '../../time';

/** How the first i of the one list and the first j of the other came to their cost. */
type Step = 'a alone' | 'b alone' | 'pair';

/** The first i of `a`: costs with the first j of `b`, from `low` on. */
interface Row {
  low: number;
  costs: number[];
  steps: Step[];
}

/** @returns for each of `a` its partner's index in `b`, or −1 */
export function alignOnsets(a: readonly Seconds[], b: readonly Seconds[], window: Seconds): Int32Array {
  const rows: Row[] = [{ low: 0, costs: [0], steps: ['b alone'] }];
  let [from, to] = [0, 0];
  for (const at of a) {
    while (from < b.length && b[from]! < at - window) from++;
    to = Math.max(to, from);
    while (to < b.length && b[to]! <= at + window) to++;
    rows.push(nextRow(rows.at(-1)!, { at, b, from, to, window }));
  }
  return partnersIn(rows, a.length, b.length);
}

interface Band {
  at: Seconds;
  b: readonly Seconds[];
  from: number;
  to: number;
  window: Seconds;
}

function nextRow(before: Row, { at, b, from, to, window }: Band): Row {
  const alone = window / 2;
  const row: Row = { low: from, costs: [], steps: [] };
  for (let j = from; j <= to; j++) {
    const apart = j > 0 ? Math.abs(at - b[j - 1]!) : Infinity;
    const pair = apart <= window ? costAt(before, j - 1, alone) + apart : Infinity;
    const aloneA = costAt(before, j, alone) + alone;
    const aloneB = j > from ? row.costs[j - 1 - from]! + alone : Infinity;
    const least = Math.min(pair, aloneA, aloneB);
    row.costs.push(least);
    // At equal cost a pair is better than two alone.
    if (pair === least && pair < Infinity) row.steps.push('pair');
    else row.steps.push(aloneA <= aloneB ? 'a alone' : 'b alone');
  }
  return row;
}

/** Beyond the end of a row the rest of `b` stays alone; before its beginning nothing is known, nor needed. */
function costAt({ low, costs }: Row, j: number, alone: number): number {
  if (j < low) return Infinity;
  const last = costs.length - 1;
  return j - low <= last ? costs[j - low]! : costs[last]! + alone * (j - low - last);
}

/** The way back from the end of both lists. */
function partnersIn(rows: readonly Row[], ofA: number, ofB: number): Int32Array {
  const partner = new Int32Array(ofA).fill(-1);
  let j = ofB;
  for (let i = ofA; i > 0;) {
    const { low, steps } = rows[i]!;
    // Right of the band the last of `b` stays alone; left of it everything before does.
    j = Math.min(j, low + steps.length - 1);
    const step = steps[j - low] ?? 'a alone';
    if (step === 'b alone') j--;
    else {
      i--;
      if (step === 'pair') partner[i] = --j;
    }
  }
  return partner;
}
