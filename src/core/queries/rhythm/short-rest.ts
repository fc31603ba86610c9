import type { PartId } from '../../base';
import { queryKind, type Doubt } from '../query-kind';

/** Splinters of rests. */
export interface ShortRest extends Doubt<'short-rest'> {
  part: PartId;
}

export const shortRest = queryKind<ShortRest>({
  kind: 'short-rest',
  remedies: ({ part }) => [
    { label: 'Close gaps up to a sixteenth', decision: { kind: 'setGaps', part, upTo: '16th' } },
  ],
});
