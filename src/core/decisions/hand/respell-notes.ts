import { say } from '../../words';
import { ArrayMaxSize, ArrayNotEmpty, Equals, IsArray, IsIn, IsInt, Matches, Min } from 'class-validator';
import type { PartId, NoteId } from '../../base';
import { decisionKind } from '../decision-kind';
import { SOME_NOTES } from '../roles';
import { listed } from '../records';
import { PART } from '../validators';

/** Single notes take their next name towards sharps or flats. */
export class RespellNotes {
  @Equals('respellNotes') kind!: 'respellNotes';
  @Matches(PART) part!: PartId;
  @IsArray() @ArrayNotEmpty() @ArrayMaxSize(10_000) @IsInt({ each: true }) @Min(0, { each: true }) notes!: NoteId[];
  @IsIn(['sharps', 'flats']) prefer!: 'sharps' | 'flats';
}

export const respellNotes = decisionKind({
  kind: 'respellNotes',
  points: SOME_NOTES,
  dto: RespellNotes,
  apply: (settings, made) => ({
    ...settings,
    spellings: listed(settings.spellings, { kind: 'notes', part: made.part, notes: made.notes, prefer: made.prefer }),
  }),
  describe: (made, nameOf) =>
    say('decisions.nameOfANoteRespelledWithPrefer', {
      nameOf: nameOf(made.part),
      notes: made.notes.length,
      prefer: made.prefer,
    }),
});
