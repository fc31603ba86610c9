import { say } from '../../words';
import type { NoteId, PartId } from '../../base';
import type { WrittenUnits } from '../../time';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** What the audit found: the rest can only be looked at. */
export interface AuditDoubt extends Doubt<'audit'> {
  part: PartId;
  played: NoteId[];
  facts:
    | { cause: 'missing' | 'repitched' | 'trills' }
    | { cause: 'displaced'; moves: { note: NoteId; by: WrittenUnits }[] };
}

export const audit = queryKind<AuditDoubt>({
  kind: 'audit',
  effect: 'pitch',
  station: 'rhythm',
  remedies: (query) => {
    const { part, facts } = query;
    if (facts.cause === 'trills')
      return [
        itIsRight(query, say('queries.keepTheTrills')),
        { label: say('queries.writeEveryNote'), decision: { kind: 'setOrnaments', part, on: false } },
      ];
    if (facts.cause === 'displaced')
      return [
        {
          label: say('queries.moveBackToTheFilesPositions'),
          decision: { kind: 'moveNotes', part, moves: facts.moves },
        },
      ];
    return [itIsRight(query, say('queries.markAsReviewed'))];
  },
});
