/* The parcel: one zip of everything that was made, a sheet of contents, and the sums to check it by. */
import { strToU8, zipSync, type Zippable } from 'fflate';
import { sha256 } from '../base';
import type { Delivered } from './deliver';

export const CONTENTS = 'Contents.txt';
export const SUMS = 'SHA256SUMS.txt';

/** The sums as the usual command-line tools check them: hash, two spaces, path. */
export async function sumsOf(files: readonly Pick<Delivered, 'path' | 'bytes'>[]): Promise<string> {
  const lines = await Promise.all(files.map(async ({ path, bytes }) => `${await sha256(bytes)}  ${path}`));
  return `${lines.join('\n')}\n`;
}

export interface ContentsOf {
  title: string;
  recipe: string;
  /** ISO date. */
  date: string;
  /** What the preview says, sentence by sentence. */
  words: readonly string[];
  /** What is still open, in sentences. */
  open: readonly string[];
  files: readonly Delivered[];
}

/** Plain text for whoever opens the parcel. */
export function contentsSheet({ title, recipe, date, words, open, files }: ContentsOf): string {
  const longest = Math.max(...files.map(({ path }) => path.length), 0);
  const lines = files.map(
    ({ path, bytes, words: what }) => `  ${path.padEnd(longest)}  ${String(bytes.length).padStart(10)} bytes  ${what}`,
  );
  return [
    title,
    '='.repeat(Math.min(title.length, 72)),
    '',
    `Made on ${date} by the recipe “${recipe}”.`,
    ...words,
    '',
    'What is in it',
    ...lines,
    '',
    open.length === 0 ? 'No open queries.' : 'Still open:',
    ...open.map((one) => `  - ${one}`),
    '',
    `${SUMS} has the SHA-256 sum of every file.`,
    '',
  ].join('\n');
}

/** Sound and compressed scores do not shrink by packing. */
const PACKED = /\.(?:wav|mxl|pdf|zip)$/i;

/** @param date ISO date the entries bear */
export function packParcel(files: readonly Pick<Delivered, 'path' | 'bytes'>[], date: string): Uint8Array {
  const mtime = `${date}T12:00:00`;
  const entries: Zippable = {};
  for (const { path, bytes } of files) entries[path] = [bytes, { mtime, level: PACKED.test(path) ? 0 : 6 }];
  return zipSync(entries);
}

/** The files with their contents sheet and sums beside them. */
export async function withContents(of: ContentsOf): Promise<Delivered[]> {
  const contents: Delivered = {
    path: CONTENTS,
    bytes: strToU8(contentsSheet(of)),
    bars: null,
    words: 'What is in the parcel',
  };
  const files = [...of.files, contents];
  const sums: Delivered = { path: SUMS, bytes: strToU8(await sumsOf(files)), bars: null, words: 'SHA-256 sums' };
  return [contents, sums, ...of.files];
}
