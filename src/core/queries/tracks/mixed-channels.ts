import { say } from '../../words';
import type { PartId, TrackId } from '../../base';
import { queryKind, type Doubt } from '../query-kind';

/** A track that plays on several channels. */
export interface MixedChannels extends Doubt<'mixed-channels'> {
  track: TrackId;
  part: PartId;
}

export const mixedChannels = queryKind<MixedChannels>({
  kind: 'mixed-channels',
  effect: 'pitch',
  station: 'intake',
  remedies: ({ track }) => [{ label: say('queries.splitByChannel'), decision: { kind: 'splitTrack', track } }],
});
