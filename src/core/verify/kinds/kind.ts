/* A kind of claim: what is found in delivered files, and how it is said. */

export interface ParcelFile {
  path: string;
  bytes: Uint8Array;
}

export type Facts = Readonly<Record<string, string | number | boolean | readonly string[] | null>>;

export interface Found {
  about: string[];
  facts: Facts;
}

export interface ClaimKind {
  /** Everything of this kind that the files say. A file that cannot be read says nothing: its claim fails. */
  find: (files: readonly ParcelFile[]) => Found[];
  says: (facts: Facts, about: readonly string[]) => string;
}

/** A fact that is a list. */
export const listIn = (fact: Facts[string] | undefined): string[] => (Array.isArray(fact) ? fact.map(String) : []);

export const nameOf = (path: string | undefined) => path?.split('/').pop() ?? '';

export const isMidi = ({ path }: ParcelFile) => /\.mid$/i.test(path) && !isOriginal(path);
export const isScore = ({ path }: ParcelFile) => /\.(?:musicxml|mxl)$/i.test(path) && !isOriginal(path);
const isOriginal = (path: string) => /(?:^|\/)Originals\//.test(path);

/** Files of one cue lie under one folder. */
export const cueOf = (path: string) => path.split('/').slice(0, -2).join('/');
export const inFolder = (folder: string) => (file: ParcelFile) => file.path.split('/').at(-2) === folder;

/** Null where the file cannot be read so. */
export function attempt<T>(read: () => T): T | null {
  try {
    return read();
  } catch {
    return null;
  }
}
