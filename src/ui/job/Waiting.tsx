'use client';

import { App, Button, Spin } from 'antd';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import { archiveWith } from '@/storage/jobs';
import type { JobRecord } from '@/storage/schema';
import { stopEngine } from '@/workers/engine-client';
import { download } from '../shared/download';
import { sentence } from '../shared/receive';
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

/** The job is not there, cannot be read, or was stopped while it was. Nothing of it is lost, and nothing locks it. */
export function NotOpened({ id, failure }: { id: string; failure: string }) {
  const open = useWorkspace((state) => state.open);
  const job = useWorkspace((state) => state.job);
  return (
    <main className={styles.failure}>
      <h1>This job could not be opened</h1>
      <p>{failure}</p>
      {job && <p>Its files and decisions are kept.</p>}
      <div className={styles.ways}>
        <Button type="primary" onClick={() => void open(id, true)}>
          Try again
        </Button>
        {job && <OtherWays job={job} />}
        <Link href="/">Back to the jobs</Link>
      </div>
    </main>
  );
}

/** What can be done with a job that cannot be made. */
function OtherWays({ job }: { job: JobRecord }) {
  const { message } = App.useApp();
  const direction = useWorkspace((state) => state.direction);
  const ledger = useWorkspace((state) => state.ledger);
  const turn = useWorkspace((state) => state.turn);
  const undo = useWorkspace((state) => state.undo);
  const other = direction === 'to-score' ? 'to-sequencer' : 'to-score';
  const saveArchive = async () => {
    const { bytes, fileName } = await archiveWith(job, ledger!);
    download(bytes, fileName, 'application/zip');
  };
  return (
    <>
      <Button disabled={!ledger || ledger.position === 0} onClick={undo}>
        Undo the last decision
      </Button>
      <Button onClick={() => void turn(other)}>
        {other === 'to-score' ? 'To score instead' : 'To sequencer instead'}
      </Button>
      <Button onClick={() => void saveArchive().catch((error) => message.error(sentence(error)))}>Save archive</Button>
    </>
  );
}
