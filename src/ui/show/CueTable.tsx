'use client';

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
      title: 'Cue',
      key: 'cue',
      sorter: (a, b) => a.name.localeCompare(b.name, 'en', { numeric: true }),
      render: (_, cue) => (
        <Link className={styles.cue} href={`/job/${cue.id}/${cue.direction === 'to-sequencer' ? 'intake' : 'rhythm'}`}>
          {cue.name}
        </Link>
      ),
    },
    {
      title: 'State',
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
      title: 'Queries',
      key: 'queries',
      width: 90,
      align: 'right',
      sorter: (a, b) => (a.facts?.openQueries ?? -1) - (b.facts?.openQueries ?? -1),
      render: (_, cue) => (cue.facts && !cue.facts.failure ? cue.facts.openQueries || 'none' : '…'),
    },
    {
      title: 'Agreement',
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
      title: 'Length',
      key: 'length',
      width: 130,
      align: 'right',
      sorter: (a, b) => (a.facts?.seconds ?? 0) - (b.facts?.seconds ?? 0),
      render: (_, { facts }) => (facts && !facts.failure ? `${clock(facts.seconds)}, ${facts.bars} bars` : '…'),
    },
    {
      title: 'Last sent',
      key: 'sent',
      width: 170,
      sorter: (a, b) => (sent(a)?.at ?? 0) - (sent(b)?.at ?? 0),
      render: (_, cue) => {
        const last = sent(cue);
        if (!last) return <span className="soft">never</span>;
        const changed = cue.changedAt > last.at ? ', changed since' : '';
        return `version ${last.version}, ${when(last.at, Math.max(now, last.at))}${changed}`;
      },
    },
    {
      title: <Unseen>Remove from the show</Unseen>,
      key: 'out',
      width: 96,
      render: (_, cue) => (
        <Tooltip title="Remove from the show; the job stays">
          <Button size="small" type="text" aria-label={`Remove ${cue.name}`} onClick={() => void takeOutCue(cue.id)}>
            Remove
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
        locale={{ emptyText: 'No matches.' }}
      />
    </div>
  );
}
