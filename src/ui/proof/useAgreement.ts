import { useEffect, useState } from 'react';
import type { Agreement } from '@/core/proof';
import { engineWorker } from '@/workers/engine-client';
import { useWorkspace } from '../job/workspace';
import { sentence } from '../shared/receive';

/** A file that is held against the original, instead of what the job makes. */
export interface OtherFile {
  name: string;
  bytes: Uint8Array;
}

/** The agreement of what stands now; the last one stays in sight while it is computed anew. */
export function useAgreement(other: OtherFile | null): { agreement: Agreement | null; failure: string | null } {
  const edition = useWorkspace((state) => state.edition);
  const direction = useWorkspace((state) => state.direction);
  const [made, setMade] = useState<{ agreement: Agreement | null; failure: string | null }>({
    agreement: null,
    failure: null,
  });
  useEffect(() => {
    let wanted = true;
    engineWorker()
      .agreement(direction, other?.bytes)
      .then((agreement) => wanted && setMade({ agreement, failure: null }))
      .catch((error) => wanted && setMade({ agreement: null, failure: sentence(error) }));
    return () => {
      wanted = false;
    };
  }, [edition, direction, other]);
  return made;
}
