'use client';

import { say } from '@/core/words';
import { Table } from 'antd';
import { DIFFERENCE_KINDS, type Agreement, type DifferenceKind } from '@/core/proof';
import { rowKeys } from '../shared/rowKeys';
import styles from './proof.module.css';

const TITLES: Record<DifferenceKind, string> = {
  get moved() {
    return say('proof.moved');
  },
  get length() {
    return say('proof.length');
  },
  get pitch() {
    return say('proof.pitch');
  },
  get missing() {
    return say('proof.missing');
  },
  get extra() {
    return say('proof.extra');
  },
};

/** A table of more rows draws only those in sight. */
const MOST_DRAWN = 60;

interface Props {
  agreement: Agreement;
  part: number | null;
  onPart: (part: number | null) => void;
}

/** How many notes of each part are the same, and what the others are. */
export function PartCounts({ agreement, part, onPart }: Props) {
  const rows = agreement.parts.map((one, index) => ({ ...one, index }));
  const kinds = DIFFERENCE_KINDS.filter((kind) => rows.some(({ differing }) => differing[kind] > 0));
  return (
    <Table
      size="small"
      rowKey="index"
      pagination={false}
      dataSource={rows}
      rowClassName={(row) => (row.index === part ? styles.rowChosen! : '')}
      onRow={(row) => rowKeys(() => onPart(row.index === part ? null : row.index))}
      virtual={rows.length > MOST_DRAWN}
      scroll={rows.length > MOST_DRAWN ? { y: 300, x: 400 } : { y: 300 }}
      columns={[
        {
          title: say('proof.part'),
          key: 'part',
          ellipsis: true,
          width: 150,
          render: (_, { names: [a, b] }) => (a && b && a !== b ? `${a} · ${b}` : (a ?? b)),
        },
        {
          title: say('proof.notes'),
          key: 'notes',
          width: 60,
          align: 'right',
          render: (_, { notes }) => notes[0] || notes[1],
        },
        { title: say('proof.same'), dataIndex: 'same', width: 56, align: 'right' },
        ...kinds.map((kind) => ({
          title: TITLES[kind],
          key: kind,
          width: 68,
          align: 'right' as const,
          render: (_: unknown, row: (typeof rows)[number]) => (
            <Count all={row.differing[kind]} explained={row.decided[kind] + row.converted[kind]} />
          ),
        })),
      ]}
    />
  );
}

/** What nobody answers for stands out. */
function Count({ all, explained }: { all: number; explained: number }) {
  if (all === 0) return <span className="soft">–</span>;
  const open = all - explained;
  return open > 0 ? (
    <b className={styles.open}>{open === all ? all : say('proof.openOfAll', { open, all })}</b>
  ) : (
    <span>{all}</span>
  );
}
