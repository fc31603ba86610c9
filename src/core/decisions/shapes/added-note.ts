import { IsInt, Max, Min } from 'class-validator';
import type { NoteId } from '../../base';
import type { AddedNote } from '../../settings';
import type { MidiKey, WrittenUnits } from '../../time';

const LATEST = 2 ** 40;

/** A note put into a part, with its written times. */
export class AddedNoteDto implements AddedNote {
  @IsInt() @Min(0) note!: NoteId;
  @IsInt() @Min(0) @Max(LATEST) start!: WrittenUnits;
  @IsInt() @Min(1) @Max(LATEST) end!: WrittenUnits;
  @IsInt() @Min(0) @Max(127) key!: MidiKey;
  @IsInt() @Min(1) @Max(127) velocity!: number;
}
