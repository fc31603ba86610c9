import { say } from '../../words';
import type { NoteId, PartId } from '../../base';
import type { WrittenUnits } from '../../time';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** The first notes of a part, or after a long rest, just before a beat that others strike. */
export interface EarlyEntry extends Doubt<'early-entry'> {
  part: PartId;
  played: NoteId[];
  facts: { moves: { note: NoteId; by: WrittenUnits }[] };
}

export const earlyEntry = queryKind<EarlyEntry>({
  kind: 'early-entry',
  effect: 'rhythm',
  station: 'rhythm',
  remedies: (query) => {
    const { part, facts } = query;
    const right = itIsRight(query, say('queries.keepAsPlayed'));
    return [
      {
        label: facts.moves.length === 1 ? say('queries.writeItOnTheBeat') : say('queries.writeThemOnTheBeat'),
        like: say('queries.onTheBeat'),
        decision: { kind: 'moveNotes', part, moves: facts.moves },
        also: [right.decision],
      },
      right,
    ];
  },
});
