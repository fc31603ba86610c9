import type { Summary } from '../../engine';
import { extractsOf, type ExtractWish } from '../task';

/** In words, for a sentence. */
export const extractsIn = (wish: ExtractWish, summary: Summary) =>
  extractsOf(wish, summary).map(({ kind }) => (kind === 'lead-sheet' ? 'a lead sheet' : 'a piano reduction'));
