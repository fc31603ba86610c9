import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import { line, smfBytes } from '../testing/music';
import { trackId } from '@/core/base';
import { enter } from '@/core/documents';
import { copyChanged, copyName, keepCopiesIn, keepNoCopies, mayWrite, type Folder, type FolderHandle } from './copies';
import { changeLedger, createJob, deleteJob, importArchive, renameJob } from './jobs';
import { database } from './schema';

const flute = { fileName: 'Flute.mid', bytes: smfBytes([{ name: 'Flute', notes: line([60, 4]) }]) };

/** A folder in memory. */
function folder(refuse = false) {
  const files = new Map<string, Uint8Array>();
  const handle: Folder = {
    name: 'Copies',
    getFileHandle: (name) =>
      Promise.resolve({
        createWritable: () =>
          refuse
            ? Promise.reject(new DOMException('gone', 'NotFoundError'))
            : Promise.resolve({
                write: (bytes: Uint8Array) => Promise.resolve(void files.set(name, bytes)),
                close: () => Promise.resolve(),
              }),
      }),
  };
  return { files, handle };
}
// What is stored is a handle of the browser's; a plain name stands for it here.
const kept = { name: 'Copies' } as FolderHandle;

beforeEach(async () => {
  await Promise.all(database.tables.map((table) => table.clear()));
});

describe('copies in a folder', () => {
  it('are archives of the jobs, written again when one has changed', async () => {
    const { files, handle } = folder();
    const job = await createJob(flute);
    await createJob({ ...flute, fileName: 'Other.mid' });
    expect(await copyChanged(handle)).toBe(0);
    await keepCopiesIn(kept);
    expect(await copyChanged(handle)).toBe(2);
    expect(await copyChanged(handle)).toBe(0);
    await changeLedger(job.id, (ledger) => enter(ledger, { kind: 'leaveOut', tracks: [trackId('t1')] }));
    expect(await copyChanged(handle)).toBe(1);
    const bytes = files.get(copyName(job))!;
    const back = await importArchive({ fileName: 'copy.zip', bytes });
    expect(back).toMatchObject({ name: 'Flute', ledger: { position: 1 } });
  });
  it('stay when a job is renamed or deleted', async () => {
    const { files, handle } = folder();
    const job = await createJob(flute);
    await keepCopiesIn(kept);
    await copyChanged(handle);
    await renameJob(job.id, 'Cue 3');
    await copyChanged(handle);
    await deleteJob(job.id);
    await copyChanged(handle);
    expect([...files.keys()]).toEqual([copyName(job), copyName({ ...job, name: 'Cue 3' })]);
  });
  it('are tried again after the folder refused', async () => {
    await createJob(flute);
    await keepCopiesIn(kept);
    await expect(copyChanged(folder(true).handle)).rejects.toThrow('gone');
    expect(await copyChanged(folder().handle)).toBe(1);
  });
  it('end when they are no longer wanted', async () => {
    await createJob(flute);
    await keepCopiesIn(kept);
    await keepNoCopies();
    expect(await copyChanged(folder().handle)).toBe(0);
  });
  it('need a permission where the browser asks for one', async () => {
    const asking = (state: PermissionState) => ({ ...kept, queryPermission: () => Promise.resolve(state) });
    expect(await mayWrite(kept)).toBe(true);
    expect(await mayWrite(asking('granted'))).toBe(true);
    expect(await mayWrite(asking('prompt'))).toBe(false);
  });
});
