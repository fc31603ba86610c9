'use client';

import { useEffect, useState } from 'react';
import { isScoreFile } from '@/core/engine';
import { originalBytes } from '@/storage/jobs';
import { engineWorker } from '@/workers/engine-client';
import { useWorkspace } from '../workspace/workspace';
import styles from '../shared/sequencing.module.css';

const MOST_SHOWN = 12;

/** Signs of a received score that the stations do not change: they are kept as they came, and listed here. */
export function PassedOver() {
  const direction = useWorkspace((state) => state.direction);
  const kinds = usePassedOver();
  if (kinds.length === 0) return null;
  const shown = kinds.slice(0, MOST_SHOWN);
  const more = kinds.length - shown.length;
  return (
    <section className={styles.passedOver} aria-label="Kept as received">
      <h2>{direction === 'to-score' ? 'Kept as received' : 'Not used for the MIDI'}</h2>
      <p className="soft">
        {direction === 'to-score'
          ? 'These are written again in MusicXML with their notes and bars. They cannot be changed here.'
          : 'The score has these; nothing that is played depends on them.'}
      </p>
      <p>
        {shown.join(' · ')}
        {more > 0 && ` · and ${more} more`}
      </p>
    </section>
  );
}

/** Counted once a job, behind everything else. */
function usePassedOver(): readonly string[] {
  const job = useWorkspace((state) => state.job);
  const ready = useWorkspace((state) => state.progress === null);
  const [kinds, setKinds] = useState<readonly string[]>([]);
  const sums = job?.originals.map(({ sha256 }) => sha256).join(' ') ?? '';
  useEffect(() => {
    if (!ready || sums === '') return;
    let wanted = true;
    void (async () => {
      const files = await Promise.all(sums.split(' ').map((sha256) => originalBytes(sha256)));
      const scores = files.filter(isScoreFile);
      const found = scores.length > 0 ? await engineWorker().passedOver(scores) : [];
      if (wanted) setKinds(found);
    })().catch(() => {
      // Nothing is claimed where it cannot be counted.
    });
    return () => {
      wanted = false;
    };
  }, [sums, ready]);
  return kinds;
}
