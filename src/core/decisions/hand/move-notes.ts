import { say } from '../../words';
import { ArrayMaxSize, ArrayNotEmpty, Equals, IsInt, Matches, Min } from 'class-validator';
import type { PartId, NoteId } from '../../base';
import { decisionKind } from '../decision-kind';
import { edited } from '../edited';
import { PART, AreShapes } from '../validators';

export class NoteMove {
  @IsInt() @Min(0) note!: NoteId;
  /** Written units. */
  @IsInt() by!: number;
}

export class MoveNotes {
  @Equals('moveNotes') kind!: 'moveNotes';
  @Matches(PART) part!: PartId;
  @ArrayNotEmpty()
  @ArrayMaxSize(10_000)
  @AreShapes(NoteMove)
  moves!: NoteMove[];
}

export const moveNotes = decisionKind({
  kind: 'moveNotes',
  points: { part: 'id', moves: { note: 'note' } },
  dto: MoveNotes,
  apply: (settings, made) =>
    edited(
      settings,
      made.part,
      made.moves.map(({ note, by }) => ({ kind: 'move', note, by })),
    ),
  describe: (made, nameOf) =>
    say('decisions.nameOfANoteMoved', { nameOf: nameOf(made.part), moves: made.moves.length }),
});
