'use client';

import { Button, Spin } from 'antd';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import { stopEngine } from '@/workers/engine-client';
import { useWorkspace } from '../workspace/workspace';
import styles from './job.module.css';

/** What can be offered only after some seconds: most files are there before. */
const PATIENCE_MS = 2000;

/** In the place of a station until its job is read and made for the first time. */
export function Waiting() {
  const stale = useWorkspace((state) => state.stale);
  const progress = useWorkspace((state) => state.progress);
  const bytes = useWorkspace((state) => state.reading);
  const long = useLong();
  if (stale) return <p className={styles.waiting}>Nothing was made yet. The original is kept as it arrived.</p>;
  const size = bytes && bytes >= 2 ** 20 ? ` (${(bytes / 2 ** 20).toFixed(1)} MB)` : '';
  return (
    <div className={styles.waiting}>
      <Spin description={progress ? 'Writing the music …' : `Reading the original${size} …`} />
      {long && !progress && <Button onClick={() => void stopEngine()}>Stop reading</Button>}
    </div>
  );
}

function useLong(): boolean {
  const [long, setLong] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLong(true), PATIENCE_MS);
    return () => clearTimeout(timer);
  }, []);
  return long;
}

/** The job is not there, cannot be read, or was stopped while it was. */
export function NotOpened({ id, failure }: { id: string; failure: string }) {
  const open = useWorkspace((state) => state.open);
  return (
    <main className={styles.failure}>
      <h1>This job could not be opened</h1>
      <p>{failure}</p>
      <p>
        <Button onClick={() => void open(id, true)}>Try again</Button> <Link href="/">Back to the jobs</Link>
      </p>
    </main>
  );
}
