'use client';

import { Switch } from 'antd';
import { useWorkspace } from '../job/workspace';
import { CommittedNumber } from '../shared/CommittedNumber';
import { useMidiSequence } from '../shared/useSequence';
import { OnlySome } from './OnlySome';
import styles from '../shared/sequencing.module.css';

/** What of a MIDI file leaves, and how its beginning stands. */
export function Wanted() {
  const { sequence, settings } = useMidiSequence();
  const decide = useWorkspace((state) => state.decide);
  const { emptyBars } = settings.arranging;
  return (
    <div className={styles.sheet}>
      <h2>The beginning</h2>
      <div className={styles.settings}>
        <label>
          Empty bars before the music
          <CommittedNumber
            key={emptyBars}
            value={emptyBars}
            min={0}
            max={64}
            label="Empty bars before the music"
            onCommit={(bars) => decide({ kind: 'setArranging', emptyBars: bars })}
          />
        </label>
        <label>
          Pickup padded to a full bar
          <Switch
            size="small"
            aria-label="Pickup padded"
            disabled={!sequence.bars[0]!.implicit}
            checked={settings.padPickup}
            onChange={(padPickup) => decide({ kind: 'setSequencing', padPickup })}
          />
        </label>
      </div>
      <OnlySome />
    </div>
  );
}
