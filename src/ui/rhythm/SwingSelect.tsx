'use client';

import { inNumbers, say } from '@/core/words';
import { Select } from 'antd';
import { useWorkspace } from '../workspace/workspace';
import type { SwingUnit } from '@/core/settings';
import { settingsOf } from '@/core/documents';

const FOUND = 'found';
const AS_PLAYED = 'as-played';
const RATIOS = [1.5, 2, 2.5, 3];

interface Choice {
  ratio: number;
  unit: SwingUnit;
}

const valueOf = ({ ratio, unit }: Choice) => (ratio === 1 ? AS_PLAYED : `${unit}/${ratio}`);
const label = ({ ratio, unit }: Choice) =>
  say('rhythm.swingRatio1Sixteenths', { ratio: inNumbers(ratio, 1), unit16th: unit === '16th' });

/** Whether eighths or sixteenths swing: found, or said. */
export function SwingSelect() {
  const swing = useWorkspace((state) => state.summary!.swing);
  const ledger = useWorkspace((state) => state.ledger)!;
  const decide = useWorkspace((state) => state.decide);
  const pinned = settingsOf(ledger).swing;
  const found =
    swing.stretches[0] && !swing.pinned
      ? say('rhythm.labelFound', { label: label(swing.stretches[0]) })
      : say('rhythm.offBeatsFoundEven');
  const usual: Choice[] = (['eighth', '16th'] as const).flatMap((unit) => RATIOS.map((ratio) => ({ ratio, unit })));
  const choices =
    pinned && pinned.ratio !== 1 && !usual.some((one) => valueOf(one) === valueOf(pinned)) ? [pinned, ...usual] : usual;
  return (
    <Select<string>
      size="small"
      aria-label={say('rhythm.swing')}
      title={swing.evidence}
      style={{ width: 190 }}
      value={pinned ? valueOf(pinned) : FOUND}
      onChange={(value) => {
        const choice = choices.find((one) => valueOf(one) === value);
        decide({
          kind: 'setSwing',
          ratio: value === FOUND ? null : (choice?.ratio ?? 1),
          ...(choice?.unit === '16th' && { unit: '16th' }),
        });
      }}
      options={[
        { value: FOUND, label: swing.pinned ? say('rhythm.offBeatsAutomatic') : found },
        { value: AS_PLAYED, label: say('rhythm.offBeatsAsPlayed') },
        ...choices.map((one) => ({ value: valueOf(one), label: label(one) })),
      ]}
    />
  );
}
