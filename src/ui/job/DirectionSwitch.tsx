'use client';

import { say } from '@/core/words';
import { Segmented } from 'antd';
import type { Direction } from '@/storage/schema';
import { goToStation } from '../workspace/goToStation';
import { useWorkspace } from '../workspace/workspace';
import styles from './job.module.css';

/** Which way the job goes: MIDI and scores go both ways, with the same decisions. */
export function DirectionSwitch() {
  const direction = useWorkspace((state) => state.direction);
  const job = useWorkspace((state) => state.job);
  const turn = useWorkspace((state) => state.turn);
  // Before the job is open nobody knows which way it goes.
  if (!job) return null;
  return (
    <Segmented<Direction>
      size="small"
      className={styles.directions}
      aria-label={say('job.direction')}
      value={direction}
      onChange={(next) => {
        void turn(next);
        goToStation(job.id, 'intake');
      }}
      options={[
        { value: 'to-score', label: say('job.toScore') },
        { value: 'to-sequencer', label: say('job.toSequencer') },
      ]}
    />
  );
}
