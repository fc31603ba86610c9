'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { referenceOf } from '@/storage/sounds';
import { useWorkspace } from '../workspace/workspace';

/** The recording beside the job; null while there is none. */
export function useReference() {
  const job = useWorkspace((state) => state.job?.id);
  return useLiveQuery(async () => (job ? referenceOf(job) : null), [job]) ?? null;
}
