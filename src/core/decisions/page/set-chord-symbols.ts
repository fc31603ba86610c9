import { say } from '../../words';
import { Equals, IsIn, Matches, ValidateIf } from 'class-validator';
import type { PartId } from '../../base';
import { MARK_USES, type MarkUse } from '../../settings';
import { decisionKind } from '../decision-kind';
import { PART } from '../validators';

/** Chord symbols found in the notes: whether they are shown, what they are read from, over which part they stand. */
export class SetChordSymbols {
  @Equals('setChordSymbols') kind!: 'setChordSymbols';
  @IsIn(MARK_USES) use!: MarkUse;
  /** Null: the notes of all parts. */
  @ValidateIf((one: SetChordSymbols) => one.from !== null) @Matches(PART) from!: PartId | null;
  /** Null: the top part. */
  @ValidateIf((one: SetChordSymbols) => one.over !== null) @Matches(PART) over!: PartId | null;
}

const USE_WORDS: Record<MarkUse, string> = {
  get off() {
    return say('decisions.noChordSymbols');
  },
  get suggest() {
    return say('decisions.chordSymbolsSuggested');
  },
  get on() {
    return say('decisions.chordSymbolsIncluded');
  },
};

export const setChordSymbols = decisionKind({
  kind: 'setChordSymbols',
  points: { from: 'id', over: 'id' },
  dto: SetChordSymbols,
  apply: (settings, { use, from, over }) => ({ ...settings, chordSymbols: { use, from, over } }),
  describe: ({ use, from, over }, nameOf) =>
    use === 'off'
      ? USE_WORDS.off
      : say('decisions.useWordsFromFromOverOver', {
          useWords: USE_WORDS[use],
          from: from === null ? say('decisions.allParts2') : nameOf(from),
          over: over === null ? say('decisions.theTopPart') : nameOf(over),
        }),
});
