/* What files are called that leave the house. */
import { say } from '../words';
import { fileNameOf } from '../documents';

/** What a pattern can say, each with an example for people. */
export const PLACEHOLDERS = {
  get cue() {
    return say('dispatchCore.theNameOfTheJob');
  },
  get title() {
    return say('dispatchCore.theTitleOfThePiece');
  },
  get part() {
    return say('dispatchCore.whatTheFileHoldsAPartScoreStudio');
  },
  get number() {
    return say('dispatchCore.itsNumberAmongItsKindFrom01');
  },
  get version() {
    return say('dispatchCore.whichDispatchOfTheJobThisIs');
  },
  get date() {
    return say('dispatchCore.theDayAs20260331');
  },
} as const;

export type NameFields = Record<keyof typeof PLACEHOLDERS, string>;

const PLACE = /\{(\w*)\}/g;

/** What is wrong with a pattern, in a sentence; null where nothing is. */
export function patternFault(pattern: string): string | null {
  const known = Object.keys(PLACEHOLDERS);
  const strange = [...pattern.matchAll(PLACE)].find(([, name]) => !known.includes(name!));
  if (strange)
    return say('dispatchCore.strangeSaysNothingANameCanHave', {
      strange: strange[0],
      known: known.map((name) => `{${name}}`).join(', '),
    });
  if (pattern.replace(PLACE, '').includes('{') || pattern.replace(PLACE, '').includes('}'))
    return say('dispatchCore.aBraceIsOpenAPlaceholderIsWritten');
  return pattern.trim() === '' ? say('dispatchCore.filesNeedAName') : null;
}

/** A name every file system takes, without extension; what is empty leaves no gap. */
export function nameBy(pattern: string, fields: NameFields): string {
  const said = pattern.replace(
    PLACE,
    (_, name: string) => Object.entries(fields).find(([key]) => key === name)?.[1] ?? '',
  );
  return fileNameOf(said.replace(/\s+/g, ' ').replace(/^[\s\-–,]+|[\s\-–,]+$/g, ''));
}

/** Paths that are given out: no two are the same, on file systems that do not tell capitals apart either. */
export class Paths {
  private readonly taken = new Set<string>();

  /** @param extension with its dot; none for a folder @returns the path with its extension, numbered where it is taken already */
  take(wished: string, extension = ''): string {
    for (let n = 1; ; n++) {
      const path = `${n === 1 ? wished : `${wished} (${n})`}${extension}`;
      const key = path.normalize('NFC').toLowerCase();
      if (this.taken.has(key)) continue;
      this.taken.add(key);
      return path;
    }
  }
}
