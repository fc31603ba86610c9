'use client';

import { App, Button, Checkbox, Modal } from 'antd';
import { useState } from 'react';
import type { QueryId } from '@/core/base';
import { madeOnDesk, openQueries, useWorkspace } from '../job/workspace';
import { sentence } from '../shared/receive';
import { downloadPdf, downloadText } from './querySheet';
import styles from './queries.module.css';

/** Which queries go to the composer, and how. */
export function QuerySheet({ onClose }: { onClose: () => void }) {
  const { message } = App.useApp();
  const made = useWorkspace(madeOnDesk);
  const ledger = useWorkspace((state) => state.ledger);
  const queries = openQueries(made, ledger);
  const [left, setLeft] = useState<ReadonlySet<QueryId>>(new Set());
  const [done, setDone] = useState<number | null>(null);
  const chosen = queries.filter(({ id }) => !left.has(id));

  const toggle = (id: QueryId, on: boolean) =>
    setLeft(new Set(on ? [...left].filter((one) => one !== id) : [...left, id]));

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
      title="Query sheet"
      onCancel={onClose}
      footer={[
        <Button key="text" disabled={chosen.length === 0} onClick={() => downloadText(chosen)}>
          As text
        </Button>,
        <Button
          key="pdf"
          type="primary"
          disabled={chosen.length === 0}
          loading={done !== null}
          onClick={() => void makePdf()}
        >
          {done === null ? 'As PDF' : `Engraving ${done} of ${chosen.length} …`}
        </Button>,
      ]}
    >
      <p className="soft">
        For whoever can answer: each query with its place, the bars engraved in the PDF, and room to write.
      </p>
      <div className={styles.sheetHead}>
        <Button size="small" type="link" onClick={() => setLeft(new Set())}>
          all
        </Button>
        <Button size="small" type="link" onClick={() => setLeft(new Set(queries.map(({ id }) => id)))}>
          none
        </Button>
      </div>
      <ul className={styles.sheetList}>
        {queries.map((query) => (
          <li key={query.id}>
            <Checkbox checked={!left.has(query.id)} onChange={(event) => toggle(query.id, event.target.checked)}>
              {query.message}
            </Checkbox>
          </li>
        ))}
      </ul>
    </Modal>
  );
}
