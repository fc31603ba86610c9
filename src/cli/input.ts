import { readFileSync } from 'node:fs';
import { parseJob, type Ledger } from '../core/documents';
import { checkFile } from '../core/engine';
import { BadInput } from './errors';
import { say } from '../core/words';

const REASONS: Record<string, 'cli.fileMissing' | 'cli.isFolder' | 'cli.mayNotRead'> = {
  ENOENT: 'cli.fileMissing',
  EISDIR: 'cli.isFolder',
  EACCES: 'cli.mayNotRead',
};

/** @throws BadInput when the file cannot be read from disk */
export function readFile(fileName: string): Uint8Array {
  try {
    return new Uint8Array(readFileSync(fileName));
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    const known = REASONS[code ?? ''];
    throw new BadInput(say('cli.notRead', { file: fileName, reason: known ? say(known) : (error as Error).message }));
  }
}

/** The originals of one job. @throws BadInput naming the file that cannot be used */
export function readOriginals(fileNames: readonly string[]): Uint8Array[] {
  return fileNames.map((fileName) => {
    const bytes = readFile(fileName);
    // Read by itself first, so that a fault is told with its file.
    if (fileNames.length > 1) named(fileName, () => checkFile(bytes, fileName));
    return bytes;
  });
}

/** What `read` gives. @throws BadInput naming the file, in front of what the reader says */
export function named<T>(fileName: string, read: () => T): T {
  try {
    return read();
  } catch (error) {
    const { name, message } = error as Error;
    if (['SmfError', 'MusicXmlError', 'ExtractError'].includes(name)) throw new BadInput(`${fileName}: ${message}`);
    throw error;
  }
}

/** The ledger of a job file. @throws JobError or BadInput with one sentence */
export function jobLedger(fileName: string): Ledger {
  return parseJob(new TextDecoder().decode(readFile(fileName)), fileName).ledger;
}
