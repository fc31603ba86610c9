import type { PartId } from '../../base';
import type { SmallestValue } from '../../settings';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** A triplet that plain values fit nearly as well. */
export interface Tuplet extends Doubt<'tuplet'> {
  part: PartId;
  bar: number;
  facts: {
    /** The usual smallest value of the part. */
    smallest: SmallestValue;
  };
}

export const tuplet = queryKind<Tuplet>({
  kind: 'tuplet',
  remedies: (query) => {
    const { part, bar, facts } = query;
    const plain = { kind: 'setGrid', part, smallest: facts.smallest, triplets: false } as const;
    return [
      { label: 'Plain values in this bar', decision: { ...plain, bars: { from: bar, to: bar + 1 } } },
      { label: 'No triplets in this part', decision: plain },
      itIsRight(query, 'It is a triplet'),
    ];
  },
});
