'use client';

import { Select } from 'antd';
import { settingsOf } from '@/core/job';
import { useWorkspace } from '../job/workspace';

const FOUND = 0;

/** Whether the eighths swing: found, or said. */
export function SwingSelect() {
  const swing = useWorkspace((state) => state.summary!.swing);
  const ledger = useWorkspace((state) => state.ledger)!;
  const decide = useWorkspace((state) => state.decide);
  const pinned = settingsOf(ledger).swing;
  const found = swing.pinned || swing.ratio === 1 ? 'eighths: found even' : `swing found, ${swing.ratio.toFixed(1)} : 1`;
  const ratios = [1, 1.5, 2, 2.5, 3];
  return (
    <Select<number>
      size="small"
      aria-label="Swing"
      style={{ width: 158 }}
      value={pinned ?? FOUND}
      onChange={(ratio) => decide({ kind: 'setSwing', ratio: ratio === FOUND ? null : ratio })}
      options={[
        { value: FOUND, label: swing.pinned ? 'eighths: let it be found' : found },
        ...(pinned !== undefined && !ratios.includes(pinned) ? [{ value: pinned, label: `swing ${pinned} : 1` }] : []),
        ...ratios.map((ratio) => ({ value: ratio, label: ratio === 1 ? 'eighths as played' : `swing ${ratio} : 1` })),
      ]}
    />
  );
}
