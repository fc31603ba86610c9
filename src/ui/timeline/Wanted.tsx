'use client';

import { say } from '@/core/words';
import { useWorkspace } from '../workspace/workspace';
import { CommittedNumber } from '../shared/CommittedNumber';
import { useMidiSequence } from '../workspace/useSequence';
import { OnlySome } from './OnlySome';
import { PickupSwitch } from './PickupSwitch';
import styles from '../shared/sequencing.module.css';

/** What of a MIDI file leaves, and how its beginning stands. */
export function Wanted() {
  const { settings } = useMidiSequence();
  const decide = useWorkspace((state) => state.decide);
  const { emptyBars } = settings.arranging;
  return (
    <div className={styles.sheet}>
      <h2>{say('timeline.start')}</h2>
      <div className={styles.settings}>
        <label>
          {say('timeline.emptyBarsBeforeTheMusic')}
          <CommittedNumber
            key={emptyBars}
            value={emptyBars}
            min={0}
            max={64}
            label={say('timeline.emptyBarsBeforeTheMusic')}
            onCommit={(bars) => decide({ kind: 'setArranging', emptyBars: bars })}
          />
        </label>
        <PickupSwitch />
      </div>
      <OnlySome />
    </div>
  );
}
