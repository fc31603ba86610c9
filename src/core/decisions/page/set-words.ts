import { say } from '../../words';
import { Equals, IsInt, IsString, Matches, MaxLength, Min } from 'class-validator';
import type { PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { A_NOTE } from '../roles';
import { marked } from '../edited';
import { PART } from '../validators';

/** Words above the staff where a note begins, instead of what stands there; empty: none. */
export class SetWords {
  @Equals('setWords') kind!: 'setWords';
  @Matches(PART) part!: PartId;
  @IsInt() @Min(0) note!: number;
  @IsString() @MaxLength(200) words!: string;
}

export const setWords = decisionKind({
  kind: 'setWords',
  points: A_NOTE,
  dto: SetWords,
  apply: (settings, { part, note, words }) => marked(settings, part, [{ kind: 'words', note, words: words.trim() }]),
  describe: ({ part, words }, nameOf) =>
    `${nameOf(part)}: ${words.trim() === '' ? say('decisions.wordsRemoved') : say('decisions.wordsWritten', { words: words.trim() })}`,
});
