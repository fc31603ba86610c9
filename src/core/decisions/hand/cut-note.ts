import { say } from '../../words';
import { Equals, IsInt, Matches, Min } from 'class-validator';
import type { PartId, NoteId } from '../../base';
import { decisionKind } from '../decision-kind';
import { edited } from '../edited';
import { PART } from '../validators';

/** A note is struck again at a place inside it. */
export class CutNote {
  @Equals('cutNote') kind!: 'cutNote';
  @Matches(PART) part!: PartId;
  @IsInt() @Min(0) note!: NoteId;
  @IsInt() @Min(0) at!: number;
}

export const cutNote = decisionKind({
  kind: 'cutNote',
  points: { part: 'id', note: 'note', at: 'place' },
  dto: CutNote,
  apply: (settings, made) => edited(settings, made.part, [{ kind: 'cut', note: made.note, at: made.at }]),
  describe: (made, nameOf) => say('decisions.nameOfANoteSplit', { nameOf: nameOf(made.part) }),
});
