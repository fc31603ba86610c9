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
    const once = itIsRight(query, 'Keep one note');
    const finer = query.parts.map((part) => ({
      kind: 'setGrid' as const,
      part,
      smallest: '32nd' as const,
      triplets: true,
    }));
    return [
      once,
      {
        label: `Allow thirty-second notes in ${query.parts.length === 1 ? 'this part' : 'these parts'}`,
        like: 'allow thirty-seconds',
        decision: finer[0]!,
        also: [...finer.slice(1), once.decision],
      },
    ];
  },
});
