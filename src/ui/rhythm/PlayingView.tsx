'use client';

import { Button, Collapse, InputNumber, Segmented, Select, Switch } from 'antd';
import { useState } from 'react';
import { ARTICULATIONS, DYNAMICS } from '@/core/score';
import { AuditionBar } from '../audition/AuditionBar';
import { HandBar } from '../hand/HandBar';
import { BarWalk } from '../interlinear/BarWalk';
import { Interlinear } from '../interlinear/Interlinear';
import { useWorkspace } from '../workspace/workspace';
import { CommittedNumber } from '../shared/CommittedNumber';
import { DynamicsChart } from './DynamicsChart';
import { useScoreSequence } from '../workspace/useSequence';
import pane from '../shared/pane.module.css';
import { ShownParts } from './ShownParts';
import { LOOSENING_FIELDS } from './TreatmentFields';
import { TreatmentsPanel } from './TreatmentsPanel';
import styles from '../shared/sequencing.module.css';
import { QUARTER } from '@/core/time';
import {
  DYNAMIC_CARRIERS,
  GLIDES,
  NO_LOOSENING,
  type DynamicCarrier,
  type Glides,
  type Loosening,
} from '@/core/settings';
import { CARRIER_NAMES, type Decision } from '@/core/decisions';

const NOTHING = 'nothing';
const STEPS = [1, 2, 4, 8, 16] as const;
const GLIDE_NAMES: Record<Glides, string> = {
  'as-written': 'as written',
  steps: 'in steps',
  bend: 'by pitch bend',
  none: 'not played',
};

/** Written time becomes played time: what carries the dynamics, how long notes sound, how loose it may be. */
export function PlayingView() {
  const { sequence } = useScoreSequence();
  const [look, setLook] = useState<'music' | 'dynamics'>('music');
  return (
    <div className={styles.playing}>
      <aside className={pane.side} aria-label="Playing">
        <ShownParts parts={sequence.parts} label="Parts" />
        <PlayingSettings />
      </aside>
      <div className={styles.reading}>
        <BarWalk>
          <Segmented<'music' | 'dynamics'>
            size="small"
            value={look}
            onChange={setLook}
            options={[
              { value: 'music', label: 'Music' },
              { value: 'dynamics', label: 'Dynamics' },
            ]}
          />
        </BarWalk>
        {look === 'music' ? <Interlinear /> : <DynamicsChart />}
        {look === 'music' && (
          <div className={styles.hand}>
            <HandBar />
          </div>
        )}
        <p className={`${styles.key} soft`}>Above: score; below: export to the sequencer.</p>
        <AuditionBar />
      </div>
    </div>
  );
}

function PlayingSettings() {
  const { sequence, settings } = useScoreSequence();
  const decide = useWorkspace((state) => state.decide);
  const shown = useWorkspace((state) => state.passage.parts);
  const [reach, setReach] = useState<'all' | 'shown'>('all');
  const set = (change: Partial<Omit<Extract<Decision, { kind: 'setSequencing' }>, 'kind'>>) =>
    decide({ kind: 'setSequencing', ...change });
  const first = sequence.parts.find((part) => shown.includes(part.id));
  const carriers =
    reach === 'all' ? settings.dynamicsTo : ((first && settings.parts[first.id]?.dynamicsTo) ?? settings.dynamicsTo);
  const setCarriers = (dynamicsTo: DynamicCarrier[]) =>
    reach === 'all'
      ? set({ dynamicsTo })
      : decide(...shown.map((part) => ({ kind: 'setPartSequencing' as const, part, dynamicsTo })));
  const { loosening } = settings;
  const loosen = (change: Partial<Loosening>) => set({ loosening: { ...loosening, ...change } });
  return (
    <div className={styles.panel}>
      <h2>Dynamics go to</h2>
      <Segmented<'all' | 'shown'>
        size="small"
        block
        value={reach}
        onChange={setReach}
        options={[
          { value: 'all', label: 'all parts' },
          { value: 'shown', label: 'parts in view' },
        ]}
      />
      <Select<string[]>
        mode="multiple"
        size="small"
        className={styles.fill}
        aria-label="Dynamics go to"
        placeholder={NOTHING}
        maxCount={2}
        value={[...carriers]}
        onChange={(value) => setCarriers(value as DynamicCarrier[])}
        options={DYNAMIC_CARRIERS.map((value) => ({ value, label: CARRIER_NAMES[value] }))}
      />
      <label>
        Ramp steps per quarter
        <Select<number>
          size="small"
          aria-label="Ramp steps per quarter"
          value={QUARTER / settings.rampStep}
          onChange={(n) => set({ rampStep: QUARTER / n })}
          options={STEPS.map((value) => ({ value, label: String(value) }))}
        />
      </label>
      <label>
        Slurs overlap by
        <CommittedNumber
          key={settings.slurOverlap}
          value={settings.slurOverlap}
          min={0}
          max={200}
          suffix="ms"
          label="Slur overlap"
          onCommit={(slurOverlap) => set({ slurOverlap })}
        />
      </label>
      <Toggle label="Ornaments played out" on={settings.ornaments} onChange={(ornaments) => set({ ornaments })} />
      <label>
        Glissandi, slides
        <Select<Glides>
          size="small"
          aria-label="Glissandi and slides"
          value={settings.glides}
          disabled={!settings.ornaments}
          onChange={(glides) => set({ glides })}
          options={GLIDES.map((value) => ({ value, label: GLIDE_NAMES[value] }))}
        />
      </label>
      <Toggle label="Cue notes sound" on={settings.cues} onChange={(cues) => set({ cues })} />
      <Toggle label="Chord symbols played" on={settings.chords} onChange={(chords) => set({ chords })} />
      <Collapse
        size="small"
        ghost
        items={[
          {
            key: 'levels',
            label: 'Velocity per dynamic',
            children: (
              <div className={styles.grid}>
                {DYNAMICS.map((level) => (
                  <label key={level}>
                    <i>{level}</i>
                    <CommittedNumber
                      key={settings.levels[level]}
                      value={settings.levels[level]}
                      min={1}
                      max={127}
                      label={`Velocity of ${level}`}
                      onCommit={(value) => set({ levels: { ...settings.levels, [level]: value } })}
                    />
                  </label>
                ))}
              </div>
            ),
          },
          {
            key: 'articulations',
            label: 'Length and velocity per articulation',
            children: ARTICULATIONS.map((one) => (
              <label key={one}>
                {one}
                <span className={styles.group}>
                  <InputNumber<number>
                    size="small"
                    min={5}
                    max={100}
                    suffix="%"
                    value={Math.round(settings.articulations[one].length * 100)}
                    aria-label={`Length of ${one}`}
                    onChange={(value) =>
                      value !== null &&
                      set({
                        articulations: {
                          ...settings.articulations,
                          [one]: { ...settings.articulations[one], length: value / 100 },
                        },
                      })
                    }
                  />
                  <InputNumber<number>
                    size="small"
                    min={-64}
                    max={64}
                    value={settings.articulations[one].velocity}
                    aria-label={`Velocity of ${one}`}
                    onChange={(value) =>
                      value !== null &&
                      set({
                        articulations: {
                          ...settings.articulations,
                          [one]: { ...settings.articulations[one], velocity: value },
                        },
                      })
                    }
                  />
                </span>
              </label>
            )),
          },
          { key: 'treatments', label: 'Processing by part and range', children: <TreatmentsPanel /> },
          {
            key: 'loosening',
            label: 'Humanize',
            children: (
              <>
                <p className="soft">The same seed gives the same result. At 0 the notes are exactly as notated.</p>
                {LOOSENING_FIELDS.map(([field, label, most, suffix]) => (
                  <label key={field}>
                    {label}
                    <CommittedNumber
                      key={loosening[field] ?? 0}
                      value={loosening[field] ?? 0}
                      min={0}
                      max={most}
                      {...(suffix && { suffix })}
                      label={label}
                      onCommit={(value) => loosen({ [field]: value })}
                    />
                  </label>
                ))}
                <label>
                  Swing
                  <Select<number | 'even'>
                    size="small"
                    aria-label="Swing of the eighths"
                    value={loosening.swing}
                    onChange={(swing) => loosen({ swing })}
                    options={[
                      { value: 1, label: 'as written' },
                      { value: 'even', label: 'even' },
                      ...[1.5, 2, 2.5, 3].map((value) => ({ value, label: `${value} : 1` })),
                    ]}
                  />
                </label>
                <Button size="small" onClick={() => set({ loosening: NO_LOOSENING })}>
                  Reset to score
                </Button>
              </>
            ),
          },
        ]}
      />
    </div>
  );
}

function Toggle({ label, on, onChange }: { label: string; on: boolean; onChange: (on: boolean) => void }) {
  return (
    <label>
      {label}
      <Switch size="small" aria-label={label} checked={on} onChange={onChange} />
    </label>
  );
}
