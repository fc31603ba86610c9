import { say } from '../words';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { jobErrors } from './errors';
import type { Ledger } from './ledger';
import {
  JOB_FORMAT,
  JOB_VERSION,
  LONGEST_JOB_NAME,
  parseJob,
  type Direction,
  type JobDto,
  type OriginalDto,
} from './job-file';

/*
 * The job archive: a zip with job.json and the originals, byte for byte, under their SHA-256 (docs/formats.md).
 */

export interface ArchivedOriginal {
  fileName: string;
  sha256: string;
  size: number;
  bytes: Uint8Array;
}

/** A version of the originals that stands beside the one that is worked on. */
export interface ArchivedVersion {
  originals: ArchivedOriginal[];
  ledger: Ledger;
  /** Milliseconds since 1970 at which it came; none for the first. */
  at?: number;
}

export interface ArchivedJob {
  name: string;
  direction?: Direction;
  originals: ArchivedOriginal[];
  ledger: Ledger;
  /** Milliseconds since 1970 at which this version came; none for the first. */
  versionAt?: number;
  versions?: ArchivedVersion[];
}

/** What may come out of an archive at most, whatever its entries claim. */
const MOST_UNPACKED = 300 << 20;

export function packArchive(job: ArchivedJob): Uint8Array {
  const document: JobDto = {
    format: JOB_FORMAT,
    version: JOB_VERSION,
    name: job.name.slice(0, LONGEST_JOB_NAME),
    ...(job.direction && { direction: job.direction }),
    ...contentOf(job),
    ...(job.versionAt !== undefined && { versionAt: job.versionAt }),
    ...(job.versions && {
      versions: job.versions.map((one) => ({ ...contentOf(one), ...(one.at !== undefined && { at: one.at }) })),
    }),
  };
  const mtime = '2000-01-01T12:00:00';
  const all = [job, ...(job.versions ?? [])].flatMap(({ originals }) => originals);
  const entries = Object.fromEntries(
    all.map(({ sha256, bytes }) => [entryName(sha256), [bytes, { mtime }] as [Uint8Array, { mtime: string }]]),
  );
  return zipSync({ 'job.json': [strToU8(JSON.stringify(document, null, 2)), { mtime }], ...entries });
}

function contentOf({ originals, ledger }: Pick<ArchivedJob, 'originals' | 'ledger'>) {
  return {
    originals: originals.map(({ fileName, sha256, size }) => ({ fileName, sha256, size })),
    ledger: { decisions: [...ledger.decisions], position: ledger.position },
  };
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
  const originals = await unpacked(job.originals);
  const versions: ArchivedVersion[] = [];
  for (const { originals: kept, ledger, at } of job.versions ?? [])
    versions.push({ originals: await unpacked(kept), ledger, ...(at !== undefined && { at }) });
  return {
    name: job.name,
    ...(job.direction && { direction: job.direction }),
    originals,
    ledger: job.ledger,
    ...(job.versionAt !== undefined && { versionAt: job.versionAt }),
    ...(versions.length > 0 && { versions }),
  };

  async function unpacked(wanted: readonly OriginalDto[]): Promise<ArchivedOriginal[]> {
    if (wanted.length === 0) throw jobErrors.invalid(say('documents.itHasNoOriginal'));
    const found: ArchivedOriginal[] = [];
    for (const original of wanted) {
      const content = entries[entryName(original.sha256)];
      if (!content) throw jobErrors.noOriginal(original.sha256);
      if (content.length !== original.size || (await sha256(content)) !== original.sha256)
        throw jobErrors.changedOriginal(original.fileName);
      found.push({ ...original, bytes: content });
    }
    return found;
  }
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
