'use client';

import { say } from '@/core/words';
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
        <h2>{say('rhythm.noPartIsLeftToWrite')}</h2>
        <p>{say('rhythm.everyTrackIsEmptyOrLeftOutTakeOne')}</p>
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
              { value: 'music', label: say('rhythm.music') },
              { value: 'timing', label: say('rhythm.timing') },
            ]}
          />
          <SwingSelect />
          <Tooltip title={say('rhythm.keyC')}>
            <Button
              size="small"
              type={comparing ? 'primary' : 'default'}
              aria-pressed={comparing}
              onClick={() => compare(!comparing)}
            >
              {say('rhythm.beforeTheLastChange', { comparing: Boolean(comparing) })}
            </Button>
          </Tooltip>
          {side === 'music' && <HandBar />}
        </div>
        {side === 'music' && <Reasons />}
        <AuditionBar />
        <div className={styles.legend}>
          <span aria-hidden>
            <i className={styles.keyPlayed} /> {say('rhythm.asPlayed')}
          </span>
          <span aria-hidden>
            <i className={styles.keyPlace} /> {say('rhythm.writtenPosition')}
          </span>
          <span aria-hidden>
            <i className={styles.keyGrid} /> {say('rhythm.fittedGrid')}
          </span>
          <span className={styles.audit}>{summary.audit}</span>
        </div>
      </div>
      {/* On the left, and after the music for the keyboard. */}
      <PartList />
    </div>
  );
}
