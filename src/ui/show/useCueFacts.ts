'use client';

import { useEffect, useState } from 'react';
import type { JobRecord } from '@/storage/schema';
import { saveFacts } from '@/storage/shows';
import { database } from '@/storage/schema';
import { factsOf, tracksOf } from '../dispatch/dispatcher';
import { sentence } from '../shared/receive';
import { withHouseList } from '../workspace/withHouseList';

/** Whether what is known of a cue is known of it as it stands. */
export const isKnown = ({ facts, changedAt }: JobRecord): boolean => facts?.of === changedAt;

/**
 * Finds out about cues nobody has looked at since they changed, one after the other, beside the page.
 *
 * @param paused while something else is made of them @returns how many are left
 */
export function useCueFacts(cues: readonly JobRecord[] | undefined, paused: boolean): number {
  const left = cues?.filter((cue) => !isKnown(cue)) ?? [];
  const next = left[0];
  const [failure, setFailure] = useState<string | null>(null);
  const key = next && `${next.id} ${next.changedAt}`;
  useEffect(() => {
    if (!key || paused || failure === key) return;
    const [id] = key.split(' ');
    let stopped = false;
    void lookAt(id!).catch(() => {
      // It could not even be stored that it failed: it is not tried for ever.
      if (!stopped) setFailure(key);
    });
    return () => {
      stopped = true;
    };
  }, [key, paused, failure]);
  return left.length;
}

/** Asks the house list first, as opening the job would. */
async function lookAt(id: string): Promise<void> {
  const job = await database.jobs.get(id);
  if (!job) return;
  try {
    if (!job.housed && job.direction !== 'to-sequencer') await withHouseList(job, await tracksOf(job));
  } catch {
    // What is wrong with it is said below.
  }
  const now = (await database.jobs.get(id)) ?? job;
  try {
    const { agreement, ...facts } = await factsOf(now);
    await saveFacts(id, { ...facts, of: now.changedAt, agreement: agreement.words, same: agreement.same });
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') return;
    const nothing = { bars: 0, seconds: 0, openQueries: 0, agreement: '', same: 0, parts: [] };
    await saveFacts(id, { ...nothing, of: now.changedAt, failure: sentence(error) });
  }
}
