import { say } from '../../words';
import type { PartId, TrackId } from '../../base';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** Percussion of many instruments on one staff. */
export interface ManySounds extends Doubt<'many-sounds'> {
  part: PartId;
  track: TrackId;
}

export const manySounds = queryKind<ManySounds>({
  kind: 'many-sounds',
  effect: 'look',
  station: 'page',
  remedies: (query) => [
    { label: say('queries.writeALineForEach'), decision: { kind: 'splitTrack', track: query.track, by: 'sounds' } },
    itIsRight(query, say('queries.oneStaff')),
  ],
});
