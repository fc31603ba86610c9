import { say } from '../../words';
import type { PartId } from '../../base';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** Drums of a received score that are not written as drums. */
export interface ReceivedPercussion extends Doubt<'received-percussion'> {
  part: PartId;
}

export const receivedPercussion = queryKind<ReceivedPercussion>({
  kind: 'received-percussion',
  effect: 'pitch',
  station: 'page',
  remedies: (query) => [
    { label: say('queries.writeAsDrums'), decision: { kind: 'writeAnew', aspect: 'percussion', part: query.part } },
    itIsRight(query, say('queries.keepAsItIs')),
  ],
});
