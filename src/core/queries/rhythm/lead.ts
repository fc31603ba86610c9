import { say } from '../../words';
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
    {
      label: say('queries.removeMillisecondsMs', { milliseconds }),
      decision: { kind: 'setLead', track, milliseconds },
    },
    { label: say('queries.keepAsPlayed'), decision: { kind: 'setLead', track, milliseconds: 0 } },
  ],
});
