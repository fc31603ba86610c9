'use client';

import { say } from '@/core/words';
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
  if (stale) return <p className={styles.waiting}>{say('job.nothingWasMadeYetTheOriginalIsKept')}</p>;
  const size = bytes && bytes >= 2 ** 20 ? Math.round((bytes / 2 ** 20) * 10) / 10 : 0;
  return (
    <div className={styles.waiting}>
      <Spin description={progress ? say('job.writingTheMusic') : say('job.readingTheOriginalSize', { size })} />
      {long && !progress && <Button onClick={() => void stopEngine()}>{say('job.stopReading')}</Button>}
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
      <h1>{say('job.thisJobCouldNotBeOpened')}</h1>
      <p>{failure}</p>
      {job && <p>{say('job.itsFilesAndDecisionsAreKept')}</p>}
      <div className={styles.ways}>
        <Button type="primary" onClick={() => void open(id, true)}>
          {say('job.tryAgain')}
        </Button>
        {job && <OtherWays job={job} />}
        <Link href="/">{say('job.backToTheJobs')}</Link>
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
        {say('job.undoTheLastDecision')}
      </Button>
      <Button onClick={() => void turn(other)}>{say('job.toScoreInstead', { toScore: other === 'to-score' })}</Button>
      <Button onClick={() => void saveArchive().catch((error) => message.error(sentence(error)))}>
        {say('job.saveArchive')}
      </Button>
    </>
  );
}
