import type { NoteId, PartId } from '../../base';
import { otherGrid } from './other-grid';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** Struck twice in one place. */
export interface Merged extends Doubt<'merged'> {
  part: PartId;
  played: NoteId[];
}

export const merged = queryKind<Merged>({
  kind: 'merged',
  remedies: (query) => [
    itIsRight(query, 'Once is right'),
    otherGrid(query, 'Allow thirty-second notes in this part', '32nd', true),
  ],
});
