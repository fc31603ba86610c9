'use client';

import { say } from '@/core/words';
import { DeleteOutlined } from '@ant-design/icons';
import { Button, Checkbox, Segmented, Select } from 'antd';
import { useState } from 'react';
import type { PartId } from '@/core/base';
import { treatmentInWords } from '@/core/decisions';
import { settingsOf } from '@/core/documents';
import { OF_CONTROLLERS, TREATMENT_KINDS, USUAL_TREATMENTS, type Treatment } from '@/core/settings';
import { barsOnDesk, kindOnDesk, partsOnDesk, useWorkspace } from '../workspace/workspace';
import { TreatmentFields } from './TreatmentFields';
import styles from '../shared/sequencing.module.css';

const WORDS: Record<Treatment['kind'], string> = {
  get quantize() {
    return say('rhythm.quantize');
  },
  get closeGaps() {
    return say('rhythm.closeGaps');
  },
  get trimOverlaps() {
    return say('rhythm.trimOverlaps');
  },
  get level() {
    return say('rhythm.levelVelocities');
  },
  get scale() {
    return say('rhythm.scaleVelocities');
  },
  get accents() {
    return say('rhythm.accentsByTheBar');
  },
  get loosen() {
    return say('rhythm.humanize');
  },
  get toController() {
    return say('rhythm.velocitiesToAController');
  },
  get toVelocity() {
    return say('rhythm.controllerToVelocities');
  },
  get thin() {
    return say('rhythm.thinControllers');
  },
};

/** How notes are played, treated part by part and range by range; what was decided stands in order and can be taken back. */
export function TreatmentsPanel() {
  const ledger = useWorkspace((state) => state.ledger)!;
  const decide = useWorkspace((state) => state.decide);
  const parts = useWorkspace(partsOnDesk);
  const bars = useWorkspace(barsOnDesk);
  const passage = useWorkspace((state) => state.passage);
  const isMidi = useWorkspace((state) => kindOnDesk(state) === 'midi');
  const [reach, setReach] = useState<'all' | 'shown'>('all');
  const [someBars, setSomeBars] = useState(false);
  const [does, setDoes] = useState<Treatment>(USUAL_TREATMENTS.quantize);
  const { treatments } = settingsOf(ledger).sequencing;
  const to = Math.min(bars.length, passage.from + passage.bars);
  const numbers = (from: number, until: number) => {
    const [first, last] = [bars[from]?.number ?? '', bars[until - 1]?.number ?? ''];
    return first === last ? say('rhythm.barFirst', { first }) : say('rhythm.barsFirstLast', { first, last });
  };
  const nameOf = (part: PartId | null) =>
    part === null ? say('rhythm.all') : (parts.find(({ id }) => id === part)?.name ?? part);
  const give = () => {
    const span = someBars ? { from: passage.from, to } : null;
    const reached: readonly (PartId | null)[] = reach === 'all' ? [null] : passage.parts;
    decide(...reached.map((part) => ({ kind: 'treat' as const, part, bars: span, does })));
  };
  const kinds = TREATMENT_KINDS.filter((kind) => isMidi || !OF_CONTROLLERS.has(kind));
  return (
    <>
      <Segmented<'all' | 'shown'>
        size="small"
        block
        aria-label={say('rhythm.parts')}
        value={reach}
        onChange={setReach}
        options={[
          { value: 'all', label: say('rhythm.allParts') },
          { value: 'shown', label: say('rhythm.partsInView') },
        ]}
      />
      <Checkbox checked={someBars} onChange={(event) => setSomeBars(event.target.checked)}>
        {say('rhythm.onlyNumbers', { numbers: numbers(passage.from, to) })}
      </Checkbox>
      <Select<Treatment['kind']>
        size="small"
        className={styles.fill}
        aria-label={say('rhythm.processing')}
        value={does.kind}
        onChange={(kind) => setDoes(USUAL_TREATMENTS[kind])}
        options={kinds.map((value) => ({ value, label: WORDS[value] }))}
      />
      <TreatmentFields does={does} onChange={setDoes} />
      <Button size="small" type="primary" onClick={give}>
        {say('rhythm.apply')}
      </Button>
      {treatments.length > 0 && (
        <>
          <ol className={styles.given} aria-label={say('rhythm.appliedProcessing')}>
            {treatments.map((one, i) => (
              <li key={i}>
                <span>
                  <b>{nameOf(one.part)}</b>
                  {one.bars && ` (${numbers(one.bars.from, one.bars.to)})`}: {treatmentInWords(one.does)}
                </span>
                <Button
                  size="small"
                  type="text"
                  icon={<DeleteOutlined />}
                  aria-label={say('rhythm.deleteStepI', { i: i + 1 })}
                  onClick={() => decide({ kind: 'playAsReceived', part: one.part, which: i })}
                />
              </li>
            ))}
          </ol>
          <Button size="small" onClick={() => decide({ kind: 'playAsReceived', part: null })}>
            {say('rhythm.resetToOriginal', { isMidi: Boolean(isMidi) })}
          </Button>
        </>
      )}
    </>
  );
}
