import { say } from '../../words';
import { ArrayMaxSize, ArrayMinSize, Equals, IsArray, IsInt, Matches, Min } from 'class-validator';
import type { PartId, NoteId } from '../../base';
import { decisionKind } from '../decision-kind';
import { SOME_NOTES } from '../roles';
import { edited } from '../edited';
import { PART } from '../validators';

/** Notes one after the other become one, the first. */
export class JoinNotes {
  @Equals('joinNotes') kind!: 'joinNotes';
  @Matches(PART) part!: PartId;
  @IsArray() @ArrayMinSize(2) @ArrayMaxSize(1000) @IsInt({ each: true }) @Min(0, { each: true }) notes!: NoteId[];
}

export const joinNotes = decisionKind({
  kind: 'joinNotes',
  points: SOME_NOTES,
  dto: JoinNotes,
  apply: (settings, made) =>
    edited(
      settings,
      made.part,
      made.notes.slice(1).map((other) => ({ kind: 'join', note: made.notes[0]!, with: other })),
    ),
  describe: (made, nameOf) =>
    say('decisions.nameOfNotesNotesMerged', { nameOf: nameOf(made.part), notes: made.notes.length }),
});
