import type { Semitones } from '../time';
import type { Part } from './score';

export interface PartTransposition {
  /** Written minus sounding. */
  transposition: Semitones;
  /** The same in diatonic steps. */
  transpositionSteps: number;
}

/** What a part reads in a bar: a doubling player changes it. @param bar index */
export function transpositionAt(
  part: Pick<Part, 'transposition' | 'transpositionSteps' | 'transpositionChanges'>,
  bar: number,
): PartTransposition {
  return part.transpositionChanges?.findLast((change) => change.bar <= bar) ?? part;
}
