import { say } from '../../words';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** A received score without keys, all black keys with sharps. */
export type ReceivedSpelling = Doubt<'received-spelling'>;

export const receivedSpelling = queryKind<ReceivedSpelling>({
  kind: 'received-spelling',
  effect: 'look',
  station: 'page',
  remedies: (query) => [
    { label: say('queries.respellAndFindKeys'), decision: { kind: 'writeAnew', aspect: 'spelling', part: null } },
    itIsRight(query, say('queries.keepTheSharps')),
  ],
});
