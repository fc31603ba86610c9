'use client';

import { Checkbox } from 'antd';
import { QUARTER } from '@/core/time';
import { useWorkspace } from '../workspace/workspace';
import { AllOrNone, useTicks } from '../shared/ticks';
import { GridSettings } from './GridSettings';
import styles from './rhythm.module.css';
import type { PartSummary } from '@/core/engine';

const VALUE_WORDS: Record<number, string> = {
  [4 * QUARTER]: 'whole notes',
  [2 * QUARTER]: 'halves',
  [QUARTER]: 'quarters',
  [QUARTER / 2]: 'eighths',
  [QUARTER / 4]: 'sixteenths',
  [QUARTER / 8]: 'thirty-seconds',
  [QUARTER / 16]: 'sixty-fourths',
};

/** The parts in score order: which are in view, and what the engine found for each. */
export function PartList() {
  const parts = useWorkspace((state) => state.summary!.parts);
  const shown = useWorkspace((state) => state.passage.parts);
  const show = useWorkspace((state) => state.show);
  const ticks = useTicks(
    parts.map(({ id }) => id),
    shown,
    (ids) => show({ parts: ids }),
  );
  return (
    <section className={styles.parts} aria-label="Parts">
      <div className={styles.partsHead}>
        <span>Parts</span>
        <AllOrNone ticks={ticks} />
      </div>
      <ul>
        {parts.map((part) => (
          <li key={part.id}>
            <Checkbox checked={shown.includes(part.id)} onChange={(event) => ticks.tick(part.id, event)}>
              {part.name}
            </Checkbox>
            <div className={styles.partFacts}>
              <span>{factsInWords(part)}</span>
              <GridSettings part={part} />
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}

function factsInWords({ report }: PartSummary): string {
  const value = VALUE_WORDS[report.smallest] ?? 'quarters';
  const lead = Object.values(report.leads)[0];
  return [
    value,
    report.tupletBeats > 0 && 'tuplets',
    lead && lead.milliseconds !== 0 && `${Math.abs(lead.milliseconds)} ms ${lead.milliseconds > 0 ? 'early' : 'late'}`,
  ]
    .filter(Boolean)
    .join(', ');
}
