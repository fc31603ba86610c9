import { say } from '../../words';
import { ArrayMaxSize, ArrayNotEmpty, Equals, IsArray, IsBoolean, IsInt, Matches, Min } from 'class-validator';
import type { NoteId, PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { SOME_NOTES } from '../roles';
import { edited } from '../edited';
import { PART } from '../validators';
import {} from '../words';

/** Notes are grace notes of what follows them, or notes of their own again. */
export class SetGrace {
  @Equals('setGrace') kind!: 'setGrace';
  @Matches(PART) part!: PartId;
  @IsArray() @ArrayNotEmpty() @ArrayMaxSize(500_000) @IsInt({ each: true }) @Min(0, { each: true }) notes!: NoteId[];
  @IsBoolean() on!: boolean;
}

export const setGrace = decisionKind({
  kind: 'setGrace',
  points: SOME_NOTES,
  dto: SetGrace,
  apply: (settings, { part, notes, on }) =>
    edited(
      settings,
      part,
      notes.map((note) => ({ kind: 'grace', note, on })),
    ),
  describe: ({ part, notes, on }, nameOf) =>
    say('decisions.graceNotesSet', { part: nameOf(part), notes: notes.length, on }),
});
