'use client';

import { say } from '@/core/words';
import { Table } from 'antd';
import { keyInWords } from '@/core/score';
import { clock } from '../shared/words';
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
      <h1>{sequence.title || say('intake.untitledScore')}</h1>
      <p className="soft">
        {[
          sequence.composer,
          say('intake.part', { parts: sequence.parts.length }),
          say('intake.bar', { bars: sequence.bars.length }),
          sequence.order.length !== sequence.bars.length &&
            say('intake.orderAsPlayed', { order: sequence.order.length }),
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
          { title: say('intake.part2'), key: 'name', width: 180, render: (_, part) => part.name },
          {
            title: say('intake.instrument'),
            key: 'instrument',
            width: 150,
            render: (_, part) => (
              <span className={part.instrument === 'unknown' ? styles.unsure : undefined}>{part.instrumentName}</span>
            ),
          },
          {
            title: say('intake.notes'),
            key: 'notes',
            width: 64,
            align: 'right',
            render: (_, part) => <span className="mono">{part.notes}</span>,
          },
          {
            title: say('intake.range'),
            key: 'range',
            width: 96,
            render: (_, part) =>
              part.lowest === null || part.unpitched ? '' : `${keyInWords(part.lowest)}–${keyInWords(part.highest!)}`,
          },
          {
            title: say('intake.markings'),
            key: 'marks',
            width: 190,
            render: (_, part) => (
              <span className="soft">
                {[
                  part.dynamics > 0 && say('intake.dynamic', { dynamics: part.dynamics }),
                  part.hairpins > 0 && say('intake.hairpin', { hairpins: part.hairpins }),
                  part.slurs > 0 && say('intake.slur', { slurs: part.slurs }),
                ]
                  .filter(Boolean)
                  .join(', ')}
              </span>
            ),
          },
          {
            title: say('intake.techniques'),
            key: 'techniques',
            render: (_, part) => <span className="soft">{part.techniques.join(', ')}</span>,
          },
        ]}
      />
    </div>
  );
}
