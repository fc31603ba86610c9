'use client';

import { say } from '@/core/words';
import { Segmented, Spin } from 'antd';
import { useState } from 'react';
import { AuditionBar } from '../audition/AuditionBar';
import { kindOnDesk, useWorkspace } from '../workspace/workspace';
import { BarsPanel } from './BarsPanel';
import { ChangesTable } from './ChangesTable';
import { FreePlaying } from './FreePlaying';
import { PlayedOrder } from './PlayedOrder';
import { Wanted } from './Wanted';
import { StudioView } from './StudioView';
import { TimeChart } from './TimeChart';
import { useMetersFixed, useTimeLine } from './useTimeLine';
import styles from './timeline.module.css';

const LOOKS = ['line', 'free', 'studio', 'order'] as const;
type Look = (typeof LOOKS)[number];
const WORDS: Record<Look, string> = {
  get line() {
    return say('timeline.overview');
  },
  get free() {
    return say('timeline.freePlaying');
  },
  get studio() {
    return say('timeline.studio');
  },
  get order() {
    return say('timeline.playingOrder');
  },
};

/** One time line for everybody: tempo, meters, markers and bar numbers, mended and taken to the studio. */
export function TimelineView() {
  const direction = useWorkspace((state) => state.direction);
  const [look, setLook] = useState<Look>('line');
  const { line, failure } = useTimeLine();
  const played = useWorkspace((state) => kindOnDesk(state) === 'score');
  const isScore = useMetersFixed();
  const offered: Record<Look, boolean> = {
    line: true,
    free: direction === 'to-score' && !isScore,
    studio: true,
    order: direction === 'to-sequencer',
  };
  const looks = LOOKS.filter((one) => offered[one]);
  return (
    <div className={styles.frame}>
      <div className={styles.view}>
        <Segmented<Look>
          aria-label={say('timeline.view')}
          className={styles.looks}
          value={look}
          onChange={setLook}
          options={looks.map((value) => ({ value, label: WORDS[value] }))}
        />
        {failure && <p className={styles.failure}>{failure}</p>}
        {!line && !failure && <Spin className={styles.spin} description={say('timeline.loadingTheBars')} />}
        {line && look === 'line' && (
          <>
            <TimeChart line={line} />
            <div className={styles.columns}>
              <ChangesTable line={line} />
              <BarsPanel line={line} />
            </div>
          </>
        )}
        {line && look === 'free' && direction === 'to-score' && (
          <>
            <TimeChart line={line} />
            <FreePlaying line={line} />
          </>
        )}
        {line && look === 'studio' && <StudioView line={line} />}
        {look === 'order' && (played ? <PlayedOrder /> : <Wanted />)}
      </div>
      <AuditionBar />
    </div>
  );
}
