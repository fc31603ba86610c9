'use client';

import { say } from '@/core/words';
import {
  FolderOpenOutlined,
  InboxOutlined,
  MoonOutlined,
  QuestionCircleOutlined,
  SunOutlined,
} from '@ant-design/icons';
import { Alert, App, Button, Tooltip, Upload } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import { useRouter } from 'next/navigation';
import { useEffect, useEffectEvent, useState } from 'react';
import { clearUnusedOriginals } from '@/storage/jobs';
import { database } from '@/storage/schema';
import { LanguageSwitch } from '../shared/LanguageSwitch';
import { ManualDrawer } from '../manual/ManualDrawer';
import { useManual } from '../manual/manual';
import { useMode } from '../shared/mode';
import { entriesOf, filesOf } from '../shared/dropped';
import { sentence } from '../shared/receive';
import { onStrayFiles } from '../shared/strayFiles';
import { CopiesLine } from './CopiesLine';
import { ensureDemo } from './demo';
import { JobsTable } from './JobsTable';
import { SeveralFiles, type Become } from './SeveralFiles';
import { Shows } from './Shows';
import { StorageLine } from './StorageLine';
import { ENDINGS, takeFiles } from './takeFiles';
import { VerifyParcel } from './VerifyParcel';
import styles from './home.module.css';

const isOurs = ({ name }: File) => ENDINGS.some((end) => name.toLowerCase().endsWith(end));

/** The front door: drop a file, or go on with a job. */
export function HomeView() {
  const router = useRouter();
  const { message } = App.useApp();
  const { mode, setMode } = useMode();
  const read = useManual((state) => state.read);
  const jobs = useLiveQuery(() => database.jobs.count());
  const [busy, setBusy] = useState<string | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const [several, setSeveral] = useState<readonly File[] | null>(null);

  useEffect(() => {
    void clearUnusedOriginals()
      .then(ensureDemo)
      .catch((error) => setFailure(sentence(error)));
  }, []);

  /** One file becomes a job and opens; of several it is asked what they shall become. */
  function take(files: readonly File[]): void {
    setFailure(null);
    if (files.length > 1) setSeveral(files);
    else if (files.length === 1) void make(files, { kind: 'jobs' });
  }

  async function make(files: readonly File[], become: Become): Promise<void> {
    setSeveral(null);
    const { jobs: made, show, failures } = await takeFiles(files, become, setBusy);
    setBusy(null);
    if (failures.length > 0) setFailure(failures.join(' '));
    const [job] = made;
    if (show) router.push(`/show/${show}`);
    else if (job && (files.length === 1 || become.kind === 'one'))
      router.push(`/job/${job.id}/${job.direction === 'to-sequencer' ? 'intake' : 'rhythm'}`);
    else if (made.length > 0) message.success(say('home.jobMadeOpenOneToBegin', { made: made.length }));
  }
  async function takeFolders(entries: readonly FileSystemEntry[]): Promise<void> {
    const files = (await filesOf(entries)).filter(isOurs);
    if (files.length > 0) take(files);
    else setFailure(say('home.thereIsNeitherMIDINorMusicXMLNor'));
  }
  const takeDropped = useEffectEvent((files: readonly File[]) => take(files));

  // A file dropped beside the area is meant for it.
  useEffect(() => onStrayFiles(takeDropped), []);

  return (
    <main className={styles.home}>
      <ManualDrawer />
      <header className={styles.head}>
        <div>
          <h1 className={styles.title}>{say('home.dragoman')}</h1>
          <p className={styles.motto}>{say('home.betweenTheSequencerAndTheStands')}</p>
        </div>
        <span className={styles.choices}>
          <Button type="text" icon={<QuestionCircleOutlined />} onClick={() => read('start')}>
            {say('manual.manual')}
          </Button>
          <LanguageSwitch />
          <Tooltip title={mode === 'light' ? say('home.dark') : say('home.light')}>
            <Button
              type="text"
              aria-label={mode === 'light' ? say('home.switchToTheDarkTheme') : say('home.switchToTheLightTheme')}
              icon={mode === 'light' ? <MoonOutlined /> : <SunOutlined />}
              onClick={() => setMode(mode === 'light' ? 'dark' : 'light')}
            />
          </Tooltip>
        </span>
      </header>

      <div
        className={styles.drop}
        onDropCapture={(event) => {
          const entries = entriesOf(event.dataTransfer);
          if (!entries.some((entry) => entry.isDirectory)) return;
          // A folder would be taken for a file without contents.
          event.preventDefault();
          event.stopPropagation();
          void takeFolders(entries);
        }}
      >
        <Upload.Dragger
          accept={ENDINGS.join()}
          showUploadList={false}
          multiple
          disabled={busy !== null}
          beforeUpload={(file, all) => {
            if (file === all[0]) take(all);
            return false;
          }}
          onDrop={({ dataTransfer }) => {
            const strange = [...dataTransfer.files].filter((file) => !isOurs(file));
            if (strange.length > 0)
              setFailure(
                say('home.strangeNeitherMIDINorMusicXMLNor', { strange: strange.map(({ name }) => name).join(', ') }),
              );
          }}
        >
          <p className={styles.dropIcon}>
            <InboxOutlined />
          </p>
          <p className={styles.dropWords}>{say('home.dropOrReading', { busy: Boolean(busy), busy2: busy })}</p>
          <p className="soft">{say('home.mIDIBecomesAScoreAScoreBecomes')}</p>
        </Upload.Dragger>
        <Upload
          directory
          showUploadList={false}
          disabled={busy !== null}
          beforeUpload={(file, all) => {
            if (file === all[0]) take(all.filter(isOurs));
            return false;
          }}
        >
          <Button size="small" type="link" icon={<FolderOpenOutlined />}>
            {say('home.aWholeFolder')}
          </Button>
        </Upload>
        <VerifyParcel onFailure={setFailure} />
      </div>
      {several && (
        <SeveralFiles
          files={several}
          onChoose={(become) => void make(several, become)}
          onClose={() => setSeveral(null)}
        />
      )}

      {failure && (
        <Alert
          className={styles.failure}
          type="error"
          showIcon
          closable={{ onClose: () => setFailure(null) }}
          title={failure}
          description={say('home.yourOtherJobsAreUntouched')}
        />
      )}

      <Shows />
      <JobsTable onFailure={(error) => setFailure(sentence(error))} />
      <footer>
        <StorageLine jobs={jobs ?? 0} />
        <CopiesLine />
        <p className={styles.storage}>
          <a href="/third-party-notices.txt">{say('home.licences')}</a> {say('home.ofThePackagesDragomanIsMadeWith')}
        </p>
      </footer>
    </main>
  );
}
