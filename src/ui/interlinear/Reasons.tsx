'use client';

import { say } from '@/core/words';
import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { engineWorker } from '@/workers/engine-client';
import { useWorkspace } from '../workspace/workspace';
import styles from './interlinear.module.css';
import type { Reason } from '@/core/proof';

/** Why the picked note is written as it is, with what would turn each choice. */
export function Reasons() {
  const reasons = useReasons();
  const decide = useWorkspace((state) => state.decide);
  if (!reasons) return <div className={styles.reasons} />;
  return (
    <div className={styles.reasons} role="status" aria-label={say('interlinear.whyItIsWrittenSo')}>
      {reasons.map(({ words, remedies }) => (
        <span key={words}>
          {words}
          {remedies.map(({ label, decision, also = [] }) => (
            <Button key={label} type="link" size="small" onClick={() => decide(decision, ...also)}>
              {label}
            </Button>
          ))}
        </span>
      ))}
    </div>
  );
}

/** Of the note under the pointer, else of the first note picked; null while there is none or the answer is on its way. */
function useReasons(): Reason[] | null {
  const pickedNotes = useWorkspace((state) => state.picked);
  const pointed = useWorkspace((state) => state.pointed);
  const picked = pointed ? { part: pointed.part, notes: [pointed.note] } : pickedNotes;
  const edition = useWorkspace((state) => state.edition);
  const [known, setKnown] = useState<{ of: string; reasons: Reason[] } | null>(null);
  const note = picked?.notes[0];
  const part = picked?.part;
  const of = `${part} ${note} ${edition}`;
  useEffect(() => {
    if (part === undefined || note === undefined) return;
    let current = true;
    engineWorker()
      .reasons(part, note)
      .then((reasons) => current && setKnown({ of, reasons }))
      // The job may have been closed meanwhile; then there is nothing to explain.
      .catch(() => current && setKnown(null));
    return () => {
      current = false;
    };
  }, [part, note, of]);
  return note !== undefined && known?.of === of ? known.reasons : null;
}
