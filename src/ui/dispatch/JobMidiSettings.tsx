'use client';

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
        Ticks per quarter
        <Select<number | null>
          size="small"
          aria-label="Ticks per quarter"
          value={arranging.ticksPerQuarter}
          onChange={(ticksPerQuarter) => decide({ kind: 'setArranging', ticksPerQuarter })}
          options={[
            { value: null, label: `${sequence.ticksPerQuarter}, original` },
            ...TICKS.map((value) => ({ value, label: String(value) })),
          ]}
        />
      </label>
      <label>
        Type
        <Select<0 | 1 | null>
          size="small"
          aria-label="SMF type"
          value={arranging.type}
          onChange={(type) => decide({ kind: 'setArranging', type })}
          options={[
            { value: null, label: `${sequence.format}, original` },
            { value: 1, label: '1, one track per part' },
            { value: 0, label: '0, all in one track' },
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
    <section className={styles.settings} aria-label="This job’s MIDI">
      <h2>This job’s MIDI</h2>
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
        Ticks per quarter
        <Select<number>
          size="small"
          aria-label="Ticks per quarter"
          value={settings.ticksPerQuarter}
          onChange={(ticksPerQuarter) => decide({ kind: 'setSequencing', ticksPerQuarter })}
          options={TICKS.map((value) => ({ value, label: String(value) }))}
        />
      </label>
      <label>
        Type
        <Select<0 | 1>
          size="small"
          aria-label="SMF type"
          value={settings.format}
          onChange={(format) => decide({ kind: 'setSequencing', format })}
          options={[
            { value: 1, label: '1, one track per part' },
            { value: 0, label: '0, all in one track' },
          ]}
        />
      </label>
      <label>
        Volume at the start
        <NeutralVolume
          value={settings.neutralVolume}
          disabled={settings.preset === 'bare'}
          label="Volume at the start"
        />
      </label>
      <label>
        Running status
        <Switch
          size="small"
          aria-label="Running status"
          checked={settings.runningStatus}
          onChange={(runningStatus) => decide({ kind: 'setSequencing', runningStatus })}
        />
      </label>
    </>
  );
}
