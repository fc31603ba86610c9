import { say } from '../../words';
import { ArrayMaxSize, ArrayNotEmpty, Equals, IsArray, IsInt, Matches, Max, Min } from 'class-validator';
import type { PartId, NoteId } from '../../base';
import { decisionKind } from '../decision-kind';
import { SOME_NOTES } from '../roles';
import { edited } from '../edited';
import { PART } from '../validators';

/** Notes sound some semitones higher: octaves, as a rule. */
export class ShiftNotes {
  @Equals('shiftNotes') kind!: 'shiftNotes';
  @Matches(PART) part!: PartId;
  @IsArray() @ArrayNotEmpty() @ArrayMaxSize(500_000) @IsInt({ each: true }) @Min(0, { each: true }) notes!: NoteId[];
  @IsInt() @Min(-60) @Max(60) semitones!: number;
}

export const shiftNotes = decisionKind({
  kind: 'shiftNotes',
  points: SOME_NOTES,
  dto: ShiftNotes,
  apply: (settings, { part, notes, semitones }) =>
    edited(
      settings,
      part,
      notes.map((note) => ({ kind: 'shift', note, by: semitones })),
    ),
  describe: (made, nameOf) => {
    const octaves =
      Math.abs(made.semitones) % 12 === 0
        ? say('decisions.aOctave', { semitones: Math.abs(made.semitones) / 12 }).replace(/^a o/, 'an o')
        : say('decisions.aSemitone', { semitones: Math.abs(made.semitones) });
    return `${nameOf(made.part)}: ${say('decisions.aNote', { notes: made.notes.length })} ${octaves} ${made.semitones > 0 ? say('decisions.higher') : say('decisions.lower')}`;
  },
});
