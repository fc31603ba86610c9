import type { Part, PartTransposition } from './score';

/** What a part reads in a bar: a doubling player changes it. @param bar index */
export function transpositionAt(
  part: Pick<Part, 'transposition' | 'transpositionSteps' | 'transpositionChanges'>,
  bar: number,
): PartTransposition {
  return part.transpositionChanges?.findLast((change) => change.bar <= bar) ?? part;
}

/** Fifths that a part's written names lie above its sounding ones. */
export function fifthsOf({ transposition, transpositionSteps }: PartTransposition): number {
  return 7 * transposition - 12 * transpositionSteps;
}
