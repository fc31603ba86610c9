'use client';

import { say } from '@/core/words';
import { sayRich } from '@/ui/shared/sayRich';
import { CheckCircleOutlined, DoubleRightOutlined, PrinterOutlined } from '@ant-design/icons';
import { Button, Tooltip } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { QuerySheet } from '../queries/QuerySheet';
import { RemedyList } from '../queries/RemedyList';
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
      <aside className={styles.queriesFolded} aria-label={say('job.queries')}>
        <Tooltip title={say('job.queriesQ')} placement="left">
          <button
            type="button"
            className={styles.unfold}
            onClick={() => fold(false)}
            aria-label={say('job.showTheQueries')}
          >
            {queries.length > 0 ? <span className={styles.flag}>{queries.length}</span> : <CheckCircleOutlined />}
            <span className={styles.upright}>{say('job.queries2', { queriesOver0: queries.length > 0 })}</span>
          </button>
        </Tooltip>
      </aside>
    );
  return (
    <aside className={styles.queries} aria-label={say('job.queries')}>
      <div className={styles.queriesTop}>
        <h2 className={styles.queriesHead}>
          {sayRich(
            'job.queriesSummary',
            {
              summary: summary ? queries.length : '',
            },
            { soft: (chunks) => <span className="soft">{chunks}</span> },
          )}
        </h2>
        <Tooltip title={say('job.aSheetOfQueriesForTheComposer')}>
          <Button
            size="small"
            type="text"
            aria-label={say('job.querySheet')}
            icon={<PrinterOutlined />}
            disabled={queries.length === 0}
            onClick={() => setSheetOpen(true)}
          />
        </Tooltip>
        <Tooltip title={say('job.collapseQ')}>
          <Button
            size="small"
            type="text"
            aria-label={say('job.collapseTheQueries')}
            icon={<DoubleRightOutlined />}
            onClick={() => fold(true)}
          />
        </Tooltip>
      </div>
      {summary && queries.length === 0 && (
        <div className={styles.calm}>
          <CheckCircleOutlined className={styles.calmMark} />
          <p>{say('job.noOpenQueries')}</p>
          <p className="soft">{say('job.theMIDIIsReadyToSend', { toSequencer: direction === 'to-sequencer' })}</p>
        </div>
      )}
      <ol className={styles.queryList}>
        {queries.map((query, i) => (
          <QueryItem key={query.id} query={query} number={i + 1} chosen={query.id === chosen} />
        ))}
      </ol>
      {queries.length > 0 && (
        <p className={styles.queryKeys}>
          {sayRich('job.nNextAApplyPPreviewDSkip', {}, { kbd: (chunks) => <kbd>{chunks}</kbd> })}
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
            <span className={`soft ${styles.touched}`}> {say('job.note', { touched: query.touched })}</span>
          )}
        </span>
      </button>
      {chosen && <RemedyList query={query} />}
    </li>
  );
}
