'use client';

import { say } from '@/core/words';
import type { PartId } from '@/core/base';
import { Checkbox } from 'antd';
import { MARK_CLASSES } from '@/core/score';
import { useWorkspace } from '../workspace/workspace';
import { AllOrNone, useTicks } from '../shared/ticks';
import styles from './page.module.css';
import type { PartSummary } from '@/core/engine';

/** The parts: ticked ones are in view, the chosen one is set below. */
export function PageParts({ chosen, onChoose }: { chosen: PartId; onChoose: (id: PartId) => void }) {
  const parts = useWorkspace((state) => state.summary!.parts);
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
      <ul className={styles.parts} aria-label={say('page.parts')}>
        {parts.map((part) => (
          <li key={part.id} className={part.id === chosen ? styles.partChosen : undefined}>
            <Checkbox
              checked={shown.includes(part.id)}
              aria-label={say('page.partInView', { part: part.name })}
              onChange={(event) => ticks.tick(part.id, event)}
            />
            <button
              type="button"
              className={styles.partName}
              aria-pressed={part.id === chosen}
              onClick={() => onChoose(part.id)}
            >
              {part.name}
            </button>
            <span className="soft">{waiting(part)}</span>
          </li>
        ))}
      </ul>
    </>
  );
}

function waiting({ report: { marks } }: PartSummary): string {
  const open = MARK_CLASSES.reduce((sum, mark) => sum + marks.found[mark] - marks.taken[mark], 0);
  return open > 0 ? say('page.suggestion', { open }) : '';
}
