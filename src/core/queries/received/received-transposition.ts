import { say } from '../../words';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** A received score at concert pitch, with transposing instruments. */
export type ReceivedTransposition = Doubt<'received-transposition'>;

export const receivedTransposition = queryKind<ReceivedTransposition>({
  kind: 'received-transposition',
  effect: 'piece',
  station: 'page',
  remedies: (query) => [
    {
      label: say('queries.transposeForThePlayers'),
      decision: { kind: 'writeAnew', aspect: 'transposition', part: null },
    },
    itIsRight(query, say('queries.keepConcertPitch')),
  ],
});
