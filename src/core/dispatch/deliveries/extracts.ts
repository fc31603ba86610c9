import type { Summary } from '../../engine';
import type { ScoreWish } from '../../documents';
import { EXTRACTS, type Extract, type ExtractKind } from '../../extracts';

type ExtractWish = Pick<ScoreWish, 'leadSheet' | 'reduction'>;

/** The extracts that are wanted; none of music without pitches. */
export function extractsOf({ leadSheet, reduction }: ExtractWish, { parts }: Summary): Extract[] {
  if (parts.every(({ unpitched }) => unpitched)) return [];
  const wanted: Record<ExtractKind, boolean | undefined> = { 'lead-sheet': leadSheet, 'piano-reduction': reduction };
  return EXTRACTS.filter(({ kind }) => wanted[kind]);
}

/** In words, for a sentence. */
export const extractsIn = (wish: ExtractWish, summary: Summary) =>
  extractsOf(wish, summary).map(({ kind }) => (kind === 'lead-sheet' ? 'a lead sheet' : 'a piano reduction'));
