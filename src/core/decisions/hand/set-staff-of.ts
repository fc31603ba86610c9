import { say } from '../../words';
import { ArrayMaxSize, ArrayNotEmpty, Equals, IsArray, IsInt, Matches, Max, Min } from 'class-validator';
import type { NoteId, PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { SOME_NOTES } from '../roles';
import { edited } from '../edited';
import { PART } from '../validators';

/** Notes stand on a staff of their part. */
export class SetStaffOf {
  @Equals('setStaffOf') kind!: 'setStaffOf';
  @Matches(PART) part!: PartId;
  @IsArray() @ArrayNotEmpty() @ArrayMaxSize(500_000) @IsInt({ each: true }) @Min(0, { each: true }) notes!: NoteId[];
  /** From 1, the upper one. */
  @IsInt() @Min(1) @Max(2) staff!: number;
}

export const setStaffOf = decisionKind({
  kind: 'setStaffOf',
  points: SOME_NOTES,
  dto: SetStaffOf,
  apply: (settings, { part, notes, staff }) =>
    edited(
      settings,
      part,
      notes.map((note) => ({ kind: 'staff', note, staff })),
    ),
  describe: ({ part, notes, staff }, nameOf) =>
    say('decisions.nameOfANoteOnTheUpperStaff', { nameOf: nameOf(part), notes: notes.length, staff }),
});
