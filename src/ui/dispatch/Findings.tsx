'use client';

import { CheckOutlined, WarningOutlined } from '@ant-design/icons';
import { useState } from 'react';
import { Button } from 'antd';
import type { Checked } from '@/core/dispatch';
import { count } from '../shared/words';
import styles from './dispatch.module.css';

/** So many files are shown at once; those somebody would stumble over come first. */
const MOST = 6;

/** What receivers found in the files that went out. */
export function Findings({ checked }: { checked: readonly Checked[] }) {
  const [all, setAll] = useState(false);
  const isBad = ({ findings }: Checked) => findings.some(({ ok }) => !ok);
  const bad = checked.filter(isBad);
  const sorted = [...bad, ...checked.filter((one) => !isBad(one))];
  const shown = all ? sorted : sorted.slice(0, Math.max(MOST, bad.length));
  return (
    <section className={styles.findings} aria-label="Delivery check">
      <h2>Delivery check</h2>
      <p className="soft">
        {bad.length === 0
          ? `Read back as a strict notation reader and a plain sequencer would: no problems in ${count(checked.length, 'file', 'files')}.`
          : `${count(bad.length, 'file', 'files')} of ${checked.length} may not import.`}
      </p>
      {shown.map(({ path, findings }) => (
        <div key={path}>
          <h3>{path}</h3>
          <ul>
            {findings.map(({ ok, words }) => (
              <li key={words} className={ok ? styles.good : styles.bad}>
                {ok ? <CheckOutlined aria-label="good" /> : <WarningOutlined aria-label="query" />} {words}
              </li>
            ))}
          </ul>
        </div>
      ))}
      {shown.length < sorted.length && (
        <Button size="small" type="link" onClick={() => setAll(true)}>
          And {sorted.length - shown.length} more
        </Button>
      )}
    </section>
  );
}
