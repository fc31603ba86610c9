'use client';

import { say } from '@/core/words';
import { isForComposer } from '@/core/engine';
import { App, Button, Checkbox, Modal } from 'antd';
import { useState } from 'react';
import type { QueryId } from '@/core/base';
import { madeOnDesk, openQueries, useWorkspace } from '../workspace/workspace';
import { sentence } from '../shared/receive';
import { AllOrNone, useTicks } from '../shared/ticks';
import { downloadPdf, downloadText } from './querySheet';
import styles from './queries.module.css';

/** Which queries go to the composer, and how. */
export function QuerySheet({ onClose }: { onClose: () => void }) {
  const { message } = App.useApp();
  const made = useWorkspace(madeOnDesk);
  const ledger = useWorkspace((state) => state.ledger);
  const queries = openQueries(made, ledger);
  const [left, setLeft] = useState<ReadonlySet<QueryId>>(
    // What only the copyist can answer stays here unless it is ticked.
    () => new Set(queries.filter((query) => !isForComposer(query)).map(({ id }) => id)),
  );
  const [done, setDone] = useState<number | null>(null);
  const chosen = queries.filter(({ id }) => !left.has(id));

  const ids = queries.map(({ id }) => id);
  const ticks = useTicks(
    ids,
    chosen.map(({ id }) => id),
    (ticked) => setLeft(new Set(ids.filter((id) => !ticked.includes(id)))),
  );

  async function makePdf(): Promise<void> {
    setDone(0);
    try {
      await downloadPdf(chosen, setDone);
      onClose();
    } catch (error) {
      void message.error(sentence(error));
    } finally {
      setDone(null);
    }
  }

  return (
    <Modal
      open
      width={640}
      title={say('queries.querySheet')}
      onCancel={onClose}
      footer={[
        <Button key="text" disabled={chosen.length === 0} onClick={() => downloadText(chosen)}>
          {say('queries.asText')}
        </Button>,
        <Button
          key="pdf"
          type="primary"
          disabled={chosen.length === 0}
          loading={done !== null}
          onClick={() => void makePdf()}
        >
          {say('queries.asPDF', { done: done === null, done2: done, chosen: chosen.length })}
        </Button>,
      ]}
    >
      <p className="soft">{say('queries.forWhoeverCanAnswerEachQueryWith')}</p>
      <div className={styles.sheetHead}>
        <AllOrNone ticks={ticks} />
      </div>
      <ul className={styles.sheetList}>
        {queries.map((query) => (
          <li key={query.id}>
            <Checkbox checked={!left.has(query.id)} onChange={(event) => ticks.tick(query.id, event)}>
              {query.message}
            </Checkbox>
          </li>
        ))}
      </ul>
    </Modal>
  );
}
