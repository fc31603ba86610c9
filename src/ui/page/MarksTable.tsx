'use client';

import { inList, say, withinASentence } from '@/core/words';
import { Checkbox, Segmented, Select } from 'antd';
import { useState } from 'react';
import { instrumentById } from '@/core/instruments';
import { MARK_CLASSES, type MarkClass } from '@/core/score';
import { useWorkspace } from '../workspace/workspace';
import styles from './page.module.css';
import { MARK_STRENGTHS, usualMarkUse, type MarkRule, type MarkStrength, type MarkUse } from '@/core/settings';
import { MARK_NAMES } from '@/core/decisions';
import { settingsOf } from '@/core/documents';
import type { PartSummary } from '@/core/engine';

const USE_WORDS: Record<MarkUse, string> = {
  get off() {
    return say('page.off');
  },
  get suggest() {
    return say('page.suggest');
  },
  get on() {
    return say('page.include');
  },
};

/** Each class of marks that was found in the playing: off, suggested or taken, and how much it takes to find one. */
export function MarksTable({ part }: { part: PartSummary }) {
  const summary = useWorkspace((state) => state.summary)!;
  const ledger = useWorkspace((state) => state.ledger)!;
  const passage = useWorkspace((state) => state.passage);
  // A score has its marks: what its playback suggests is only looked for where somebody asks.
  const asWritten = useWorkspace((state) => state.opened?.facts.format === null);
  const usual = (mark: MarkClass): MarkUse => (asWritten ? 'off' : usualMarkUse(mark, part.instrument));
  const decide = useWorkspace((state) => state.decide);
  const [reach, setReach] = useState<'part' | 'family' | 'all'>('part');
  const [someBars, setSomeBars] = useState(false);
  const { marks } = part.report;
  const from = Math.min(passage.from, summary.bars.length - 1);
  const bars = { from, to: Math.min(summary.bars.length, from + passage.bars) };
  const rules = settingsOf(ledger).marks[part.id] ?? [];
  const family = instrumentById(part.instrument).family;
  const reached = summary.parts.filter((one) =>
    reach === 'part' ? one.id === part.id : reach === 'all' || instrumentById(one.instrument).family === family,
  );
  const set = (mark: MarkClass, change: Partial<Pick<MarkRule, 'use' | 'strength'>>) => {
    const now = ruleNow(rules, mark, someBars ? from : null, usual(mark));
    decide(
      ...reached.map((one) => ({
        kind: 'setMarks' as const,
        part: one.id,
        mark,
        ...now,
        ...change,
        ...(someBars && { bars }),
      })),
    );
  };
  return (
    <div className={styles.marks}>
      <Segmented<'part' | 'family' | 'all'>
        size="small"
        block
        value={reach}
        onChange={(value) => setReach(value)}
        options={[
          { value: 'part', label: say('page.thisPart') },
          { value: 'family', label: say('page.itsFamily') },
          { value: 'all', label: say('page.allParts') },
        ]}
      />
      <Checkbox checked={someBars} onChange={(event) => setSomeBars(event.target.checked)}>
        {say('page.onlyInBarsBarsBars2', {
          bars: summary.bars[bars.from]!.number,
          bars2: summary.bars[bars.to - 1]!.number,
        })}
      </Checkbox>
      {MARK_CLASSES.map((mark) => {
        const now = ruleNow(rules, mark, someBars ? from : null, usual(mark));
        return (
          <div key={mark} className={styles.mark}>
            <span>
              {MARK_NAMES[mark]} <span className="soft">{marks.found[mark] > 0 ? marks.found[mark] : ''}</span>
            </span>
            <Select<MarkUse>
              size="small"
              aria-label={say('page.markNamesOfPart', { markNames: MARK_NAMES[mark], part: part.name })}
              value={now.use}
              onChange={(use) => set(mark, { use })}
              options={Object.entries(USE_WORDS).map(([value, label]) => ({ value: value as MarkUse, label }))}
            />
            {mark === 'pedal' || mark === 'breaths' ? (
              <span />
            ) : (
              <Select<MarkStrength>
                size="small"
                aria-label={say('page.howManyMarkNamesOfPart', {
                  markNames: withinASentence(MARK_NAMES[mark]),
                  part: part.name,
                })}
                value={now.strength}
                disabled={now.use === 'off'}
                onChange={(strength) => set(mark, { strength })}
                options={MARK_STRENGTHS.map((value) => ({
                  value,
                  label: value === 'usual' ? say('page.some') : value,
                }))}
              />
            )}
          </div>
        );
      })}
      <p className="soft">
        {say('page.whereDynamicsAreRead', {
          marksLoudnessFromOver0: marks.loudnessFrom.length > 0,
          loudnessFrom: inList(marks.loudnessFrom),
        })}
      </p>
    </div>
  );
}

/** The rule in force: for the whole part, or in a bar. */
function ruleNow(
  rules: readonly MarkRule[],
  mark: MarkClass,
  bar: number | null,
  usual: MarkUse,
): Pick<MarkRule, 'use' | 'strength'> {
  const rule = rules.findLast(
    (one) => one.mark === mark && (!one.bars || (bar !== null && bar >= one.bars.from && bar < one.bars.to)),
  );
  return rule ? { use: rule.use, strength: rule.strength } : { use: usual, strength: 'usual' };
}
