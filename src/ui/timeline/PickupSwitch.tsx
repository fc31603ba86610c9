'use client';

import { say } from '@/core/words';
import { Switch } from 'antd';
import { settingsOf } from '@/core/documents';
import { barsOnDesk, useWorkspace } from '../workspace/workspace';

/** A pickup becomes a full bar with silence at its start. */
export function PickupSwitch() {
  const bars = useWorkspace(barsOnDesk);
  const { padPickup } = settingsOf(useWorkspace((state) => state.ledger)!).sequencing;
  const decide = useWorkspace((state) => state.decide);
  return (
    <label>
      {say('timeline.pickupPaddedToAFullBar')}
      <Switch
        size="small"
        aria-label={say('timeline.pickupPadded')}
        disabled={!bars[0]?.implicit}
        checked={padPickup}
        onChange={(on) => decide({ kind: 'setSequencing', padPickup: on })}
      />
    </label>
  );
}
