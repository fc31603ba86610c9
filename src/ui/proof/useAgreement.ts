import { useEffect, useState } from 'react';
import { settingsOf } from '@/core/documents';
import type { ListedAgreement } from '@/core/proof';
import type { SentRecord } from '@/storage/schema';
import { engineWorker } from '@/workers/engine-client';
import { useWorkspace } from '../workspace/workspace';
import { sentence } from '../shared/receive';
import type { OtherFile } from './compared';

/** What is compared with, and with what. */
export interface Comparison {
  /** A file; none for what the job makes. */
  other: OtherFile | null;
  base: 'original' | 'made' | SentRecord;
}

export const WITH_ORIGINAL: Comparison = { other: null, base: 'original' };

/** The agreement of what stands now; the last one stays in sight while it is computed anew. */
export function useAgreement({ other, base }: Comparison): {
  agreement: ListedAgreement | null;
  failure: string | null;
} {
  const edition = useWorkspace((state) => state.edition);
  const direction = useWorkspace((state) => state.direction);
  const [made, setMade] = useState<{ agreement: ListedAgreement | null; failure: string | null }>({
    agreement: null,
    failure: null,
  });
  useEffect(() => {
    let wanted = true;
    const settings = typeof base === 'string' ? base : settingsOf(base.ledger!);
    engineWorker()
      .agreement(other?.bytes, settings)
      .then((agreement) => wanted && setMade({ agreement, failure: null }))
      .catch((error) => wanted && setMade({ agreement: null, failure: sentence(error) }));
    return () => {
      wanted = false;
    };
  }, [edition, direction, other, base]);
  return made;
}
