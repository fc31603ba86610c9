/*
 * The parcel: one zip of everything that was made, a sheet of contents, the claims it makes and the sums to check it by. What
 * the sheet says of the files is what was found in them (`core/verify`); anyone can find it again.
 */
import { say } from '../words';
import { strToU8, zipSync, type Zippable } from 'fflate';
import { sha256 } from '../base';
import { CLAIMS, claimsOf, SUMS, writeClaims, type Claim } from '../verify';
import type { Delivered } from './deliver';

export const CONTENTS = 'Contents.txt';

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
export function contentsSheet(
  { title, recipe, date, words, open, files }: ContentsOf,
  claims: readonly Pick<Claim, 'words'>[] = claimsOf(files),
): string {
  const longest = Math.max(...files.map(({ path }) => path.length), 0);
  const lines = files.map(
    ({ path, bytes }) =>
      `  ${path.padEnd(longest)}  ${say('dispatchCore.fileAndBytes', { bytes: String(bytes.length).padStart(10) })}`,
  );
  return [
    title,
    '='.repeat(Math.min(title.length, 72)),
    '',
    say('dispatchCore.madeOnByRecipe', { date, recipe }),
    '',
    say('dispatchCore.whatWasAskedFor'),
    ...words.map((one) => `  ${one}`),
    '',
    say('dispatchCore.whatIsInIt'),
    ...lines,
    '',
    say('dispatchCore.whatWasFound', { claims: CLAIMS }),
    ...claims.map((one) => `  - ${one.words}`),
    '',
    say(open.length === 0 ? 'dispatchCore.noOpenQueries' : 'dispatchCore.stillOpen'),
    ...open.map((one) => `  - ${one}`),
    '',
    say('dispatchCore.sumsOfEveryFile', { sums: SUMS }),
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

/** The files with their contents sheet, claims and sums beside them. */
export async function withContents(of: ContentsOf): Promise<Delivered[]> {
  const claims = claimsOf(of.files);
  const beside = (path: string, text: string, words: string): Delivered => ({
    path,
    bytes: strToU8(text),
    bars: null,
    words,
  });
  const contents = beside(CONTENTS, contentsSheet(of, claims), 'What is in the parcel');
  const made = beside(CLAIMS, writeClaims(claims), 'What was found in the files');
  const sums = beside(SUMS, await sumsOf([...of.files, contents, made]), 'SHA-256 sums');
  return [contents, made, sums, ...of.files];
}
