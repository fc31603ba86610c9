'use client';

import { say } from '@/core/words';
import { CheckOutlined, WarningOutlined } from '@ant-design/icons';
import { useState } from 'react';
import { Button } from 'antd';
import type { Checked } from '@/core/dispatch';
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
    <section className={styles.findings} aria-label={say('dispatch.deliveryCheck')}>
      <h2>{say('dispatch.deliveryCheck')}</h2>
      <p className="soft">
        {say('dispatch.readBackVerdict', {
          bad0: bad.length === 0,
          checked: checked.length,
          bad: bad.length,
        })}
      </p>
      {shown.map(({ path, findings }) => (
        <div key={path}>
          <h3>{path}</h3>
          <ul>
            {findings.map(({ ok, words }) => (
              <li key={words} className={ok ? styles.good : styles.bad}>
                {ok ? (
                  <CheckOutlined aria-label={say('dispatch.good')} />
                ) : (
                  <WarningOutlined aria-label={say('dispatch.problem')} />
                )}{' '}
                {words}
              </li>
            ))}
          </ul>
        </div>
      ))}
      {shown.length < sorted.length && (
        <Button size="small" type="link" onClick={() => setAll(true)}>
          {say('dispatch.andSortedMore', { sorted: sorted.length - shown.length })}
        </Button>
      )}
    </section>
  );
}
