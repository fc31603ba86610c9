import { fileNameOf } from '@/core/documents';
import { archiveOf } from './jobs';
import { database } from './schema';

/*
 * Copies of jobs in a folder of the user's: what the browser may clear is then still there, as archives that open
 * anywhere. Each job has one file, written anew when the job has changed; nothing in the folder is ever deleted.
 */

/** What of a folder's handle is used, so that tests can give one of their own. */
export interface Folder {
  readonly name: string;
  getFileHandle(name: string, options: { create: true }): Promise<{ createWritable(): Promise<WritableFile> }>;
}

interface WritableFile {
  write(bytes: Uint8Array<ArrayBuffer>): Promise<void>;
  close(): Promise<void>;
}

/** The standard's handle; browsers that have it let it be stored. */
export interface FolderHandle extends Folder {
  queryPermission?(mode: { mode: 'readwrite' }): Promise<PermissionState>;
  requestPermission?(mode: { mode: 'readwrite' }): Promise<PermissionState>;
}

/** Two jobs of one name have different files, and a renamed one gets a new file. */
export function copyName(job: { id: string; name: string }): string {
  return `${fileNameOf(job.name)} ${job.id.slice(0, 8)}.dragoman.zip`;
}

/** Keeps copies in this folder from now on. */
export async function keepCopiesIn(handle: FolderHandle): Promise<void> {
  await database.copies.put({ key: 'folder', handle, copied: {} });
}

export async function keepNoCopies(): Promise<void> {
  await database.copies.delete('folder');
}

/** Whether the browser lets the folder be written to without asking again. */
export async function mayWrite(handle: FolderHandle): Promise<boolean> {
  return !handle.queryPermission || (await handle.queryPermission({ mode: 'readwrite' })) === 'granted';
}

/**
 * Writes the archive of each job that has changed since it was last copied.
 *
 * @param folder where to, when not the one that is kept
 * @returns how many were written
 * @throws whatever the folder refuses with
 */
export async function copyChanged(folder?: Folder): Promise<number> {
  const kept = await database.copies.get('folder');
  if (!kept) return 0;
  const jobs = await database.jobs.toArray();
  let written = 0;
  for (const job of jobs) {
    if (kept.copied[job.id] === job.changedAt) continue;
    const { bytes } = await archiveOf(job.id);
    const file = await (folder ?? kept.handle).getFileHandle(copyName(job), { create: true });
    // The standard writes beside the file and puts it in its place when it is closed.
    const writable = await file.createWritable();
    await writable.write(new Uint8Array(bytes));
    await writable.close();
    written++;
    await database.copies.update('folder', { [`copied.${job.id}`]: job.changedAt });
  }
  return written;
}
