'use client';

import { say } from '@/core/words';
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
import { looseningFields } from './TreatmentFields';
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
  get 'as-written'() {
    return say('rhythm.asWritten');
  },
  get steps() {
    return say('rhythm.inSteps');
  },
  get bend() {
    return say('rhythm.byPitchBend');
  },
  get none() {
    return say('rhythm.notPlayed');
  },
};

/** Written time becomes played time: what carries the dynamics, how long notes sound, how loose it may be. */
export function PlayingView() {
  const { sequence } = useScoreSequence();
  const [look, setLook] = useState<'music' | 'dynamics'>('music');
  return (
    <div className={styles.playing}>
      <aside className={pane.side} aria-label={say('rhythm.playing')}>
        <ShownParts parts={sequence.parts} label={say('rhythm.parts')} />
        <PlayingSettings />
      </aside>
      <div className={styles.reading}>
        <BarWalk>
          <Segmented<'music' | 'dynamics'>
            size="small"
            value={look}
            onChange={setLook}
            options={[
              { value: 'music', label: say('rhythm.music') },
              { value: 'dynamics', label: say('rhythm.dynamics') },
            ]}
          />
        </BarWalk>
        {look === 'music' ? <Interlinear /> : <DynamicsChart />}
        {look === 'music' && (
          <div className={styles.hand}>
            <HandBar />
          </div>
        )}
        <p className={`${styles.key} soft`}>{say('rhythm.aboveScoreBelowExportToThe')}</p>
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
      <h2>{say('rhythm.dynamicsGoTo')}</h2>
      <Segmented<'all' | 'shown'>
        size="small"
        block
        value={reach}
        onChange={setReach}
        options={[
          { value: 'all', label: say('rhythm.allParts') },
          { value: 'shown', label: say('rhythm.partsInView') },
        ]}
      />
      <Select<string[]>
        mode="multiple"
        size="small"
        className={styles.fill}
        aria-label={say('rhythm.dynamicsGoTo')}
        placeholder={NOTHING}
        maxCount={2}
        value={[...carriers]}
        onChange={(value) => setCarriers(value as DynamicCarrier[])}
        options={DYNAMIC_CARRIERS.map((value) => ({ value, label: CARRIER_NAMES[value] }))}
      />
      <label>
        {say('rhythm.rampStepsPerQuarter')}
        <Select<number>
          size="small"
          aria-label={say('rhythm.rampStepsPerQuarter')}
          value={QUARTER / settings.rampStep}
          onChange={(n) => set({ rampStep: QUARTER / n })}
          options={STEPS.map((value) => ({ value, label: String(value) }))}
        />
      </label>
      <label>
        {say('rhythm.slursOverlapBy')}
        <CommittedNumber
          key={settings.slurOverlap}
          value={settings.slurOverlap}
          min={0}
          max={200}
          suffix={say('rhythm.ms')}
          label={say('rhythm.slurOverlap')}
          onCommit={(slurOverlap) => set({ slurOverlap })}
        />
      </label>
      <Toggle
        label={say('rhythm.ornamentsPlayedOut')}
        on={settings.ornaments}
        onChange={(ornaments) => set({ ornaments })}
      />
      <label>
        {say('rhythm.glissandiSlides')}
        <Select<Glides>
          size="small"
          aria-label={say('rhythm.glissandiAndSlides')}
          value={settings.glides}
          disabled={!settings.ornaments}
          onChange={(glides) => set({ glides })}
          options={GLIDES.map((value) => ({ value, label: GLIDE_NAMES[value] }))}
        />
      </label>
      <Toggle label={say('rhythm.cueNotesSound')} on={settings.cues} onChange={(cues) => set({ cues })} />
      <Toggle label={say('rhythm.chordSymbolsPlayed')} on={settings.chords} onChange={(chords) => set({ chords })} />
      <Collapse
        size="small"
        ghost
        items={[
          {
            key: 'levels',
            label: say('rhythm.velocityPerDynamic'),
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
                      label={say('rhythm.velocityOfLevel', { level })}
                      onCommit={(value) => set({ levels: { ...settings.levels, [level]: value } })}
                    />
                  </label>
                ))}
              </div>
            ),
          },
          {
            key: 'articulations',
            label: say('rhythm.lengthAndVelocityPerArticulation'),
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
                    aria-label={say('rhythm.lengthOfOne', { one })}
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
                    aria-label={say('rhythm.velocityOfOne', { one })}
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
          { key: 'treatments', label: say('rhythm.processingByPartAndRange'), children: <TreatmentsPanel /> },
          {
            key: 'loosening',
            label: say('rhythm.humanize'),
            children: (
              <>
                <p className="soft">{say('rhythm.theSameSeedGivesTheSameResultAt0')}</p>
                {looseningFields().map(([field, label, most, suffix]) => (
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
                  {say('rhythm.swing')}
                  <Select<number | 'even'>
                    size="small"
                    aria-label={say('rhythm.swingOfTheEighths')}
                    value={loosening.swing}
                    onChange={(swing) => loosen({ swing })}
                    options={[
                      { value: 1, label: say('rhythm.asWritten') },
                      { value: 'even', label: say('rhythm.even') },
                      ...[1.5, 2, 2.5, 3].map((value) => ({ value, label: `${value} : 1` })),
                    ]}
                  />
                </label>
                <Button size="small" onClick={() => set({ loosening: NO_LOOSENING })}>
                  {say('rhythm.resetToScore')}
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
