import type { Agreement, PartAgreement } from './model';
import { DIFFERENCE_KINDS } from './model';

/** More differences than this nobody reads one by one; the counts and the map have them all. */
export const MOST_LISTED = 20_000;

/** What a list shows of an agreement. */
export interface ListedAgreement extends Agreement {
  /** Differences that are counted and not listed. */
  unlisted: number;
}

/** @returns the agreement with so many of its differences, unexplained ones before others, in their order */
export function listedAgreement(agreement: Agreement, most = MOST_LISTED): ListedAgreement {
  const { differences } = agreement;
  if (differences.length <= most) return { ...agreement, unlisted: 0 };
  const open = differences.filter(({ by }) => by === undefined).slice(0, most);
  const explained = differences.filter(({ by }) => by !== undefined).slice(0, most - open.length);
  const kept = new Set([...open, ...explained]);
  return {
    ...agreement,
    differences: differences.filter((one) => kept.has(one)),
    unlisted: differences.length - kept.size,
  };
}

/** How many differences some parts have, and how many of them are unexplained. */
export function countDifferences(parts: readonly PartAgreement[]): { all: number; open: number } {
  const sum = (counts: PartAgreement['differing']) => DIFFERENCE_KINDS.reduce((total, kind) => total + counts[kind], 0);
  const all = parts.reduce((total, { differing }) => total + sum(differing), 0);
  return { all, open: parts.reduce((rest, { decided, converted }) => rest - sum(decided) - sum(converted), all) };
}
