import { say } from '../../words';
import type { NoteId, PartId } from '../../base';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** Struck twice in one place, in one part or several. */
export interface Merged extends Doubt<'merged'> {
  part: PartId;
  parts: PartId[];
  played: NoteId[];
}

export const merged = queryKind<Merged>({
  kind: 'merged',
  effect: 'rhythm',
  station: 'rhythm',
  remedies: (query) => {
    const once = itIsRight(query, say('queries.keepOneNote'));
    const finer = query.parts.map((part) => ({
      kind: 'setGrid' as const,
      part,
      smallest: '32nd' as const,
      triplets: true,
    }));
    return [
      once,
      {
        label: say('queries.allowThirtySecondNotesInThisPart', { parts: query.parts.length }),
        like: say('queries.allowThirtySeconds'),
        decision: finer[0]!,
        also: [...finer.slice(1), once.decision],
      },
    ];
  },
});
