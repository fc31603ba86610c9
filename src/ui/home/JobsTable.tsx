'use client';

import { say } from '@/core/words';
import { CopyOutlined, DeleteOutlined, EditOutlined, SaveOutlined } from '@ant-design/icons';
import { App, Button, Empty, Input, Table, Tooltip } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import { LONGEST_JOB_NAME } from '@/core/documents';
import { archiveOf, deleteJob, duplicateJob, jobsListed, renameJob, restoreJob } from '@/storage/jobs';
import type { JobRecord } from '@/storage/schema';
import { download } from '../shared/download';
import { Unseen } from '../shared/Unseen';
import { bytesInWords, when } from '../shared/words';
import styles from './home.module.css';

/** Jobs on a page of the list; more are not even read. */
const ON_A_PAGE = 50;

/** The jobs of this browser, the last changed first; cues stand in their shows until they are looked for. */
export function JobsTable({ onFailure }: { onFailure: (error: unknown) => void }) {
  const { message } = App.useApp();
  const [search, setSearch] = useState('');
  const [page, setPage] = useState(1);
  const listed = useLiveQuery(
    () => jobsListed({ search, from: (page - 1) * ON_A_PAGE, most: ON_A_PAGE }),
    [search, page],
  );

  async function attempt(work: () => Promise<unknown>) {
    try {
      await work();
    } catch (error) {
      onFailure(error);
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
          {say('home.jobDeleted', { job: job.name })}{' '}
          <Button
            type="link"
            size="small"
            onClick={() => {
              void restoreJob(job);
              message.destroy(key);
            }}
          >
            {say('home.undo')}
          </Button>
        </span>
      ),
    });
  }

  return (
    <section aria-label={say('home.jobs')}>
      <div className={styles.listHead}>
        <h2>{say('home.jobs')}</h2>
        <div className={styles.search}>
          <Input
            size="small"
            placeholder={say('home.findAJob')}
            aria-label={say('home.findAJob')}
            allowClear
            value={search}
            onChange={(event) => {
              setSearch(event.target.value);
              setPage(1);
            }}
          />
        </div>
      </div>
      <Table<JobRecord>
        size="small"
        rowKey="id"
        pagination={
          (listed?.all ?? 0) > ON_A_PAGE && {
            current: page,
            pageSize: ON_A_PAGE,
            total: listed!.all,
            showSizeChanger: false,
            onChange: setPage,
          }
        }
        loading={listed === undefined}
        dataSource={listed?.jobs}
        locale={{
          emptyText: (
            <Empty
              image={Empty.PRESENTED_IMAGE_SIMPLE}
              description={search ? say('home.noMatches') : say('home.noJobsYetDropAFileAbove')}
            />
          ),
        }}
        columns={[
          { title: say('home.job'), key: 'name', render: (_, job) => <JobName job={job} /> },
          {
            title: say('home.original'),
            key: 'original',
            responsive: ['md'],
            render: (_, job) => (
              <span className="soft">
                {job.originals.map((original) => `${original.fileName} (${bytesInWords(original.size)})`).join(', ')}
              </span>
            ),
          },
          {
            title: say('home.queries'),
            key: 'queries',
            width: 110,
            render: (_, { openQueries }) => <Queries open={openQueries} />,
          },
          {
            title: say('home.changed'),
            key: 'changed',
            width: 120,
            render: (_, job) => <Changed at={job.changedAt} />,
          },
          {
            title: <Unseen>{say('home.actions')}</Unseen>,
            key: 'actions',
            width: 110,
            render: (_, job) => (
              <span className={styles.actions}>
                <Tooltip title={say('home.saveArchive')}>
                  <Button
                    type="text"
                    size="small"
                    aria-label={say('home.saveArchiveOfJob', { job: job.name })}
                    icon={<SaveOutlined />}
                    onClick={() => void attempt(() => saveArchive(job.id))}
                  />
                </Tooltip>
                <Tooltip title={say('home.duplicate')}>
                  <Button
                    type="text"
                    size="small"
                    aria-label={say('home.duplicateJob', { job: job.name })}
                    icon={<CopyOutlined />}
                    onClick={() => void attempt(() => duplicateJob(job.id))}
                  />
                </Tooltip>
                <Tooltip title={say('home.delete')}>
                  <Button
                    type="text"
                    size="small"
                    aria-label={say('home.deleteJob', { job: job.name })}
                    icon={<DeleteOutlined />}
                    onClick={() => void remove(job)}
                  />
                </Tooltip>
              </span>
            ),
          },
        ]}
      />
    </section>
  );
}

/** As of the last time it was looked at. */
function Queries({ open }: { open: number | null }) {
  if (open === null) return <span className="soft">{say('home.notOpened')}</span>;
  return open === 0 ? say('home.none') : say('home.open', { open });
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
        {job.demo && <span className={styles.demo}>{say('home.demo')}</span>}
        <Button
          type="text"
          size="small"
          aria-label={say('home.renameJob', { job: job.name })}
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
      aria-label={say('home.nameOfTheJob')}
      maxLength={LONGEST_JOB_NAME}
      defaultValue={job.name}
      onPressEnter={(event) => finish(event.currentTarget.value)}
      onBlur={(event) => finish(event.currentTarget.value)}
      onKeyDown={(event) => event.key === 'Escape' && setEditing(false)}
    />
  );
}
