import { say } from '../../words';
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
    const right = itIsRight(
      query,
      facts.bars.length === 1 ? say('queries.keepTheTriplet') : say('queries.keepTheTriplets'),
    );
    const plain = { kind: 'setGrid', part, smallest: facts.smallest, triplets: false } as const;
    const [first, ...also] = facts.bars.map((bar) => ({ ...plain, bars: { from: bar, to: bar + 1 } }));
    return [
      {
        label:
          facts.bars.length === 1
            ? say('queries.writePlainValuesInThisBar')
            : say('queries.writePlainValuesInTheseBarsBars', { bars: facts.bars.length }),
        like: say('queries.plainValuesThere'),
        decision: first!,
        also: [...also, right.decision],
      },
      { label: say('queries.allowNoTripletsInThisPart'), decision: plain, also: [right.decision] },
      { ...right, like: say('queries.theyAreTriplets') },
    ];
  },
});
