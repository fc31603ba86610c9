import type { NoteId, PartId } from '../../base';
import type { WrittenUnits } from '../../time';
import { queryKind, type Doubt, type Remedy } from '../query-kind';

/** Notes one step beside those they move with. */
export interface OneStep extends Doubt<'one-step'> {
  part: PartId;
  played: NoteId[];
  facts: {
    by: WrittenUnits;
    /** Name of the part it goes with. */
    as: string;
    /** Moves of all such places of the part, where there are several. */
    all: { note: NoteId; by: WrittenUnits }[] | null;
  };
}

export const oneStep = queryKind<OneStep>({
  kind: 'one-step',
  remedies: ({ part, played, facts: { by, as, all } }) => {
    const moves = played.map((note) => ({ note, by }));
    const one: Remedy = { label: `As in ${as}`, decision: { kind: 'moveNotes', part, moves } };
    return all
      ? [one, { label: 'All like this in the part', decision: { kind: 'moveNotes', part, moves: all } }]
      : [one];
  },
});
