import { say } from '../../words';
import type { PartId } from '../../base';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** Splinters of rests in one part or several. */
export interface ShortRest extends Doubt<'short-rest'> {
  part: PartId;
  parts: PartId[];
}

export const shortRest = queryKind<ShortRest>({
  kind: 'short-rest',
  effect: 'look',
  station: 'rhythm',
  remedies: (query) => {
    const meant = itIsRight(query, say('queries.keepTheRests'));
    const [first, ...also] = query.parts.map((part) => ({ kind: 'setGaps' as const, part, upTo: '16th' as const }));
    return [
      { label: say('queries.closeGapsUpToASixteenth'), decision: first!, also: [...also, meant.decision] },
      meant,
    ];
  },
});
