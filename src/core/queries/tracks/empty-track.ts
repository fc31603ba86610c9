import type { TrackId } from '../../base';
import { queryKind, type Doubt } from '../query-kind';

/** A track without a note. */
export interface EmptyTrack extends Doubt<'empty-track'> {
  track: TrackId;
}

export const emptyTrack = queryKind<EmptyTrack>({
  kind: 'empty-track',
  remedies: ({ track }) => [{ label: 'Leave it out', decision: { kind: 'leaveOut', tracks: [track] } }],
});
