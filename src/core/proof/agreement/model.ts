/* What an agreement says. */
import type { Milliseconds } from '../../time';
import type { TimeFit } from './fit-time';

export const DIFFERENCE_KINDS = ['moved', 'length', 'pitch', 'missing', 'extra'] as const;
export type DifferenceKind = (typeof DIFFERENCE_KINDS)[number];

/** Who answers for a difference. */
export type Answer = 'decision' | 'conversion';

/** One note that is not the same on both sides. */
export interface Difference {
  kind: DifferenceKind;
  /** Index into the parts of the agreement. */
  part: number;
  /** Index into its bars. */
  bar: number;
  /** Of the first side; of the second for what is extra. */
  key: number;
  /** Of the second side, for another pitch. */
  otherKey?: number;
  /** Struck on a drum: its key is no pitch. */
  drum?: true;
  /** How much later it begins, or how much longer it is. */
  milliseconds: Milliseconds;
  /** Played notes concerned. */
  played: readonly number[];
  /** Why it is so, and who answers for that; none where nobody does. */
  why?: string;
  by?: Answer;
}

export interface PartAgreement {
  /** Of the first side, or of the second where only that has it. */
  id: string;
  names: [a: string | null, b: string | null];
  /** Of both sides. */
  notes: [a: number, b: number];
  same: number;
  differing: Record<DifferenceKind, number>;
  /** Of those, what somebody decided, and what the conversion does within its allowance. */
  decided: Record<DifferenceKind, number>;
  converted: Record<DifferenceKind, number>;
}

export interface BarAgreement {
  /** As printed. */
  number: number;
  /** How much later the second side's notes begin, typically; null where no note is. */
  drift: Milliseconds | null;
}

export interface Agreement {
  /** The first side's clock against the second's; what it takes out is not counted as a difference. */
  fit: TimeFit;
  parts: PartAgreement[];
  bars: BarAgreement[];
  /** By part, then by bar of the first side: the worst that is there. */
  map: Cell[][];
  /** In order of bar and part; undecided ones first come first. */
  differences: Difference[];
  /** How far apart pairs begin: half of them less than this, and the most. */
  typical: Milliseconds;
  largest: Milliseconds;
  words: string;
}

/** 0: no note; 1: the same; 2: differs, explained; 3: differs, unexplained. */
export type Cell = 0 | 1 | 2 | 3;
