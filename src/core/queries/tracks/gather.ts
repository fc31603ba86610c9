import { say } from '../../words';
import type { PartId, TrackId } from '../../base';
import { queryKind, type Doubt } from '../query-kind';

/** Two tracks that may be one part. */
export interface Gather extends Doubt<'gather'> {
  track: TrackId;
  part: PartId;
  facts: { into: TrackId };
}

export const gather = queryKind<Gather>({
  kind: 'gather',
  effect: 'pitch',
  station: 'casting',
  remedies: ({ track, facts: { into } }) => [
    { label: say('queries.combineIntoOnePart'), decision: { kind: 'gather', tracks: [into, track] } },
    { label: say('queries.keepTwoParts'), decision: { kind: 'standAlone', tracks: [track] } },
  ],
});
