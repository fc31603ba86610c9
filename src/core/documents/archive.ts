import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { jobErrors } from './errors';
import type { Ledger } from './ledger';
import { JOB_FORMAT, JOB_VERSION, LONGEST_JOB_NAME, parseJob, type Direction, type JobDto } from './job-file';

/*
 * The job archive: a zip with job.json and the originals, byte for byte, under their SHA-256 (docs/formats.md).
 */

export interface ArchivedJob {
  name: string;
  direction?: Direction;
  originals: { fileName: string; sha256: string; size: number; bytes: Uint8Array }[];
  ledger: Ledger;
}

/** What may come out of an archive at most, whatever its entries claim. */
const MOST_UNPACKED = 300 << 20;

export function packArchive(job: ArchivedJob): Uint8Array {
  const document: JobDto = {
    format: JOB_FORMAT,
    version: JOB_VERSION,
    name: job.name.slice(0, LONGEST_JOB_NAME),
    ...(job.direction && { direction: job.direction }),
    originals: job.originals.map(({ fileName, sha256, size }) => ({ fileName, sha256, size })),
    ledger: { decisions: [...job.ledger.decisions], position: job.ledger.position },
  };
  const mtime = '2000-01-01T12:00:00';
  const entries = Object.fromEntries(
    job.originals.map(({ sha256, bytes }) => [
      entryName(sha256),
      [bytes, { mtime }] as [Uint8Array, { mtime: string }],
    ]),
  );
  return zipSync({ 'job.json': [strToU8(JSON.stringify(document, null, 2)), { mtime }], ...entries });
}

/**
 * Opens an archive and checks all of it: the job by its rules, each original by its hash.
 *
 * @param sha256 hash of bytes as lower-case hexadecimal @param most bytes it may unpack to
 * @throws JobError with one sentence; nothing of a bad archive is returned
 */
export async function unpackArchive(
  bytes: Uint8Array,
  fileName: string,
  sha256: (bytes: Uint8Array) => Promise<string>,
  most = MOST_UNPACKED,
): Promise<ArchivedJob> {
  const entries = unzip(bytes, fileName, most);
  const text = entries['job.json'];
  if (!text) throw jobErrors.notArchive(fileName);
  const job = parseJob(strFromU8(text), fileName);
  const originals: ArchivedJob['originals'] = [];
  for (const original of job.originals) {
    const content = entries[entryName(original.sha256)];
    if (!content) throw jobErrors.noOriginal(original.sha256);
    if (content.length !== original.size || (await sha256(content)) !== original.sha256)
      throw jobErrors.changedOriginal(original.fileName);
    originals.push({ ...original, bytes: content });
  }
  if (originals.length === 0) throw jobErrors.invalid('it has no original');
  return { name: job.name, ...(job.direction && { direction: job.direction }), originals, ledger: job.ledger };
}

function entryName(sha256: string): string {
  return `originals/${sha256}`;
}

/** Only the entries an archive can have, and only while they stay within bounds. */
function unzip(bytes: Uint8Array, fileName: string, most: number): Record<string, Uint8Array> {
  let total = 0;
  let tooLarge = false;
  try {
    const entries = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (name !== 'job.json' && !/^originals\/[0-9a-f]{64}$/.test(name)) return false;
        total += originalSize;
        if (total > most) tooLarge = true;
        return !tooLarge;
      },
    });
    if (tooLarge) throw jobErrors.tooLarge(fileName, most);
    return entries;
  } catch (error) {
    if ((error as Error).name === 'JobError') throw error;
    throw jobErrors.notArchive(fileName);
  }
}
