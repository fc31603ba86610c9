'use client';

import { Modal } from 'antd';
import { useEffect } from 'react';
import { KEYS } from './keys';
import styles from './job.module.css';

export function KeysHelp({ open, onOpen, onClose }: { open: boolean; onOpen: () => void; onClose: () => void }) {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === '?' && !(event.target as HTMLElement).closest('input, textarea')) onOpen();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [onOpen]);
  return (
    <Modal title="Keys" open={open} onCancel={onClose} footer={null} width={360}>
      <dl className={styles.keys}>
        {KEYS.map(({ keys, does }) => (
          <div key={keys} className={styles.keyRow}>
            <dt className="mono">{keys}</dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </Modal>
  );
}
