import type { PartId } from '../../base';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** Percussion that plays one bar over and over. */
export interface BarRepeats extends Doubt<'bar-repeats'> {
  part: PartId;
}

export const barRepeats = queryKind<BarRepeats>({
  kind: 'bar-repeats',
  effect: 'look',
  station: 'page',
  remedies: (query) => [
    { label: 'Write repeat signs', decision: { kind: 'setBarRepeats', part: query.part, on: true } },
    itIsRight(query, 'Write out'),
  ],
});
