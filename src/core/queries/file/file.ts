import type { TrackId } from '../../base';
import { queryKind, type Doubt } from '../query-kind';

/** Something odd in the file itself: there is nothing to decide. */
export interface File extends Doubt<'file'> {
  track?: TrackId;
}

export const file = queryKind<File>({
  kind: 'file',
  remedies: () => [],
});
