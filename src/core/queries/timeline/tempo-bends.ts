import { say } from '../../words';
import type { Decision } from '../../decisions';
import type { WrittenUnits } from '../../time';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** A place where the tempo changes by degrees. */
export interface Bend {
  from: WrittenUnits;
  words: 'rit.' | 'accel.';
  /** Where the tempo before is taken up again; null where it is not. */
  back: WrittenUnits | null;
}

/** The tempo changes by degrees, here and there, and no word on the page says so. */
export interface TempoBends extends Doubt<'tempo-bends'> {
  facts: { bends: Bend[] };
}

export const tempoBends = queryKind<TempoBends>({
  kind: 'tempo-bends',
  effect: 'look',
  station: 'timeline',
  remedies: (query) => {
    const { bends } = query.facts;
    const [first, ...also] = bends.flatMap(said);
    const without = itIsRight(query, say('queries.writeNothing'));
    const remedy = {
      label: labelFor(bends),
      like: say('queries.sayIt'),
      decision: first!,
      also: [...also, without.decision],
    };
    // Where the tempo never rests, words everywhere would help nobody.
    return bends.length > MOST_WORDS ? [without, remedy] : [remedy, without];
  },
});

const MOST_WORDS = 8;

function said({ from, words, back }: Bend): Decision[] {
  const bend: Decision = { kind: 'sayTempo', at: from, words };
  return back === null ? [bend] : [bend, { kind: 'sayTempo', at: back, words: say('queries.aTempo') }];
}

function labelFor(bends: readonly Bend[]): string {
  const [only] = bends;
  if (bends.length === 1)
    return only!.back === null ? only!.words : say('queries.writeOnlyThenATempo', { only: only!.words });
  return say('queries.writeItInAllBendsPlaces', { bends: bends.length });
}
