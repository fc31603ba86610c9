import { enter } from '@/core/documents';
import { addOriginal, changeLedger, importArchive } from '@/storage/jobs';
import { createShow } from '@/storage/shows';
import type { JobRecord } from '@/storage/schema';
import { engineWorker } from '@/workers/engine-client';
import { NO_SETTINGS } from '@/core/settings';
import { receive, receivedFile, sentence } from '../shared/receive';
import type { Become } from './SeveralFiles';

/** Of files that can be taken in. */
export const ENDINGS = ['.mid', '.midi', '.smf', '.kar', '.rmi', '.musicxml', '.mxl', '.xml', '.zip'];

export interface Taken {
  jobs: JobRecord[];
  /** Of the show they became. */
  show: string | null;
  /** Of files that could not be taken, in sentences. */
  failures: string[];
}

const isArchive = (file: File) => /\.zip$/i.test(file.name);

/**
 * Makes of files what was chosen: those that cannot be read are named and hold up no other.
 *
 * @param onFile called with each name when its turn has come
 */
export async function takeFiles(
  files: readonly File[],
  become: Become,
  onFile: (name: string) => void,
): Promise<Taken> {
  if (become.kind === 'one') return takeAsOne(files, become.how, onFile);
  const taken: Taken = { jobs: [], show: null, failures: [] };
  for (const file of files) {
    onFile(file.name);
    try {
      const received = await receivedFile(file);
      taken.jobs.push(isArchive(file) ? await importArchive(received) : await receive(received));
    } catch (error) {
      taken.failures.push(sentence(error));
    }
  }
  if (become.kind === 'show' && taken.jobs.length > 0) {
    const ids = taken.jobs.map(({ id }) => id);
    taken.show = (await createShow(become.name, ids, 'Notation program')).id;
  }
  return taken;
}

/** The first one that can be read is the job; the others are its further originals. */
async function takeAsOne(
  files: readonly File[],
  how: 'together' | 'in turn',
  onFile: (name: string) => void,
): Promise<Taken> {
  const taken: Taken = { jobs: [], show: null, failures: [] };
  let originals = 0;
  let bars = 0;
  for (const file of files) {
    onFile(file.name);
    try {
      if (isArchive(file)) throw new Error(`${file.name}: the archive of a job is a job already; open it by itself.`);
      const received = await receivedFile(file);
      const [job] = taken.jobs;
      if (!job) taken.jobs.push(await receive(received));
      else {
        await engineWorker()
          .check(received.bytes, file.name)
          .catch((error: unknown) => {
            throw new Error(`${file.name}: ${sentence(error)}`);
          });
        await addOriginal(job.id, received);
      }
      originals++;
      const place = bars;
      const number = originals;
      if (how === 'in turn') {
        const { facts } = await engineWorker().open([received.bytes], NO_SETTINGS);
        bars += facts.bars;
        if (number > 1)
          await changeLedger(taken.jobs[0]!.id, (ledger) =>
            enter(ledger, { kind: 'placeOriginal', original: number, bars: place }),
          );
      }
    } catch (error) {
      taken.failures.push(sentence(error));
    }
  }
  return taken;
}
