import { say } from '../../words';
import type { NoteId, PartId } from '../../base';
import type { WrittenUnits } from '../../time';
import { itIsRight, queryKind, type Doubt, type Remedy } from '../query-kind';

interface Move {
  note: NoteId;
  by: WrittenUnits;
}

/** Notes one step beside those they move with. */
export interface OneStep extends Doubt<'one-step'> {
  part: PartId;
  played: NoteId[];
  facts: {
    /** Names of the part and of the one it goes with. */
    name: string;
    as: string;
    /** To where the other has its notes. */
    moves: Move[];
    /** The other way round, where the other part's notes may as well be in the wrong place. */
    back: { part: PartId; moves: Move[] } | null;
  };
}

export const oneStep = queryKind<OneStep>({
  kind: 'one-step',
  effect: 'rhythm',
  station: 'rhythm',
  remedies: (query) => {
    const { part, facts } = query;
    const { name, as, moves, back } = facts;
    const right = itIsRight(query, say('queries.writeAsEachPlaysIt'));
    const to = (whose: string, of: PartId, by: Move[]): Remedy => ({
      label: say('queries.writeAsInWhose', { whose }),
      like: say('queries.asInTheOtherPart'),
      decision: { kind: 'moveNotes', part: of, moves: by },
      also: [right.decision],
    });
    return [
      to(as, part, moves),
      ...(back ? [{ ...to(name, back.part, back.moves), like: say('queries.asInThisPart') }] : []),
      right,
    ];
  },
});
