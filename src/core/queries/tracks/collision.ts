import { say } from '../../words';
import type { PartId, TrackId } from '../../base';
import { queryKind, type Doubt } from '../query-kind';

/** Two techniques of one player at once. */
export interface Collision extends Doubt<'collision'> {
  track: TrackId;
  part: PartId;
}

export const collision = queryKind<Collision>({
  kind: 'collision',
  effect: 'pitch',
  station: 'casting',
  remedies: ({ track }) => [
    { label: say('queries.makeASeparatePart'), decision: { kind: 'standAlone', tracks: [track] } },
  ],
});
