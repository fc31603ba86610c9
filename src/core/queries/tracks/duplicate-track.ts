import type { PartId, TrackId } from '../../base';
import { queryKind, type Doubt } from '../query-kind';

/** A track that plays what another one plays. */
export interface DuplicateTrack extends Doubt<'duplicate-track'> {
  track: TrackId;
  part: PartId;
}

export const duplicateTrack = queryKind<DuplicateTrack>({
  kind: 'duplicate-track',
  effect: 'pitch',
  remedies: ({ track }) => [{ label: 'Leave it out', decision: { kind: 'leaveOut', tracks: [track] } }],
});
