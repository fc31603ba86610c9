import type { Part, Score } from './score';

/** Whether a part reads another signature from one of the score's keys on: another part's doubling is no change of its own. */
export function changesSignature(
  { keys }: Pick<Score, 'keys'>,
  { writtenKeys }: Pick<Part, 'writtenKeys'>,
  k: number,
): boolean {
  return k === 0 || writtenKeys[k] !== writtenKeys[k - 1] || keys[k]!.mode !== keys[k - 1]!.mode;
}
