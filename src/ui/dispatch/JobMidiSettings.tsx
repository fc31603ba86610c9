'use client';

import { say } from '@/core/words';
import { Select, Switch } from 'antd';
import { settingsOf } from '@/core/documents';
import type { MidiSequence } from '@/core/engine';
import { useWorkspace } from '../workspace/workspace';
import { NeutralVolume } from '../workspace/NeutralVolume';
import { PresetChoice } from '../shared/PresetChoice';
import styles from '../shared/sequencing.module.css';

const TICKS = [96, 120, 192, 240, 384, 480, 960, 1920] as const;

/** Resolution and type of a MIDI file that goes out; as received unless somebody decides. */
function MidiSettings({ sequence }: { sequence: MidiSequence }) {
  const { arranging } = settingsOf(useWorkspace((state) => state.ledger)!).sequencing;
  const decide = useWorkspace((state) => state.decide);
  return (
    <>
      <label>
        {say('dispatch.ticksPerQuarter')}
        <Select<number | null>
          size="small"
          aria-label={say('dispatch.ticksPerQuarter')}
          value={arranging.ticksPerQuarter}
          onChange={(ticksPerQuarter) => decide({ kind: 'setArranging', ticksPerQuarter })}
          options={[
            {
              value: null,
              label: say('dispatch.ticksPerQuarterOriginal', { ticksPerQuarter: sequence.ticksPerQuarter }),
            },
            ...TICKS.map((value) => ({ value, label: String(value) })),
          ]}
        />
      </label>
      <label>
        {say('dispatch.type')}
        <Select<0 | 1 | null>
          size="small"
          aria-label={say('dispatch.sMFType')}
          value={arranging.type}
          onChange={(type) => decide({ kind: 'setArranging', type })}
          options={[
            { value: null, label: say('dispatch.formatOriginal', { format: sequence.format }) },
            { value: 1, label: say('dispatch.n1OneTrackPerPart') },
            { value: 0, label: say('dispatch.n0AllInOneTrack') },
          ]}
        />
      </label>
    </>
  );
}

/** How this job's MIDI is written, whichever recipe asks for it; a recipe can ask for another resolution or type. */
export function JobMidiSettings() {
  const sequence = useWorkspace((state) => state.sequence);
  const ledger = useWorkspace((state) => state.ledger)!;
  const decide = useWorkspace((state) => state.decide);
  const settings = settingsOf(ledger).sequencing;
  if (!sequence) return null;
  return (
    <section className={styles.settings} aria-label={say('dispatch.thisJobsMIDI')}>
      <h2>{say('dispatch.thisJobsMIDI')}</h2>
      <PresetChoice value={settings.preset} onChange={(preset) => decide({ kind: 'setSequencing', preset })} />
      {sequence.kind === 'midi' ? <MidiSettings sequence={sequence} /> : <ScoreSettings />}
    </section>
  );
}

function ScoreSettings() {
  const settings = settingsOf(useWorkspace((state) => state.ledger)!).sequencing;
  const decide = useWorkspace((state) => state.decide);
  return (
    <>
      <label>
        {say('dispatch.ticksPerQuarter')}
        <Select<number>
          size="small"
          aria-label={say('dispatch.ticksPerQuarter')}
          value={settings.ticksPerQuarter}
          onChange={(ticksPerQuarter) => decide({ kind: 'setSequencing', ticksPerQuarter })}
          options={TICKS.map((value) => ({ value, label: String(value) }))}
        />
      </label>
      <label>
        {say('dispatch.type')}
        <Select<0 | 1>
          size="small"
          aria-label={say('dispatch.sMFType')}
          value={settings.format}
          onChange={(format) => decide({ kind: 'setSequencing', format })}
          options={[
            { value: 1, label: say('dispatch.n1OneTrackPerPart') },
            { value: 0, label: say('dispatch.n0AllInOneTrack') },
          ]}
        />
      </label>
      <label>
        {say('dispatch.volumeAtTheStart')}
        <NeutralVolume
          value={settings.neutralVolume}
          disabled={settings.preset === 'bare'}
          label={say('dispatch.volumeAtTheStart')}
        />
      </label>
      <label>
        {say('dispatch.runningStatus')}
        <Switch
          size="small"
          aria-label={say('dispatch.runningStatus')}
          checked={settings.runningStatus}
          onChange={(runningStatus) => decide({ kind: 'setSequencing', runningStatus })}
        />
      </label>
    </>
  );
}
