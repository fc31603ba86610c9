/* What files are called that leave the house. */
import { fileNameOf } from '../documents';

/** What a pattern can say, each with an example for people. */
export const PLACEHOLDERS = {
  cue: 'the name of the job',
  title: 'the title of the piece',
  part: 'what the file holds: a part, “Score”, “Studio map”',
  number: 'its number among its kind, from 01',
  version: 'which dispatch of the job this is',
  date: 'the day, as 2026-03-31',
} as const;

export type NameFields = Record<keyof typeof PLACEHOLDERS, string>;

const PLACE = /\{(\w*)\}/g;

/** What is wrong with a pattern, in a sentence; null where nothing is. */
export function patternFault(pattern: string): string | null {
  const known = Object.keys(PLACEHOLDERS);
  const strange = [...pattern.matchAll(PLACE)].find(([, name]) => !known.includes(name!));
  if (strange) return `“${strange[0]}” says nothing; a name can have ${known.map((name) => `{${name}}`).join(', ')}.`;
  if (pattern.replace(PLACE, '').includes('{') || pattern.replace(PLACE, '').includes('}'))
    return 'A brace is open; a placeholder is written as {part}.';
  return pattern.trim() === '' ? 'Files need a name.' : null;
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
