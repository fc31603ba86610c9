'use client';

import { Checkbox } from 'antd';
import type { PartId } from '@/core/base';
import { useWorkspace } from '../workspace/workspace';
import { AllOrNone, useTicks } from '../shared/ticks';
import styles from '../shared/sequencing.module.css';

/** Which parts are in view. */
export function ShownParts({ parts, label }: { parts: readonly { id: PartId; name: string }[]; label: string }) {
  const shown = useWorkspace((state) => state.passage.parts);
  const show = useWorkspace((state) => state.show);
  const ticks = useTicks(
    parts.map(({ id }) => id),
    shown,
    (ids) => show({ parts: ids }),
  );
  return (
    <>
      <AllOrNone ticks={ticks} />
      <ul className={styles.parts} aria-label={label}>
        {parts.map(({ id, name }) => (
          <li key={id}>
            <Checkbox checked={shown.includes(id)} onChange={(event) => ticks.tick(id, event)}>
              {name}
            </Checkbox>
          </li>
        ))}
      </ul>
    </>
  );
}
