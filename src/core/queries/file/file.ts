import { say } from '../../words';
import type { TrackId } from '../../base';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** Something odd in the file itself: there is nothing to decide. */
export interface File extends Doubt<'file'> {
  track?: TrackId;
}

export const file = queryKind<File>({
  kind: 'file',
  effect: 'known',
  station: 'intake',
  remedies: (query) => [itIsRight(query, say('queries.seen'))],
});
