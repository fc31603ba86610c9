import type { WrittenUnits } from '../../time';
import { queryKind, type Doubt } from '../query-kind';

/** The tempo changes by degrees, and no word on the page says so. */
export interface TempoBends extends Doubt<'tempo-bends'> {
  facts: {
    from: WrittenUnits;
    words: 'rit.' | 'accel.';
    /** Where the tempo before is taken up again; null where it is not. */
    back: WrittenUnits | null;
  };
}

export const tempoBends = queryKind<TempoBends>({
  kind: 'tempo-bends',
  remedies: ({ facts: { from, words, back } }) => [
    {
      label: back === null ? words : `${words}, then a tempo`,
      decision: { kind: 'sayTempo', at: from, words },
      also: back === null ? [] : [{ kind: 'sayTempo', at: back, words: 'a tempo' }],
    },
  ],
});
