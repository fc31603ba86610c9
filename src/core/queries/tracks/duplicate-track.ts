import { say } from '../../words';
import type { PartId, TrackId } from '../../base';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** A track that plays what another one plays. */
export interface DuplicateTrack extends Doubt<'duplicate-track'> {
  track: TrackId;
  part: PartId;
  facts: {
    /** Players of different instruments: they are in unison, and nobody is there to thicken the sound. */
    unison: boolean;
  };
}

export const duplicateTrack = queryKind<DuplicateTrack>({
  kind: 'duplicate-track',
  effect: 'pitch',
  station: 'intake',
  remedies(query) {
    const { track, facts } = query;
    const out = { kind: 'leaveOut' as const, tracks: [track] };
    const both = { ...itIsRight(query, say('queries.keepBoth')), like: 'keep-both' };
    if (!facts.unison) return [{ label: say('queries.leaveItOut'), decision: out }, both];
    return [both, { label: say('queries.leaveItOut'), decision: out, like: 'leave-out-a-player', lastResort: true }];
  },
});
