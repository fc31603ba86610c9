'use client';

import { say } from '@/core/words';
import { Button, Table, Tooltip, type TableColumnType } from 'antd';
import Link from 'next/link';
import { useRef, useState } from 'react';
import type { JobRecord } from '@/storage/schema';
import { takeOutCue } from '@/storage/shows';
import { stateOf, STATE_WORDS } from './cueState';
import { Unseen } from '../shared/Unseen';
import { useHeight } from '../shared/useHeight';
import { clock, percent, when } from '../shared/words';
import { isKnown } from './useCueFacts';
import styles from './show.module.css';

/** Below this share somebody should look. */
const ALIKE = 0.98;

const sent = ({ sent: all = [] }: JobRecord) => all.at(-1);

/** The cues of a show: what state they are in, and where each was last sent. */
export function CueTable({ cues }: { cues: readonly JobRecord[] }) {
  const [now] = useState(() => Date.now());
  const box = useRef<HTMLDivElement>(null);
  const height = useHeight(box);
  const columns: TableColumnType<JobRecord>[] = [
    {
      title: say('show.cue'),
      key: 'cue',
      sorter: (a, b) => a.name.localeCompare(b.name, 'en', { numeric: true }),
      render: (_, cue) => (
        <Link className={styles.cue} href={`/job/${cue.id}/${cue.direction === 'to-sequencer' ? 'intake' : 'rhythm'}`}>
          {cue.name}
        </Link>
      ),
    },
    {
      title: say('show.state'),
      key: 'state',
      width: 130,
      sorter: (a, b) => stateOf(a).localeCompare(stateOf(b)),
      render: (_, cue) => (
        <Tooltip title={cue.facts?.failure}>
          <span className={styles.state} data-state={stateOf(cue)}>
            {STATE_WORDS[stateOf(cue)]}
          </span>
        </Tooltip>
      ),
    },
    {
      title: say('show.queries'),
      key: 'queries',
      width: 90,
      align: 'right',
      sorter: (a, b) => (a.facts?.openQueries ?? -1) - (b.facts?.openQueries ?? -1),
      render: (_, cue) => (cue.facts && !cue.facts.failure ? cue.facts.openQueries || say('show.none') : '…'),
    },
    {
      title: say('show.agreement'),
      key: 'agreement',
      width: 110,
      align: 'right',
      sorter: (a, b) => (a.facts?.same ?? -1) - (b.facts?.same ?? -1),
      render: (_, { facts }) =>
        facts && !facts.failure ? (
          <Tooltip title={facts.agreement}>
            <span className={facts.same < ALIKE ? styles.low : undefined}>{percent(facts.same)}</span>
          </Tooltip>
        ) : (
          '…'
        ),
    },
    {
      title: say('show.length'),
      key: 'length',
      width: 130,
      align: 'right',
      sorter: (a, b) => (a.facts?.seconds ?? 0) - (b.facts?.seconds ?? 0),
      render: (_, { facts }) =>
        facts && !facts.failure
          ? say('show.secondsBarsBars', { seconds: clock(facts.seconds), bars: facts.bars })
          : '…',
    },
    {
      title: say('show.lastSent'),
      key: 'sent',
      width: 170,
      sorter: (a, b) => (sent(a)?.at ?? 0) - (sent(b)?.at ?? 0),
      render: (_, cue) => {
        const last = sent(cue);
        if (!last) return <span className="soft">{say('show.never')}</span>;
        return say('show.versionVersionWhenChanged', {
          version: last.version,
          when: when(last.at, Math.max(now, last.at)),
          changed: cue.changedAt > last.at,
        });
      },
    },
    {
      title: <Unseen>{say('show.removeFromTheShow')}</Unseen>,
      key: 'out',
      width: 96,
      render: (_, cue) => (
        <Tooltip title={say('show.removeFromTheShowTheJobStays')}>
          <Button
            size="small"
            type="text"
            aria-label={say('show.removeCue', { cue: cue.name })}
            onClick={() => void takeOutCue(cue.id)}
          >
            {say('show.remove')}
          </Button>
        </Tooltip>
      ),
    },
  ];
  return (
    <div ref={box} className={styles.table}>
      <Table<JobRecord>
        size="small"
        rowKey="id"
        virtual={cues.length > 50}
        pagination={false}
        scroll={{ x: 840, y: Math.max(120, height - 42) }}
        dataSource={[...cues]}
        columns={columns}
        rowClassName={(cue) => (isKnown(cue) ? '' : styles.unknown!)}
        locale={{ emptyText: say('show.noMatches') }}
      />
    </div>
  );
}
