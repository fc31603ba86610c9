import type { PartId, TrackId } from '../../base';
import type { Milliseconds } from '../../time';
import { queryKind, type Doubt } from '../query-kind';

/** A track that may have been played ahead of the beat, or behind it. */
export interface Lead extends Doubt<'lead'> {
  track: TrackId;
  part: PartId;
  facts: { milliseconds: Milliseconds };
}

export const lead = queryKind<Lead>({
  kind: 'lead',
  effect: 'rhythm',
  station: 'rhythm',
  remedies: ({ track, facts: { milliseconds } }) => [
    { label: `Remove ${milliseconds} ms`, decision: { kind: 'setLead', track, milliseconds } },
    { label: 'Keep as played', decision: { kind: 'setLead', track, milliseconds: 0 } },
  ],
});
