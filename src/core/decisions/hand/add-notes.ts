import { say } from '../../words';
import { ArrayMaxSize, ArrayNotEmpty, Equals, Matches } from 'class-validator';
import type { PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { ADDED_NOTES } from '../roles';
import { edited } from '../edited';
import { AddedNoteDto } from '../shapes/added-note';
import { AreShapes, PART } from '../validators';

/** Notes that nobody played. */
export class AddNotes {
  @Equals('addNotes') kind!: 'addNotes';
  @Matches(PART) part!: PartId;
  @ArrayNotEmpty() @ArrayMaxSize(500_000) @AreShapes(AddedNoteDto) notes!: AddedNoteDto[];
}

export const addNotes = decisionKind({
  kind: 'addNotes',
  points: { part: 'id', notes: ADDED_NOTES },
  dto: AddNotes,
  apply: (settings, { part, notes }) =>
    edited(
      settings,
      part,
      notes.map((note) => ({ kind: 'add', ...note })),
    ),
  describe: ({ part, notes }, nameOf) =>
    say('decisions.nameOfANoteAdded', { nameOf: nameOf(part), notes: notes.length }),
});
