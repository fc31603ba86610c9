import type { PartId } from '../../base';
import type { SmallestValue } from '../../settings';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** Triplets that plain values fit nearly as well. */
export interface Tuplet extends Doubt<'tuplet'> {
  part: PartId;
  facts: {
    /** The usual smallest value of the part. */
    smallest: SmallestValue;
    /** Indexes of the bars they are in. */
    bars: number[];
  };
}

export const tuplet = queryKind<Tuplet>({
  kind: 'tuplet',
  effect: 'rhythm',
  station: 'rhythm',
  remedies: (query) => {
    const { part, facts } = query;
    const right = itIsRight(query, facts.bars.length === 1 ? 'Keep the triplet' : 'Keep the triplets');
    const plain = { kind: 'setGrid', part, smallest: facts.smallest, triplets: false } as const;
    const [first, ...also] = facts.bars.map((bar) => ({ ...plain, bars: { from: bar, to: bar + 1 } }));
    return [
      {
        label:
          facts.bars.length === 1
            ? 'Write plain values in this bar'
            : `Write plain values in these ${facts.bars.length} bars`,
        like: 'plain values there',
        decision: first!,
        also: [...also, right.decision],
      },
      { label: 'Allow no triplets in this part', decision: plain, also: [right.decision] },
      { ...right, like: 'they are triplets' },
    ];
  },
});
