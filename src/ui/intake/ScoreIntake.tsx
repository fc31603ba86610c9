'use client';

import { Table } from 'antd';
import { keyInWords } from '@/core/score';
import { clock, count } from '../shared/words';
import { useScoreSequence } from '../workspace/useSequence';
import { Originals } from './Originals';
import { PassedOver } from './PassedOver';
import styles from '../shared/sequencing.module.css';
import type { ScorePartSummary } from '@/core/engine';

/** What arrived: the parts of a score. */
export function ScoreIntake() {
  const { sequence } = useScoreSequence();
  return (
    <div className={styles.sheet}>
      <h1>{sequence.title || 'Untitled score'}</h1>
      <p className="soft">
        {[
          sequence.composer,
          count(sequence.parts.length, 'part', 'parts'),
          count(sequence.bars.length, 'bar', 'bars'),
          sequence.order.length !== sequence.bars.length && `${sequence.order.length} as played`,
          clock(sequence.seconds),
          sequence.keys.join(' → '),
        ]
          .filter(Boolean)
          .join(', ')}
      </p>
      <Originals />
      <PassedOver />
      <Table<ScorePartSummary>
        size="small"
        rowKey="id"
        pagination={false}
        virtual
        scroll={{ x: 640, y: 520 }}
        dataSource={sequence.parts}
        columns={[
          { title: 'Part', key: 'name', width: 180, render: (_, part) => part.name },
          {
            title: 'Instrument',
            key: 'instrument',
            width: 150,
            render: (_, part) => (
              <span className={part.instrument === 'unknown' ? styles.unsure : undefined}>{part.instrumentName}</span>
            ),
          },
          {
            title: 'Notes',
            key: 'notes',
            width: 64,
            align: 'right',
            render: (_, part) => <span className="mono">{part.notes}</span>,
          },
          {
            title: 'Range',
            key: 'range',
            width: 96,
            render: (_, part) =>
              part.lowest === null || part.unpitched ? '' : `${keyInWords(part.lowest)}–${keyInWords(part.highest!)}`,
          },
          {
            title: 'Markings',
            key: 'marks',
            width: 190,
            render: (_, part) => (
              <span className="soft">
                {[
                  part.dynamics > 0 && count(part.dynamics, 'dynamic', 'dynamics'),
                  part.hairpins > 0 && count(part.hairpins, 'hairpin', 'hairpins'),
                  part.slurs > 0 && count(part.slurs, 'slur', 'slurs'),
                ]
                  .filter(Boolean)
                  .join(', ')}
              </span>
            ),
          },
          {
            title: 'Techniques',
            key: 'techniques',
            render: (_, part) => <span className="soft">{part.techniques.join(', ')}</span>,
          },
        ]}
      />
    </div>
  );
}
