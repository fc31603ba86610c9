import type { TrackId } from '@/core/base';
import { asOne, type Decision } from '@/core/decisions';
import { answersFor, enter, type Ledger } from '@/core/documents';
import { spokenLanguage } from '@/core/words';
import { houseEntries, markHoused } from '@/storage/house-list';
import { changeLedger } from '@/storage/jobs';
import type { JobRecord } from '@/storage/schema';

/**
 * Asks the house list about a job's tracks, once: what it knows becomes the ledger's first line, with the language of the
 * instrument names where people do not read English.
 *
 * @param tracks those with notes @returns the ledger where there was something to enter
 */
export async function withHouseList(
  job: Pick<JobRecord, 'id' | 'ledger'>,
  tracks: readonly { id: TrackId; name: string }[],
): Promise<Ledger | null> {
  const first = [...namesAsSpoken(), ...[answersFor(await houseEntries(), tracks) ?? []].flat()];
  await markHoused(job.id);
  if (first.length === 0 || job.ledger.decisions.length > 0) return null;
  // Another window may have asked at the same moment.
  return changeLedger(job.id, (stored) => (stored.decisions.length > 0 ? stored : enter(stored, asOne(first))));
}

/** A decision, not a default: the same ledger makes the same score for whoever opens it. */
function namesAsSpoken(): Decision[] {
  const language = spokenLanguage();
  return language === 'en' ? [] : [{ kind: 'setLanguage', language }];
}
