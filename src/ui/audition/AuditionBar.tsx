'use client';

import { CaretRightOutlined, PauseOutlined } from '@ant-design/icons';
import { Button, Checkbox, Segmented, Select, Tooltip } from 'antd';
import { useEffect, useState } from 'react';
import type { AuditionVersion } from '@/core/engine';
import { barsOnDesk, useWorkspace } from '../job/workspace';
import { useHearing } from './audition';
import styles from './audition.module.css';

const RATES = [0.5, 0.75, 1] as const;

/** At the foot of a station: hear the job from the first bar in view, as it was received or as it is written. */
export function AuditionBar() {
  const { version, rate, inView, sounding, failure, toggle, change, stop } = useHearing();
  const edition = useWorkspace((state) => state.edition);
  // Another station, or another score, is heard anew.
  useEffect(() => stop, [stop, edition]);
  return (
    <div className={styles.bar} role="group" aria-label="Audition">
      <Tooltip title="Space">
        <Button
          size="small"
          icon={sounding ? <PauseOutlined /> : <CaretRightOutlined />}
          aria-label={sounding ? 'Stop' : 'Hear'}
          onClick={() => void toggle()}
        >
          {sounding ? 'Stop' : 'Hear'}
        </Button>
      </Tooltip>
      <Segmented<AuditionVersion>
        size="small"
        aria-label="Version heard"
        value={version}
        onChange={(to) => void change({ version: to })}
        options={[
          { value: 'received', label: 'as received' },
          { value: 'written', label: 'as written' },
        ]}
      />
      <Select<number>
        size="small"
        aria-label="Tempo"
        value={rate}
        onChange={(to) => void change({ rate: to })}
        options={RATES.map((value) => ({ value, label: value === 1 ? 'in tempo' : `${value * 100} % of the tempo` }))}
      />
      <Checkbox checked={inView} onChange={(event) => void change({ inView: event.target.checked })}>
        parts in view only
      </Checkbox>
      <span className="soft">{failure ?? (sounding ? <Where /> : 'from the first bar in view')}</span>
    </div>
  );
}

/** The bar that sounds, by its number. */
function Where() {
  const bars = useWorkspace(barsOnDesk);
  const place = useHearing((state) => state.place);
  const [bar, setBar] = useState<number | null>(null);
  useEffect(() => {
    const timer = setInterval(() => setBar(place()), 100);
    return () => clearInterval(timer);
  }, [place]);
  const shown = bar === null ? undefined : bars[Math.min(Math.floor(bar), bars.length - 1)];
  return <>{shown ? `bar ${shown.number}` : ''}</>;
}
