import { say } from '../../words';
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
    { label: say('queries.writeRepeatSigns'), decision: { kind: 'setBarRepeats', part: query.part, on: true } },
    itIsRight(query, say('queries.writeOut')),
  ],
});
