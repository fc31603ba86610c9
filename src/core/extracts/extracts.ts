/* Parts that nobody plays in the score, made out of it: they stand beside the players' parts and go out like them. */
import { say, withinASentence } from '../words';
import type { Language } from '../instruments';
import { partId, type PartId } from '../base';
import type { Score } from '../score';
import type { ExtractSettings } from '../settings';
import { leadSheet, melodyOf } from './lead-sheet';
import { pianoReduction } from './piano-reduction';

export type ExtractKind = 'lead-sheet' | 'piano-reduction';

export interface Extract {
  /** As a part's, so that it is shown and sent as one. */
  id: PartId;
  kind: ExtractKind;
  name: string;
}

export const EXTRACTS: readonly Extract[] = [
  {
    id: partId('lead-sheet'),
    kind: 'lead-sheet',
    get name() {
      return say('extracts.leadSheet');
    },
  },
  {
    id: partId('piano-reduction'),
    kind: 'piano-reduction',
    get name() {
      return say('extracts.pianoReduction');
    },
  },
];

export class ExtractError extends Error {
  override readonly name = 'ExtractError';
}

/** As the other parts are named; common practice, no source. */
const PRINTED: Readonly<Record<ExtractKind, Readonly<Record<Language, string>>>> = {
  'lead-sheet': { en: 'Lead sheet', de: 'Leadsheet', it: 'Lead sheet', fr: 'Lead sheet', es: 'Lead sheet' },
  'piano-reduction': {
    en: 'Piano reduction',
    de: 'Klavierauszug',
    it: 'Riduzione per pianoforte',
    fr: 'Réduction pour piano',
    es: 'Reducción para piano',
  },
};

/**
 * A score of that one part.
 *
 * @param language of the names of parts
 * @throws ExtractError with one sentence when there is nothing to make it of
 */
export function extractOf(
  score: Score,
  extract: Extract,
  { melody, reduced }: ExtractSettings,
  language: Language = 'en',
): Score {
  const { id } = extract;
  if (score.parts.every(({ unpitched }) => unpitched))
    throw new ExtractError(
      say('extracts.noPartHasPitchesThereIsNothingTo', { extract: withinASentence(extract.name) }),
    );
  const named = (made: Score): Score => ({
    ...made,
    parts: made.parts.map((part) => ({ ...part, name: PRINTED[extract.kind][language], abbreviation: '' })),
  });
  if (extract.kind === 'piano-reduction') return named(pianoReduction(score, known(score, reduced), id));
  const tune = score.parts.some((part) => part.id === melody && !part.unpitched) ? melody : melodyOf(score);
  return named(leadSheet(score, tune!, id));
}

/** Chosen parts that are still there and have pitches; all where none is. */
function known(score: Score, parts: readonly PartId[] | null): readonly PartId[] | null {
  const there = parts?.filter((id) => score.parts.some((part) => part.id === id && !part.unpitched)) ?? [];
  return there.length > 0 ? there : null;
}
