import { say } from '@/core/words';
import { asOne, type SingleDecision } from '@/core/decisions';
import { enter } from '@/core/documents';
import { addOriginal, changeLedger, importArchive, type ReceivedFile } from '@/storage/jobs';
import { createShow } from '@/storage/shows';
import type { JobRecord } from '@/storage/schema';
import { engineWorker } from '@/workers/engine-client';
import { receive, receivedFile, sentence } from '../shared/receive';
import { withHouseList } from '../workspace/withHouseList';
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
  const originals: Uint8Array[] = [];
  for (const file of files) {
    onFile(file.name);
    try {
      if (isArchive(file)) throw new Error(say('home.archiveIsAJobAlready', { file: file.name }));
      const received = await receivedFile(file);
      const [job] = taken.jobs;
      if (job) await addChecked(job, received);
      else taken.jobs.push(await receive(received));
      originals.push(received.bytes);
    } catch (error) {
      taken.failures.push(sentence(error));
    }
  }
  const [job] = taken.jobs;
  if (job && how === 'in turn') await placeInTurn(job, originals);
  return taken;
}

async function addChecked(job: JobRecord, { fileName, bytes }: ReceivedFile): Promise<void> {
  try {
    await engineWorker().check(bytes, fileName);
  } catch (error) {
    throw new Error(`${fileName}: ${sentence(error)}`);
  }
  await addOriginal(job.id, { fileName, bytes });
}

/** Each begins where the one before it ends; the house list is asked first, as opening the job would. */
async function placeInTurn(job: JobRecord, originals: readonly Uint8Array[]): Promise<void> {
  const { survey } = await engineWorker().survey([...originals]);
  await withHouseList(
    job,
    survey.tracks.filter(({ notes }) => notes > 0),
  );
  const places: SingleDecision[] = [];
  let bars = 0;
  for (const [i, bytes] of originals.entries()) {
    if (i > 0) places.push({ kind: 'placeOriginal', original: i + 1, bars });
    bars += (await engineWorker().survey([bytes])).facts.bars;
  }
  if (places.length > 0) await changeLedger(job.id, (ledger) => enter(ledger, asOne(places)));
}
