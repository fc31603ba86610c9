import type { TrackId } from '@/core/base';
import { answersFor, enter, type Ledger } from '@/core/documents';
import { houseEntries, markHoused } from '@/storage/house-list';
import { changeLedger } from '@/storage/jobs';
import type { JobRecord } from '@/storage/schema';

/**
 * Asks the house list about a job's tracks, once: what it knows becomes the ledger's first line.
 *
 * @param tracks those with notes @returns the ledger where it knew something
 */
export async function withHouseList(
  job: Pick<JobRecord, 'id' | 'ledger'>,
  tracks: readonly { id: TrackId; name: string }[],
): Promise<Ledger | null> {
  const answers = answersFor(await houseEntries(), tracks);
  await markHoused(job.id);
  if (!answers || job.ledger.decisions.length > 0) return null;
  // Another window may have asked at the same moment.
  return changeLedger(job.id, (stored) => (stored.decisions.length > 0 ? stored : enter(stored, answers)));
}
