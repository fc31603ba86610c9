import { say } from '../../words';
import { ArrayMaxSize, ArrayNotEmpty, Equals, Matches } from 'class-validator';
import type { PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { ADDED_NOTES } from '../roles';
import { edited } from '../edited';
import { AddedNoteDto } from '../shapes/added-note';
import { AreShapes, PART } from '../validators';

/** Notes of a part are written in another one. */
export class GiveNotes {
  @Equals('giveNotes') kind!: 'giveNotes';
  @Matches(PART) part!: PartId;
  @Matches(PART) to!: PartId;
  /** As they stand in the part that gives them. */
  @ArrayNotEmpty() @ArrayMaxSize(500_000) @AreShapes(AddedNoteDto) notes!: AddedNoteDto[];
}

export const giveNotes = decisionKind({
  kind: 'giveNotes',
  points: { part: 'id', to: 'id', notes: ADDED_NOTES },
  dto: GiveNotes,
  apply: (settings, { part, to, notes }) =>
    edited(
      edited(
        settings,
        part,
        notes.map(({ note }) => ({ kind: 'remove', note })),
      ),
      to,
      notes.map((note) => ({ kind: 'add', ...note })),
    ),
  describe: ({ part, to, notes }, nameOf) =>
    say('decisions.nameOfANoteMovedToNameOf2', { nameOf: nameOf(part), notes: notes.length, nameOf2: nameOf(to) }),
});
