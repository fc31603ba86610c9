'use client';

import { say } from '@/core/words';
import { Button, Drawer, Empty } from 'antd';
import { nameOf, useWorkspace } from '../workspace/workspace';
import styles from './job.module.css';
import { describe } from '@/core/decisions';

/** Every decision of the job in order. Choosing a line goes back, or forward, to just after it. */
export function LedgerDrawer({ open, onClose }: { open: boolean; onClose: () => void }) {
  const ledger = useWorkspace((state) => state.ledger);
  const summary = useWorkspace((state) => state.summary);
  const sequence = useWorkspace((state) => state.sequence);
  const opened = useWorkspace((state) => state.opened);
  const moveTo = useWorkspace((state) => state.moveTo);
  const decisions = ledger?.decisions ?? [];
  return (
    <Drawer title={say('job.ledger')} open={open} onClose={onClose} size={380}>
      {decisions.length === 0 && (
        <Empty image={Empty.PRESENTED_IMAGE_SIMPLE} description={say('job.noDecisionsYetEverythingSoFarWas')} />
      )}
      {decisions.length > 0 && (
        <>
          <p className="soft">{say('job.chooseALineToGoToTheStateJustAfter')}</p>
          <ol className={styles.ledger}>
            <li>
              <Button type="text" block className={styles.ledgerLine} onClick={() => moveTo(0)}>
                {say('job.asTheEngineFoundIt')}
              </Button>
            </li>
            {decisions.map((decision, i) => (
              <li key={i} className={i < ledger!.position ? undefined : styles.undone}>
                <Button
                  type="text"
                  block
                  className={styles.ledgerLine}
                  aria-current={i + 1 === ledger!.position}
                  onClick={() => moveTo(i + 1)}
                >
                  {i + 1}. {describe(decision, (id) => nameOf(summary, opened, id, sequence))}
                </Button>
              </li>
            ))}
          </ol>
        </>
      )}
    </Drawer>
  );
}
