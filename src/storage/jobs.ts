import { say } from '@/core/words';
import { liveQuery, type Table } from 'dexie';
import { sha256 } from '@/core/base';
import { guarded, StorageError } from './guarded';
import { database, type Direction, type JobRecord, type SentRecord } from './schema';
import {
  EMPTY_LEDGER,
  fileNameOf,
  LONGEST_JOB_NAME,
  packArchive,
  unpackArchive,
  type ArchivedJob,
  type Ledger,
  type Recipe,
} from '@/core/documents';

export interface ReceivedFile {
  fileName: string;
  bytes: Uint8Array;
}

/** A name as archives can carry it. */
const shortened = (name: string) => name.slice(0, LONGEST_JOB_NAME).toWellFormed();

/** Keeps the file and makes a job of it, both or neither. @throws StorageError when the browser's storage is full */
export async function createJob(
  file: ReceivedFile,
  options: { demo?: boolean; name?: string; direction?: Direction } = {},
): Promise<JobRecord> {
  const hash = await sha256(file.bytes);
  const now = Date.now();
  const job: JobRecord = {
    id: crypto.randomUUID(),
    name: shortened(options.name ?? file.fileName.replace(/\.(midi?|smf|kar|rmi|musicxml|mxl|xml)$/i, '')),
    createdAt: now,
    changedAt: now,
    originals: [{ sha256: hash, fileName: file.fileName, size: file.bytes.length }],
    ledger: EMPTY_LEDGER,
    openQueries: null,
    ...(options.demo && { demo: true }),
    ...(options.direction && { direction: options.direction }),
  };
  await guarded(() =>
    database.transaction('rw', database.jobs, database.originals, async () => {
      await database.originals.put({ sha256: hash, bytes: file.bytes });
      await database.jobs.add(job);
    }),
  );
  return job;
}

export async function originalBytes(hash: string): Promise<Uint8Array> {
  const original = await database.originals.get(hash);
  if (!original) throw new StorageError(say('storage.theOriginalOfThisJobIsNoLongerIn'));
  return original.bytes;
}

/**
 * Changes the ledger as it is stored, which another window may have changed since it was read: nothing of either is
 * lost. The change and what it rests on are one transaction.
 *
 * @returns the ledger as it is stored now
 * @throws StorageError when the job is gone or the storage is full; nothing was changed then
 */
export async function changeLedger(id: string, change: (stored: Ledger) => Ledger): Promise<Ledger> {
  return guarded(() =>
    database.transaction('rw', database.jobs, async () => {
      const job = await database.jobs.get(id);
      if (!job) throw new StorageError(say('storage.thisJobWasDeletedInAnotherWindow'));
      const ledger = change(job.ledger);
      await database.jobs.update(id, { ledger, changedAt: Date.now() });
      return ledger;
    }),
  );
}

/** Tells of every change to a job, also in other windows. @returns ends the telling */
export function watchJob(id: string, onChange: (job: JobRecord | undefined) => void): () => void {
  const subscription = liveQuery(() => database.jobs.get(id)).subscribe(onChange);
  return () => subscription.unsubscribe();
}

export async function saveOpenQueries(id: string, openQueries: number): Promise<void> {
  await guarded(() => database.jobs.update(id, { openQueries }));
}

export async function saveDirection(id: string, direction: Direction): Promise<void> {
  await guarded(() => database.jobs.update(id, { direction, changedAt: Date.now() }));
}

export async function renameJob(id: string, name: string): Promise<void> {
  await guarded(() => database.jobs.update(id, { name: shortened(name), changedAt: Date.now() }));
}

/**
 * A page of the list of jobs, the last changed first. Cues are listed with their shows; a search finds them too.
 *
 * @param search words in the names of jobs and originals; empty for all @param from how many come before
 * @returns the page, and how many there are in all
 */
export async function jobsListed({ search, from, most }: { search: string; from: number; most: number }) {
  const words = search.trim().toLowerCase();
  const inList = ({ name, originals, show }: JobRecord) =>
    words === ''
      ? show === undefined
      : `${name} ${originals.map(({ fileName }) => fileName).join(' ')}`.toLowerCase().includes(words);
  const cues = await database.jobs.where('show').above('').count();
  // Without cues and words every job is on the list: the browser skips and counts by itself.
  if (words === '' && cues === 0) {
    const jobs = await database.jobs.orderBy('changedAt').reverse().offset(from).limit(most).toArray();
    return { jobs, all: await database.jobs.count() };
  }
  // Read at once: a cursor over ten thousand records takes longer.
  const found = (await database.jobs.orderBy('changedAt').toArray()).filter(inList).reverse();
  return { jobs: found.slice(from, from + most), all: found.length };
}

/** So many dispatches of a job are remembered. */
const MOST_SENT = 50;

/** Remembers that a job left the house. */
export async function rememberSent(id: string, sent: Omit<SentRecord, 'at'>): Promise<void> {
  await guarded(() =>
    database.transaction('rw', database.jobs, async () => {
      const before = (await database.jobs.get(id))?.sent ?? [];
      await database.jobs.update(id, { sent: [...before, { ...sent, at: Date.now() }].slice(-MOST_SENT) });
    }),
  );
}

/** A recipe as it is for one job; null takes it as the house has it. */
export async function saveJobRecipe(id: string, name: string, recipe: Recipe | null): Promise<void> {
  await guarded(() =>
    database.transaction('rw', database.jobs, async () => {
      const others = ((await database.jobs.get(id))?.recipes ?? []).filter((one) => one.name !== name);
      await database.jobs.update(id, { recipes: recipe ? [...others, recipe] : others });
    }),
  );
}

/** Which dispatch the next one is, from 1. */
export function nextVersion({ sent = [] }: Pick<JobRecord, 'sent'>): number {
  return sent.reduce((most, { version }) => Math.max(most, version), 0) + 1;
}

/** Takes the job off the list; its originals stay until the next start, so that it can be brought back. */
export async function deleteJob(id: string): Promise<JobRecord | undefined> {
  const job = await database.jobs.get(id);
  await database.jobs.delete(id);
  return job;
}

export async function restoreJob(job: JobRecord): Promise<void> {
  await guarded(() => database.jobs.put(job));
}

/** So long an original is kept that no job holds: a deleted job can be brought back with it, in any window. */
const KEPT_UNUSED_MS = 24 * 60 * 60 * 1000;

/** Lets go of originals and recordings that no job has held for a day. Called when the application starts. @param now milliseconds */
export async function clearUnusedOriginals(now = Date.now()): Promise<void> {
  await database.transaction('rw', database.jobs, database.originals, async () => {
    const held = new Set(
      (await database.jobs.toArray()).flatMap(({ originals, versions = [] }) =>
        [originals, ...versions.map((version) => version.originals)].flat().map((original) => original.sha256),
      ),
    );
    for (const hash of await database.originals.toCollection().primaryKeys()) {
      const { unusedSince } = (await database.originals.get(hash))!;
      await release(database.originals, hash, { held: held.has(hash), unusedSince, now });
    }
  });
  await database.transaction('rw', database.jobs, database.references, async () => {
    const jobs = new Set(await database.jobs.toCollection().primaryKeys());
    for (const job of await database.references.toCollection().primaryKeys()) {
      const { unusedSince } = (await database.references.get(job))!;
      await release(database.references, job, { held: jobs.has(job), unusedSince, now });
    }
  });
}

/** Notes since when a record is not held, and deletes it after a day. */
async function release(
  table: Table<{ unusedSince?: number }, string>,
  key: string,
  { held, unusedSince, now }: { held: boolean; unusedSince: number | undefined; now: number },
): Promise<void> {
  if (held) {
    if (unusedSince !== undefined) await table.update(key, { unusedSince: undefined });
  } else if (unusedSince === undefined) await table.update(key, { unusedSince: now });
  else if (now - unusedSince > KEPT_UNUSED_MS) await table.delete(key);
}

/** Adds a further original to a job. */
export async function addOriginal(id: string, file: ReceivedFile): Promise<void> {
  const hash = await sha256(file.bytes);
  await guarded(() =>
    database.transaction('rw', database.jobs, database.originals, async () => {
      const job = await database.jobs.get(id);
      if (!job) throw new StorageError(say('storage.thisJobIsNoLongerInThisBrowser'));
      await database.originals.put({ sha256: hash, bytes: file.bytes });
      await database.jobs.update(id, {
        originals: [...job.originals, { sha256: hash, fileName: file.fileName, size: file.bytes.length }],
        changedAt: Date.now(),
      });
    }),
  );
}

/** A second job with the same originals and decisions. */
export async function duplicateJob(id: string): Promise<JobRecord> {
  const job = await database.jobs.get(id);
  if (!job) throw new StorageError(say('storage.thisJobIsNoLongerInThisBrowser'));
  const now = Date.now();
  const copy: JobRecord = {
    ...job,
    id: crypto.randomUUID(),
    name: say('storage.copyOf', { name: job.name }),
    createdAt: now,
    changedAt: now,
  };
  delete copy.demo;
  await guarded(() => database.jobs.add(copy));
  return copy;
}

/** The job's archive: a zip with its decisions and originals. */
export async function archiveOf(id: string): Promise<{ bytes: Uint8Array; fileName: string }> {
  const job = await database.jobs.get(id);
  if (!job) throw new StorageError(say('storage.thisJobIsNoLongerInThisBrowser'));
  return archiveWith(job, job.ledger);
}

/** The archive of a job with decisions that may not be stored yet. */
export async function archiveWith(
  job: Pick<JobRecord, 'name' | 'originals' | 'direction' | 'versions' | 'versionAt'>,
  ledger: Ledger,
): Promise<{ bytes: Uint8Array; fileName: string }> {
  const { name, direction, versionAt } = job;
  const withBytes = (kept: JobRecord['originals']) =>
    Promise.all(kept.map(async (original) => ({ ...original, bytes: await originalBytes(original.sha256) })));
  const versions = await Promise.all(
    (job.versions ?? []).map(async (one) => ({ ...one, originals: await withBytes(one.originals) })),
  );
  const archived: ArchivedJob = {
    name,
    ...(direction && { direction }),
    originals: await withBytes(job.originals),
    ledger,
    ...(versionAt !== undefined && { versionAt }),
    ...(versions.length > 0 && { versions }),
  };
  return {
    bytes: packArchive(archived),
    fileName: `${fileNameOf(name)}.dragoman.zip`,
  };
}

/** Makes a job of an archive; nothing is stored when anything in it is wrong. @throws JobError, StorageError */
export async function importArchive(file: ReceivedFile): Promise<JobRecord> {
  const archived = await unpackArchive(file.bytes, file.fileName, sha256);
  const now = Date.now();
  const job: JobRecord = {
    id: crypto.randomUUID(),
    name: archived.name,
    createdAt: now,
    changedAt: now,
    originals: refsOf(archived.originals),
    ledger: archived.ledger,
    ...(archived.direction && { direction: archived.direction }),
    ...(archived.versionAt !== undefined && { versionAt: archived.versionAt }),
    ...(archived.versions && {
      versions: archived.versions.map((one) => ({ ...one, originals: refsOf(one.originals) })),
    }),
    openQueries: null,
    // It comes with its own answers.
    housed: true,
  };
  await guarded(() =>
    database.transaction('rw', database.jobs, database.originals, async () => {
      const all = [archived, ...(archived.versions ?? [])].flatMap(({ originals }) => originals);
      await database.originals.bulkPut(all.map(({ sha256: hash, bytes }) => ({ sha256: hash, bytes })));
      await database.jobs.add(job);
    }),
  );
  return job;
}

function refsOf(originals: ArchivedJob['originals']): JobRecord['originals'] {
  return originals.map(({ sha256: hash, fileName, size }) => ({ sha256: hash, fileName, size }));
}
