'use client';

import { Checkbox } from 'antd';
import type { PartId } from '@/core/base';
import { useWorkspace } from '../job/workspace';
import styles from '../shared/sequencing.module.css';

/** Which parts are in view. */
export function ShownParts({ parts, label }: { parts: readonly { id: PartId; name: string }[]; label: string }) {
  const shown = useWorkspace((state) => state.passage.parts);
  const show = useWorkspace((state) => state.show);
  return (
    <ul className={styles.parts} aria-label={label}>
      {parts.map(({ id, name }) => (
        <li key={id}>
          <Checkbox
            checked={shown.includes(id)}
            onChange={(event) =>
              show({ parts: event.target.checked ? [...shown, id] : shown.filter((other) => other !== id) })
            }
          >
            {name}
          </Checkbox>
        </li>
      ))}
    </ul>
  );
}
