'use client';

import { say } from '@/core/words';
import { Select } from 'antd';
import { NEUTRAL_VOLUMES, type DirectionB } from '@/core/settings';
import { useWorkspace } from './workspace';

/** Controller 7 at the start of each track, or none. */
export function NeutralVolume({
  value,
  disabled,
  label,
}: {
  value: DirectionB['neutralVolume'];
  disabled?: boolean;
  label: string;
}) {
  const decide = useWorkspace((state) => state.decide);
  return (
    <Select<number>
      size="small"
      aria-label={label}
      disabled={disabled}
      value={value ?? 0}
      onChange={(chosen) =>
        decide({ kind: 'setSequencing', neutralVolume: NEUTRAL_VOLUMES.find((one) => one === chosen) ?? null })
      }
      options={[
        { value: 0, label: say('workspace.none') },
        ...NEUTRAL_VOLUMES.map((one) => ({ value: one, label: say('workspace.controller7One', { one }) })),
      ]}
    />
  );
}
