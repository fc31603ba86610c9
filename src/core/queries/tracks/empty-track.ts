import { say } from '../../words';
import type { TrackId } from '../../base';
import { queryKind, type Doubt } from '../query-kind';

/** Tracks without a note; `track` is the first of them. */
export interface EmptyTrack extends Doubt<'empty-track'> {
  track: TrackId;
  facts: { tracks: TrackId[] };
}

export const emptyTrack = queryKind<EmptyTrack>({
  kind: 'empty-track',
  effect: 'known',
  station: 'intake',
  remedies: ({ facts: { tracks } }) => [
    {
      label: tracks.length === 1 ? say('queries.leaveItOut') : say('queries.leaveThemOut'),
      decision: { kind: 'leaveOut', tracks },
    },
  ],
});
