'use client';

import { say } from '@/core/words';
import { Alert, App, Button, Progress } from 'antd';
import { archiveWith } from '@/storage/jobs';
import { startEngraver } from '@/workers/engrave-client';
import { download } from '../shared/download';
import { sentence } from '../shared/receive';
import { Suspense, useEffect } from 'react';
import { JobHeader } from './JobHeader';
import { QueryPanel } from './QueryPanel';
import { StationNav } from './StationNav';
import { useStation } from '../workspace/goToStation';
import { NotOpened, Waiting } from './Waiting';
import { Unseen } from '../shared/Unseen';
import { STATIONS, type StationId } from '../workspace/stations';
import { loadAllViews, VIEWS } from './views';
import { isFolded, kindOnDesk, madeOnDesk, useWorkspace } from '../workspace/workspace';
import styles from './job.module.css';

/** The desk of one job: stations across the top, the work in the middle, queries beside it. */
export function JobView({ id, station: opened }: { id: string; station: StationId }) {
  const station = useStation(opened);
  const open = useWorkspace((state) => state.open);
  const ready = useWorkspace((state) => madeOnDesk(state) !== null);
  const views = useWorkspace(kindOnDesk);
  const here = useWorkspace((state) => state.job?.id === id);
  const converting = useWorkspace((state) => state.progress !== null);
  const failure = useWorkspace((state) => state.failure);
  const folded = useWorkspace(isFolded);
  const name = useWorkspace((state) => state.job?.name ?? '');
  const direction = useWorkspace((state) => state.direction);

  useEffect(() => {
    void open(id);
  }, [id, open]);

  // Once, while the job is being read; the engraver is the slowest of all to be ready.
  useEffect(() => {
    startEngraver();
    void loadAllViews(opened);
  }, [opened]);

  const title = [name, STATIONS[direction].find(({ id: one }) => one === station)?.name].filter(Boolean).join(', ');
  useEffect(() => {
    document.title = title ? say('job.titleDragoman', { title }) : 'Dragoman';
  }, [title]);

  // Each direction has stations of its own; a link to another one leads to the first.
  const View = VIEWS[views][station] ?? VIEWS[views].intake!;
  if (failure && !ready) return <NotOpened id={id} failure={failure} />;
  return (
    <div className={styles.desk}>
      <SkipToMusic />
      <JobHeader station={station} />
      <StationNav job={id} station={station} />
      <Keeping />
      <Working />
      <div className={folded ? styles.workWide : styles.work}>
        <main
          className={styles.main}
          aria-label={STATIONS[direction].find(({ id: one }) => one === station)?.name ?? station}
          aria-busy={converting}
        >
          <Unseen>
            <h1>{title}</h1>
          </Unseen>
          {ready && here ? (
            <Suspense fallback={<Waiting />}>
              <View />
            </Suspense>
          ) : (
            <Waiting />
          )}
        </main>
        <QueryPanel />
      </div>
    </div>
  );
}

/** The first thing the keyboard reaches. */
function SkipToMusic() {
  return (
    <button type="button" className={styles.skip} onClick={() => document.getElementById('music')?.focus()}>
      {say('job.toTheMusic')}
    </button>
  );
}

/** Decisions that are not stored yet, and those of another window. */
function Keeping() {
  const unsaved = useWorkspace((state) => state.unsaved);
  const elsewhere = useWorkspace((state) => state.changedElsewhere);
  const saveAgain = useWorkspace((state) => state.saveAgain);
  const noticed = useWorkspace((state) => state.noticed);
  const { message } = App.useApp();
  const saveArchive = async () => {
    const { job, ledger } = useWorkspace.getState();
    const { bytes, fileName } = await archiveWith(job!, ledger!);
    download(bytes, fileName, 'application/zip');
  };
  return (
    <>
      {unsaved && (
        <Alert
          banner
          type="error"
          title={say('job.yourLastDecisionsAreNotStored', { unsaved })}
          action={
            <>
              <Button size="small" onClick={() => void saveAgain()}>
                {say('job.tryAgain')}
              </Button>{' '}
              <Button size="small" onClick={() => void saveArchive().catch((error) => message.error(sentence(error)))}>
                {say('job.saveArchive')}
              </Button>
            </>
          }
        />
      )}
      {elsewhere && (
        <Alert
          banner
          type="warning"
          closable={{ onClose: noticed }}
          title={say('job.anotherWindowHasChangedThisJobIts')}
        />
      )}
    </>
  );
}

/** A thin line of progress that never moves the page; what went wrong; what was stopped. */
function Working() {
  const progress = useWorkspace((state) => state.progress);
  const failure = useWorkspace((state) => state.failure);
  const stale = useWorkspace((state) => state.stale);
  const cancel = useWorkspace((state) => state.cancel);
  const compute = useWorkspace((state) => state.compute);
  if (failure) return <Alert banner type="error" title={failure} />;
  if (stale) {
    return (
      <Alert
        banner
        type="warning"
        title={say('job.stoppedWhatYouSeeIsFromBeforeYour')}
        action={
          <Button size="small" onClick={compute}>
            {say('job.computeNow')}
          </Button>
        }
      />
    );
  }
  return (
    <div className={styles.working} aria-live="polite">
      {progress && progress.done > 0 && (
        <div className={styles.progress}>
          <Progress percent={Math.round(progress.done * 100)} size="small" showInfo={false} />
          <span className="soft">{say('job.stage', { stage: progress.stage })}</span>
          <Button size="small" onClick={cancel}>
            {say('job.stop')}
          </Button>
        </div>
      )}
    </div>
  );
}
