import { say } from '../../words';
import { ArrayMaxSize, ArrayNotEmpty, Equals, IsInt, Matches, Max, Min } from 'class-validator';
import type { NoteId, PartId } from '../../base';
import type { WrittenUnits } from '../../time';
import { decisionKind } from '../decision-kind';
import { edited } from '../edited';
import { AreShapes, PART } from '../validators';

export class NoteEnd {
  @IsInt() @Min(0) note!: NoteId;
  @IsInt() @Min(1) @Max(2 ** 40) at!: WrittenUnits;
}

/** Notes are written up to a place: longer or shorter than they were. */
export class SetEnds {
  @Equals('setEnds') kind!: 'setEnds';
  @Matches(PART) part!: PartId;
  @ArrayNotEmpty() @ArrayMaxSize(500_000) @AreShapes(NoteEnd) ends!: NoteEnd[];
}

export const setEnds = decisionKind({
  kind: 'setEnds',
  points: { part: 'id', ends: { note: 'note', at: 'placeEnd' } },
  dto: SetEnds,
  apply: (settings, { part, ends }) =>
    edited(
      settings,
      part,
      ends.map(({ note, at }) => ({ kind: 'end', note, at })),
    ),
  describe: ({ part, ends }, nameOf) =>
    say('decisions.nameOfANoteOfAnotherLength', { nameOf: nameOf(part), ends: ends.length }),
});
