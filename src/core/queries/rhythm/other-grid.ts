import type { PartId, QueryId } from '../../base';
import type { SmallestValue } from '../../settings';
import { itIsRight, type Remedy } from '../query-kind';

/** Another grid for the part. What lies beside that one too was looked at and is settled. */
export function otherGrid(
  query: { id: QueryId; part: PartId },
  label: string,
  smallest: SmallestValue,
  triplets: boolean,
): Remedy {
  return {
    label,
    decision: { kind: 'setGrid', part: query.part, smallest, triplets },
    also: [itIsRight(query, label).decision],
  };
}
