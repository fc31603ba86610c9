'use client';

import { CheckCircleOutlined } from '@ant-design/icons';
import { Button, Input, Popover } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { goToStation } from './goToStation';
import { stationOf } from './stations';
import { madeOnDesk, openQueries, useWorkspace } from './workspace';
import styles from './job.module.css';
import type { OpenQuery } from '@/core/engine';

/** The doubtful places, one under the other; the chosen one shows its remedies. */
export function QueryPanel() {
  const summary = useWorkspace(madeOnDesk);
  const ledger = useWorkspace((state) => state.ledger);
  const chosen = useWorkspace((state) => state.query);
  const direction = useWorkspace((state) => state.direction);
  const queries = openQueries(summary, ledger);
  return (
    <aside className={styles.queries} aria-label="Queries">
      <h2 className={styles.queriesHead}>
        Queries <span className="soft">{summary ? queries.length : ''}</span>
      </h2>
      {summary && queries.length === 0 && (
        <div className={styles.calm}>
          <CheckCircleOutlined className={styles.calmMark} />
          <p>Nothing is in doubt.</p>
          <p className="soft">
            {direction === 'to-sequencer' ? 'The MIDI is ready to go out.' : 'The score is ready to go out.'}
          </p>
        </div>
      )}
      <ol className={styles.queryList}>
        {queries.map((query, i) => (
          <QueryItem key={query.id} query={query} number={i + 1} chosen={query.id === chosen} />
        ))}
      </ol>
    </aside>
  );
}

function QueryItem({ query, number, chosen }: { query: OpenQuery; number: number; chosen: boolean }) {
  const point = useWorkspace((state) => state.point);
  const decide = useWorkspace((state) => state.decide);
  const job = useWorkspace((state) => state.job);
  const direction = useWorkspace((state) => state.direction);
  const item = useRef<HTMLLIElement>(null);

  useEffect(() => {
    if (chosen) item.current?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);

  const go = () => {
    point(query);
    if (job) goToStation(job.id, stationOf(query.kind, direction));
  };
  return (
    <li ref={item} className={chosen ? styles.queryChosen : styles.query}>
      <button type="button" className={styles.queryButton} onClick={go} aria-expanded={chosen}>
        <span className={styles.flag} aria-hidden>
          {number}
        </span>
        <span>{query.message}</span>
      </button>
      {chosen && (
        <div className={styles.remedies}>
          {query.remedies.map((remedy, i) => (
            <Button
              key={remedy.label}
              size="small"
              type={i === 0 ? 'primary' : 'default'}
              onClick={() => decide(remedy.decision, ...(remedy.also ?? []))}
            >
              {remedy.label}
            </Button>
          ))}
          <SetAside query={query} />
        </div>
      )}
    </li>
  );
}

/** Dismissing a query wants a reason, however short; it goes into the ledger. */
function SetAside({ query }: { query: OpenQuery }) {
  const decide = useWorkspace((state) => state.decide);
  const [open, setOpen] = useState(false);
  const [reason, setReason] = useState('');
  const finish = () => {
    setOpen(false);
    decide({ kind: 'dismissQuery', query: query.id, reason: reason.trim() });
  };
  return (
    <Popover
      open={open}
      onOpenChange={setOpen}
      trigger="click"
      content={
        <div className={styles.aside}>
          <Input
            autoFocus
            size="small"
            aria-label="Reason"
            placeholder="Reason (may stay empty)"
            value={reason}
            onChange={(event) => setReason(event.target.value)}
            onPressEnter={finish}
          />
          <Button size="small" type="primary" onClick={finish}>
            Set aside
          </Button>
        </div>
      }
    >
      <Button size="small" type="text">
        Set aside …
      </Button>
    </Popover>
  );
}
