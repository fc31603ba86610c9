import { say } from '@/core/words';
import { sha256 } from '@/core/base';
import type { Ledger } from '@/core/documents';
import { guarded, StorageError } from './guarded';
import { database, type JobRecord, type VersionRecord } from './schema';
import type { ReceivedFile } from './jobs';

/** Which original is replaced, by what, and the ledger for it. */
interface NewVersion {
  /** Index of the original. */
  original: number;
  file: ReceivedFile;
  ledger: Ledger;
  /** The ledger it was carried over from. */
  of: Ledger;
}

const gone = () => say('storage.thisJobIsNoLongerInThisBrowser');

/**
 * A new version takes the place of an original; the version before stays beside it, with what was decided about it.
 *
 * @throws StorageError when the job is gone, was changed meanwhile, or the storage is full; nothing was changed then
 */
export async function takeVersion(id: string, { original, file, ledger, of }: NewVersion): Promise<void> {
  const hash = await sha256(file.bytes);
  await guarded(() =>
    database.transaction('rw', database.jobs, database.originals, async () => {
      const job = await database.jobs.get(id);
      if (!job) throw new StorageError(gone());
      if (JSON.stringify(job.ledger) !== JSON.stringify(of))
        throw new StorageError(say('storage.somethingWasDecidedInAnotherWindow'));
      await database.originals.put({ sha256: hash, bytes: file.bytes });
      const now = Date.now();
      await database.jobs.update(id, {
        originals: job.originals.with(original, { sha256: hash, fileName: file.fileName, size: file.bytes.length }),
        ledger,
        versions: [...(job.versions ?? []), versionOf(job)],
        versionAt: now,
        changedAt: now,
      });
    }),
  );
}

/**
 * Another version becomes the job's; the one that is left stays beside it.
 *
 * @param version index of it @throws StorageError when there is none
 */
export async function goToVersion(id: string, version: number): Promise<void> {
  await guarded(() =>
    database.transaction('rw', database.jobs, async () => {
      const job = await database.jobs.get(id);
      const there = job?.versions?.[version];
      if (!job || !there) throw new StorageError(gone());
      const others = job.versions!.toSpliced(version, 1, versionOf(job));
      await database.jobs.update(id, {
        originals: there.originals,
        ledger: there.ledger,
        versionAt: there.at,
        versions: others.sort((a, b) => (a.at ?? 0) - (b.at ?? 0)),
        changedAt: Date.now(),
      });
    }),
  );
}

function versionOf({ originals, ledger, versionAt }: JobRecord): VersionRecord {
  return { originals, ledger, ...(versionAt !== undefined && { at: versionAt }) };
}
