'use client';

import {
  CopyOutlined,
  DeleteOutlined,
  EditOutlined,
  InboxOutlined,
  MoonOutlined,
  SaveOutlined,
  SunOutlined,
} from '@ant-design/icons';
import { Alert, App, Button, Empty, Input, Table, Tooltip, Upload } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useEffectEvent, useState } from 'react';
import { database, type JobRecord } from '@/storage/schema';
import {
  archiveOf,
  clearUnusedOriginals,
  deleteJob,
  duplicateJob,
  importArchive,
  renameJob,
  restoreJob,
} from '@/storage/jobs';
import { useMode } from '../providers';
import { download } from '../shared/download';
import { LONGEST_JOB_NAME } from '@/core/documents';
import { receive, receivedFile, sentence } from '../shared/receive';
import { bytesInWords, count, when } from '../shared/words';
import { ensureDemo } from './demo';
import { CopiesLine } from './CopiesLine';
import { StorageLine } from './StorageLine';
import { onStrayFiles } from '../shared/strayFiles';
import styles from './home.module.css';
import { Unseen } from '../shared/Unseen';

const ENDINGS = ['.mid', '.midi', '.smf', '.kar', '.rmi', '.musicxml', '.mxl', '.xml', '.zip'];

/** The front door: drop a file, or go on with a job. */
export function HomeView() {
  const router = useRouter();
  const { message } = App.useApp();
  const { mode, setMode } = useMode();
  const jobs = useLiveQuery(() => database.jobs.orderBy('changedAt').reverse().toArray());
  const [busy, setBusy] = useState<string | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const [search, setSearch] = useState('');

  useEffect(() => {
    void clearUnusedOriginals()
      .then(ensureDemo)
      .catch((error) => setFailure(sentence(error)));
  }, []);

  /** A job of each file. One opens at once; of several, those that cannot be read are named and the rest stay. */
  async function take(files: readonly File[]) {
    setFailure(null);
    const made: JobRecord[] = [];
    const failures: string[] = [];
    for (const file of files) {
      setBusy(file.name);
      try {
        const received = await receivedFile(file);
        made.push(/\.zip$/i.test(file.name) ? await importArchive(received) : await receive(received));
      } catch (error) {
        failures.push(sentence(error));
      }
    }
    setBusy(null);
    if (failures.length > 0) setFailure(failures.join(' '));
    const [job] = made;
    if (job && files.length === 1)
      router.push(`/job/${job.id}/${job.direction === 'to-sequencer' ? 'intake' : 'rhythm'}`);
    else if (made.length > 0) message.success(`${count(made.length, 'job', 'jobs')} made; open one to begin.`);
  }
  const takeDropped = useEffectEvent((files: readonly File[]) => void take(files));

  // A file dropped beside the area is meant for it.
  useEffect(() => onStrayFiles(takeDropped), []);

  async function attempt(work: () => Promise<unknown>) {
    try {
      await work();
    } catch (error) {
      setFailure(sentence(error));
    }
  }

  async function remove(job: JobRecord) {
    await deleteJob(job.id);
    const key = `deleted-${job.id}`;
    message.open({
      key,
      duration: 8,
      content: (
        <span>
          “{job.name}” deleted.{' '}
          <Button
            type="link"
            size="small"
            onClick={() => {
              void restoreJob(job);
              message.destroy(key);
            }}
          >
            Bring it back
          </Button>
        </span>
      ),
    });
  }

  const shown = jobs?.filter((job) =>
    `${job.name} ${job.originals.map((original) => original.fileName).join(' ')}`
      .toLowerCase()
      .includes(search.toLowerCase()),
  );

  return (
    <main className={styles.home}>
      <header className={styles.head}>
        <div>
          <h1 className={styles.title}>Dragoman</h1>
          <p className={styles.motto}>Between the sequencer and the stands, with every decision in the open.</p>
        </div>
        <Tooltip title={mode === 'light' ? 'Dark' : 'Light'}>
          <Button
            type="text"
            aria-label={mode === 'light' ? 'Switch to the dark theme' : 'Switch to the light theme'}
            icon={mode === 'light' ? <MoonOutlined /> : <SunOutlined />}
            onClick={() => setMode(mode === 'light' ? 'dark' : 'light')}
          />
        </Tooltip>
      </header>

      <div className={styles.drop}>
        <Upload.Dragger
          accept={ENDINGS.join()}
          showUploadList={false}
          multiple
          disabled={busy !== null}
          beforeUpload={(file, all) => {
            if (file === all[0]) void take(all);
            return false;
          }}
          onDrop={({ dataTransfer }) => {
            const strange = [...dataTransfer.files].filter(
              ({ name }) => !ENDINGS.some((end) => name.toLowerCase().endsWith(end)),
            );
            if (strange.length > 0)
              setFailure(
                `${strange.map(({ name }) => name).join(', ')}: neither MIDI nor MusicXML nor the archive of a job, by its name.`,
              );
          }}
        >
          <p className={styles.dropIcon}>
            <InboxOutlined />
          </p>
          <p className={styles.dropWords}>
            {busy ? `Reading ${busy} …` : 'Drop MIDI files or MusicXML scores here, or click to choose them'}
          </p>
          <p className="soft">
            MIDI becomes a score, a score clean MIDI, and either can be turned round; the archive of a job opens again.
            Everything stays in this browser, and the original is never changed.
          </p>
        </Upload.Dragger>
      </div>

      {failure && (
        <Alert
          className={styles.failure}
          type="error"
          showIcon
          closable={{ onClose: () => setFailure(null) }}
          title={failure}
          description="Your other jobs are untouched."
        />
      )}

      <section aria-label="Jobs">
        <div className={styles.listHead}>
          <h2>Jobs</h2>
          <div className={styles.search}>
            <Input
              size="small"
              placeholder="Find a job"
              aria-label="Find a job"
              allowClear
              value={search}
              onChange={(event) => setSearch(event.target.value)}
            />
          </div>
        </div>
        <Table<JobRecord>
          size="small"
          rowKey="id"
          pagination={false}
          loading={jobs === undefined}
          dataSource={shown}
          locale={{
            emptyText: (
              <Empty
                image={Empty.PRESENTED_IMAGE_SIMPLE}
                description={search ? 'No job has these words in its name.' : 'No jobs yet. Drop a file above.'}
              />
            ),
          }}
          columns={[
            { title: 'Job', key: 'name', render: (_, job) => <JobName job={job} /> },
            {
              title: 'Original',
              key: 'original',
              responsive: ['md'],
              render: (_, job) => (
                <span className="soft">
                  {job.originals.map((original) => `${original.fileName} (${bytesInWords(original.size)})`).join(', ')}
                </span>
              ),
            },
            {
              title: 'Queries',
              key: 'queries',
              width: 110,
              render: (_, job) =>
                job.openQueries === null ? (
                  <span className="soft">not opened</span>
                ) : job.openQueries === 0 ? (
                  'none'
                ) : (
                  count(job.openQueries, 'open', 'open')
                ),
            },
            { title: 'Changed', key: 'changed', width: 120, render: (_, job) => <Changed at={job.changedAt} /> },
            {
              title: <Unseen>Actions</Unseen>,
              key: 'actions',
              width: 110,
              render: (_, job) => (
                <span className={styles.actions}>
                  <Tooltip title="Save archive">
                    <Button
                      type="text"
                      size="small"
                      aria-label={`Save archive of ${job.name}`}
                      icon={<SaveOutlined />}
                      onClick={() => void attempt(() => saveArchive(job.id))}
                    />
                  </Tooltip>
                  <Tooltip title="Duplicate">
                    <Button
                      type="text"
                      size="small"
                      aria-label={`Duplicate ${job.name}`}
                      icon={<CopyOutlined />}
                      onClick={() => void attempt(() => duplicateJob(job.id))}
                    />
                  </Tooltip>
                  <Tooltip title="Delete">
                    <Button
                      type="text"
                      size="small"
                      aria-label={`Delete ${job.name}`}
                      icon={<DeleteOutlined />}
                      onClick={() => void remove(job)}
                    />
                  </Tooltip>
                </span>
              ),
            },
          ]}
        />
        <StorageLine jobs={jobs?.length ?? 0} />
        <CopiesLine />
        <p className={styles.storage}>
          <a href="/third-party-notices.txt">Licences</a> of the packages Dragoman is made with.
        </p>
      </section>
    </main>
  );
}

async function saveArchive(id: string): Promise<void> {
  const { bytes, fileName } = await archiveOf(id);
  download(bytes, fileName, 'application/zip');
}

function Changed({ at }: { at: number }) {
  const [now, setNow] = useState(at);
  useEffect(() => {
    const tick = () => setNow(Date.now());
    tick();
    const timer = setInterval(tick, 30_000);
    return () => clearInterval(timer);
  }, [at]);
  return <span className="soft">{when(at, now)}</span>;
}

function JobName({ job }: { job: JobRecord }) {
  const [editing, setEditing] = useState(false);
  if (!editing) {
    return (
      <span>
        <Link
          className={styles.jobLink}
          href={`/job/${job.id}/${job.direction === 'to-sequencer' ? 'intake' : 'rhythm'}`}
        >
          {job.name}
        </Link>
        {job.demo && <span className={styles.demo}>demo</span>}
        <Button
          type="text"
          size="small"
          aria-label={`Rename ${job.name}`}
          icon={<EditOutlined />}
          onClick={() => setEditing(true)}
        />
      </span>
    );
  }
  const finish = (name: string) => {
    if (name.trim()) void renameJob(job.id, name.trim());
    setEditing(false);
  };
  return (
    <Input
      size="small"
      autoFocus
      aria-label="Name of the job"
      maxLength={LONGEST_JOB_NAME}
      defaultValue={job.name}
      onPressEnter={(event) => finish(event.currentTarget.value)}
      onBlur={(event) => finish(event.currentTarget.value)}
      onKeyDown={(event) => event.key === 'Escape' && setEditing(false)}
    />
  );
}
