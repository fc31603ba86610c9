'use client';

import { CheckCircleOutlined, DoubleRightOutlined, PrinterOutlined } from '@ant-design/icons';
import { Button, Tooltip } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { QuerySheet } from '../queries/QuerySheet';
import { RemedyList } from '../queries/RemedyList';
import { count } from '../shared/words';
import { isFolded, madeOnDesk, openQueries, useWorkspace } from '../workspace/workspace';
import styles from './job.module.css';
import type { OpenQuery } from '@/core/engine';

/** The doubtful places, one under the other; the chosen one shows its remedies. */
export function QueryPanel() {
  const summary = useWorkspace(madeOnDesk);
  const ledger = useWorkspace((state) => state.ledger);
  const chosen = useWorkspace((state) => state.query);
  const direction = useWorkspace((state) => state.direction);
  const folded = useWorkspace(isFolded);
  const fold = useWorkspace((state) => state.fold);
  const [sheetOpen, setSheetOpen] = useState(false);
  const queries = openQueries(summary, ledger);
  if (folded)
    return (
      <aside className={styles.queriesFolded} aria-label="Queries">
        <Tooltip title="Queries (Q)" placement="left">
          <button type="button" className={styles.unfold} onClick={() => fold(false)} aria-label="Show the queries">
            {queries.length > 0 ? <span className={styles.flag}>{queries.length}</span> : <CheckCircleOutlined />}
            <span className={styles.upright}>{queries.length > 0 ? 'Queries' : 'No open queries.'}</span>
          </button>
        </Tooltip>
      </aside>
    );
  return (
    <aside className={styles.queries} aria-label="Queries">
      <div className={styles.queriesTop}>
        <h2 className={styles.queriesHead}>
          Queries <span className="soft">{summary ? queries.length : ''}</span>
        </h2>
        <Tooltip title="A sheet of queries for the composer">
          <Button
            size="small"
            type="text"
            aria-label="Query sheet"
            icon={<PrinterOutlined />}
            disabled={queries.length === 0}
            onClick={() => setSheetOpen(true)}
          />
        </Tooltip>
        <Tooltip title="Collapse (Q)">
          <Button
            size="small"
            type="text"
            aria-label="Collapse the queries"
            icon={<DoubleRightOutlined />}
            onClick={() => fold(true)}
          />
        </Tooltip>
      </div>
      {summary && queries.length === 0 && (
        <div className={styles.calm}>
          <CheckCircleOutlined className={styles.calmMark} />
          <p>No open queries.</p>
          <p className="soft">
            {direction === 'to-sequencer' ? 'The MIDI is ready to send.' : 'The score is ready to send.'}
          </p>
        </div>
      )}
      <ol className={styles.queryList}>
        {queries.map((query, i) => (
          <QueryItem key={query.id} query={query} number={i + 1} chosen={query.id === chosen} />
        ))}
      </ol>
      {queries.length > 0 && (
        <p className={styles.queryKeys}>
          <kbd>N</kbd> next <kbd>A</kbd> apply <kbd>P</kbd> preview <kbd>D</kbd> skip
        </p>
      )}
      {sheetOpen && <QuerySheet onClose={() => setSheetOpen(false)} />}
    </aside>
  );
}

function QueryItem({ query, number, chosen }: { query: OpenQuery; number: number; chosen: boolean }) {
  const point = useWorkspace((state) => state.point);
  const item = useRef<HTMLLIElement>(null);

  useEffect(() => {
    if (chosen) item.current?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);

  return (
    <li ref={item} className={chosen ? styles.queryChosen : styles.query}>
      <button type="button" className={styles.queryButton} onClick={() => point(query)} aria-expanded={chosen}>
        <span className={styles.flag} aria-hidden>
          {number}
        </span>
        <span>
          {query.message}
          {query.touched !== null && query.touched > 0 && (
            <span className={`soft ${styles.touched}`}> {count(query.touched, 'note', 'notes')}</span>
          )}
        </span>
      </button>
      {chosen && <RemedyList query={query} />}
    </li>
  );
}
