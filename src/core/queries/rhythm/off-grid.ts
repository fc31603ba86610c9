import type { NoteId, PartId } from '../../base';
import { otherGrid } from './other-grid';
import { queryKind, type Doubt } from '../query-kind';

/** A note far from the place it is written on. */
export interface OffGrid extends Doubt<'off-grid'> {
  part: PartId;
  played: NoteId[];
}

export const offGrid = queryKind<OffGrid>({
  kind: 'off-grid',
  remedies: (query) => [
    otherGrid(query, 'Allow thirty-second notes in this part', '32nd', true),
    otherGrid(query, 'Allow sixteenth notes and triplets', '16th', true),
    otherGrid(query, 'Sixteenth notes, no triplets', '16th', false),
  ],
});
