'use client';

import { Button, Segmented, Tooltip } from 'antd';
import { useState } from 'react';
import { AuditionBar } from '../audition/AuditionBar';
import { BarWalk } from '../interlinear/BarWalk';
import { Interlinear } from '../interlinear/Interlinear';
import { Reasons } from '../interlinear/Reasons';
import { useWorkspace } from '../workspace/workspace';
import { PartList } from './PartList';
import { HandBar } from '../hand/HandBar';
import { SwingSelect } from './SwingSelect';
import { TimingCharts } from './TimingCharts';
import styles from './rhythm.module.css';

/** Played time becomes written time: the parts at the side, the interlinear view, and where in the piece one is. */
export function RhythmView() {
  const summary = useWorkspace((state) => state.summary)!;
  const comparing = useWorkspace((state) => state.comparing);
  const compare = useWorkspace((state) => state.compare);
  const [side, setSide] = useState<'music' | 'timing'>('music');
  if (summary.parts.length === 0) {
    return (
      <div className={styles.nothing}>
        <h2>No part is left to write</h2>
        <p>Every track is empty or left out. Take one in at Intake.</p>
      </div>
    );
  }
  return (
    <div className={styles.view}>
      <div className={styles.reading}>
        <BarWalk />
        {side === 'music' ? <Interlinear /> : <TimingCharts />}
        <div className={styles.tools}>
          <Segmented<'music' | 'timing'>
            size="small"
            value={side}
            onChange={setSide}
            options={[
              { value: 'music', label: 'Music' },
              { value: 'timing', label: 'Timing' },
            ]}
          />
          <SwingSelect />
          <Tooltip title="Key C">
            <Button
              size="small"
              type={comparing ? 'primary' : 'default'}
              aria-pressed={comparing}
              onClick={() => compare(!comparing)}
            >
              {comparing ? 'Before the last change' : 'Compare with before'}
            </Button>
          </Tooltip>
          {side === 'music' && <HandBar />}
        </div>
        {side === 'music' && <Reasons />}
        <AuditionBar />
        <div className={styles.legend}>
          <span aria-hidden>
            <i className={styles.keyPlayed} /> as played
          </span>
          <span aria-hidden>
            <i className={styles.keyPlace} /> written position
          </span>
          <span aria-hidden>
            <i className={styles.keyGrid} /> fitted grid
          </span>
          <span className={styles.audit}>{summary.audit}</span>
        </div>
      </div>
      {/* On the left, and after the music for the keyboard. */}
      <PartList />
    </div>
  );
}
