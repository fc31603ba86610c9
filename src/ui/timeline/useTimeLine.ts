'use client';

import { useEffect, useState } from 'react';
import type { TimeLineSummary } from '@/core/engine';
import { engineWorker } from '@/workers/engine-client';
import { useWorkspace } from '../workspace/workspace';
import { sentence } from '../shared/receive';

interface Shown {
  line: TimeLineSummary | null;
  failure: string | null;
}

/** A score has its bars: they are not laid anew. */
export function useMetersFixed(): boolean {
  return useWorkspace(({ original }) => original === 'score');
}

/** The time line as it stands; the last one stays in sight while it is computed anew. */
export function useTimeLine(): Shown {
  const edition = useWorkspace((state) => state.edition);
  const direction = useWorkspace((state) => state.direction);
  const [shown, setShown] = useState<Shown>({ line: null, failure: null });
  useEffect(() => {
    let current = true;
    engineWorker()
      .timeLine()
      .then((line) => current && setShown({ line, failure: null }))
      .catch((error: unknown) => current && setShown({ line: null, failure: sentence(error) }));
    return () => {
      current = false;
    };
  }, [edition, direction]);
  return shown;
}
