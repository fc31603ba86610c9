'use client';

import { say } from '@/core/words';
import { Checkbox } from 'antd';
import { QUARTER } from '@/core/time';
import { useWorkspace } from '../workspace/workspace';
import { AllOrNone, useTicks } from '../shared/ticks';
import { GridSettings } from './GridSettings';
import styles from './rhythm.module.css';
import type { PartSummary } from '@/core/engine';

const VALUE_WORDS: Record<number, string> = {
  get [4 * QUARTER]() {
    return say('rhythm.wholeNotes');
  },
  get [2 * QUARTER]() {
    return say('rhythm.halves');
  },
  get [QUARTER]() {
    return say('rhythm.quarters');
  },
  get [QUARTER / 2]() {
    return say('rhythm.eighths');
  },
  get [QUARTER / 4]() {
    return say('rhythm.sixteenths');
  },
  get [QUARTER / 8]() {
    return say('rhythm.thirtySeconds');
  },
  get [QUARTER / 16]() {
    return say('rhythm.sixtyFourths');
  },
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
    <section className={styles.parts} aria-label={say('rhythm.parts')}>
      <div className={styles.partsHead}>
        <span>{say('rhythm.parts')}</span>
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
  const value = VALUE_WORDS[report.smallest] ?? say('rhythm.quarters');
  const lead = Object.values(report.leads)[0];
  return [
    value,
    report.tupletBeats > 0 && say('rhythm.tuplets'),
    lead &&
      lead.milliseconds !== 0 &&
      say('rhythm.millisecondsMsEarly', {
        milliseconds: Math.abs(lead.milliseconds),
        leadMillisecondsOver0: lead.milliseconds > 0,
      }),
  ]
    .filter(Boolean)
    .join(', ');
}
