import { say } from '../../words';
import { ArrayMaxSize, ArrayNotEmpty, Equals, IsArray, IsInt, Matches, Max, Min } from 'class-validator';
import type { NoteId, PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { SOME_NOTES } from '../roles';
import { edited } from '../edited';
import { PART } from '../validators';

/** Notes stand in a voice of their staff. */
export class SetVoiceOf {
  @Equals('setVoiceOf') kind!: 'setVoiceOf';
  @Matches(PART) part!: PartId;
  @IsArray() @ArrayNotEmpty() @ArrayMaxSize(500_000) @IsInt({ each: true }) @Min(0, { each: true }) notes!: NoteId[];
  /** From 1. */
  @IsInt() @Min(1) @Max(4) voice!: number;
}

export const setVoiceOf = decisionKind({
  kind: 'setVoiceOf',
  points: SOME_NOTES,
  dto: SetVoiceOf,
  apply: (settings, { part, notes, voice }) =>
    edited(
      settings,
      part,
      notes.map((note) => ({ kind: 'voice', note, voice })),
    ),
  describe: ({ part, notes, voice }, nameOf) =>
    say('decisions.nameOfANoteInVoiceVoice', { nameOf: nameOf(part), notes: notes.length, voice }),
});
