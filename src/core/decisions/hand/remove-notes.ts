import { say } from '../../words';
import { ArrayMaxSize, ArrayNotEmpty, Equals, IsArray, IsInt, Matches, Min } from 'class-validator';
import type { NoteId, PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { SOME_NOTES } from '../roles';
import { edited } from '../edited';
import { PART } from '../validators';

/** Notes are not written. */
export class RemoveNotes {
  @Equals('removeNotes') kind!: 'removeNotes';
  @Matches(PART) part!: PartId;
  @IsArray() @ArrayNotEmpty() @ArrayMaxSize(500_000) @IsInt({ each: true }) @Min(0, { each: true }) notes!: NoteId[];
}

export const removeNotes = decisionKind({
  kind: 'removeNotes',
  points: SOME_NOTES,
  dto: RemoveNotes,
  apply: (settings, { part, notes }) =>
    edited(
      settings,
      part,
      notes.map((note) => ({ kind: 'remove', note })),
    ),
  describe: ({ part, notes }, nameOf) =>
    say('decisions.nameOfANoteDeleted', { nameOf: nameOf(part), notes: notes.length }),
});
