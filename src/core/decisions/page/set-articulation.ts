import { say } from '../../words';
import { ArrayMaxSize, ArrayNotEmpty, Equals, IsArray, IsBoolean, IsIn, IsInt, Matches, Min } from 'class-validator';
import type { PartId, NoteId } from '../../base';
import { ARTICULATIONS, type Articulation } from '../../score';
import { decisionKind } from '../decision-kind';
import { SOME_NOTES } from '../roles';
import { marked } from '../edited';
import { PART } from '../validators';

export class SetArticulation {
  @Equals('setArticulation') kind!: 'setArticulation';
  @Matches(PART) part!: PartId;
  @IsArray() @ArrayNotEmpty() @ArrayMaxSize(10_000) @IsInt({ each: true }) @Min(0, { each: true }) notes!: NoteId[];
  @IsIn(ARTICULATIONS) articulation!: Articulation;
  @IsBoolean() on!: boolean;
}

export const setArticulation = decisionKind({
  kind: 'setArticulation',
  points: SOME_NOTES,
  dto: SetArticulation,
  apply: (settings, { part, notes, articulation, on }) =>
    marked(
      settings,
      part,
      notes.map((note) => ({ kind: 'articulation', note, articulation, on })),
    ),
  describe: (made, nameOf) =>
    `${nameOf(made.part)}: ${made.articulation} ${made.on ? say('decisions.on') : say('decisions.off')} ${say('decisions.aNote', { notes: made.notes.length })}`,
});
