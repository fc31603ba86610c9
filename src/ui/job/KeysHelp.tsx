'use client';

import { say } from '@/core/words';
import { Modal } from 'antd';
import { KEYS } from './keys';
import styles from './job.module.css';

/** The list of keys. */
export function KeysHelp({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Modal title={say('job.keys2')} open={open} onCancel={onClose} footer={null} width={460}>
      <dl className={styles.keys}>
        {[...KEYS, { shown: '?', does: say('job.thisList') }].map(({ shown, does }) => (
          <div key={shown} className={styles.keyRow}>
            <dt className="mono">{shown}</dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </Modal>
  );
}
