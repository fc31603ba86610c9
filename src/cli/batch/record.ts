/* What was made of a file is written down beside the output: what is done and unchanged need not be done again. */
import { createHash } from 'node:crypto';
import { mkdirSync, readFileSync, renameSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

/** Of one file of a batch. */
export interface Outcome {
  name: string;
  /** Done now, or before and unchanged since; failed with a sentence. */
  state: 'done' | 'unchanged' | 'failed';
  why?: string;
  parts: number;
  bars: number;
  notes: number;
  /** Open queries. */
  open: number;
  /** The score against the original, in a sentence. */
  agreement: string;
  /** What receivers would stumble over. */
  findings: string[];
  files: { path: string; size: number }[];
  seconds: number;
}

/** @param seconds it took to find out */
export function failed(name: string, why: string, seconds: number): Outcome {
  const nothing = { parts: 0, bars: 0, notes: 0, open: 0, agreement: '', findings: [], files: [] };
  return { name, state: 'failed', why, ...nothing, seconds: Math.round(seconds * 1000) / 1000 };
}

interface Kept {
  /** What it was made of and by: original, recipe, house list, version of the program. */
  key: string;
  outcome: Outcome;
}

const FOLDER = '.dragoman';

const fileOf = (output: string, name: string) =>
  join(output, FOLDER, `${createHash('sha256').update(name).digest('hex').slice(0, 32)}.json`);

/** What was made of the file, where everything is as it was; null otherwise. */
export function keptOutcome(output: string, name: string, key: string): Outcome | null {
  try {
    // Written by ourselves, and only after everything else of the file was.
    // oxlint-disable-next-line typescript/no-unsafe-type-assertion
    const { key: of, outcome } = JSON.parse(readFileSync(fileOf(output, name), 'utf8')) as Kept;
    const there = outcome.files.every(({ path, size }) => statSync(join(output, path)).size === size);
    return of === key && there ? { ...outcome, state: 'unchanged', seconds: 0 } : null;
  } catch {
    return null;
  }
}

/** Files that this batch has made of it before, whatever it was then. */
export function filesMade(output: string, name: string): ReadonlySet<string> {
  try {
    // oxlint-disable-next-line typescript/no-unsafe-type-assertion -- written by ourselves
    const { outcome } = JSON.parse(readFileSync(fileOf(output, name), 'utf8')) as Kept;
    return new Set(outcome.files.map(({ path }) => path));
  } catch {
    return new Set();
  }
}

export function keepOutcome(output: string, key: string, outcome: Outcome): void {
  writeWhole(fileOf(output, outcome.name), JSON.stringify({ key, outcome } satisfies Kept));
}

/** Beside it first, then in its place: a process that is stopped leaves no half of a file. */
export function writeWhole(file: string, content: string | Uint8Array): void {
  mkdirSync(dirname(file), { recursive: true });
  const beside = `${file}.${process.pid}.part`;
  writeFileSync(beside, content);
  renameSync(beside, file);
}
