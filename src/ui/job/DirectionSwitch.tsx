'use client';

import { Segmented } from 'antd';
import type { Direction } from '@/storage/schema';
import { goToStation } from './goToStation';
import { useWorkspace } from './workspace';
import styles from './job.module.css';

/** Which way the job goes. A MIDI file can become a score or a cleaner MIDI file; a score only goes to a sequencer. */
export function DirectionSwitch() {
  const direction = useWorkspace((state) => state.direction);
  const original = useWorkspace((state) => state.original);
  const job = useWorkspace((state) => state.job);
  const turn = useWorkspace((state) => state.turn);
  if (original === 'score') return <span className={styles.direction}>To sequencer</span>;
  return (
    <Segmented<Direction>
      size="small"
      className={styles.directions}
      aria-label="Direction"
      value={direction}
      onChange={(next) => {
        void turn(next);
        if (job) goToStation(job.id, 'intake');
      }}
      options={[
        { value: 'to-score', label: 'To score' },
        { value: 'to-sequencer', label: 'To sequencer' },
      ]}
    />
  );
}
