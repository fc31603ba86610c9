'use client';

import { DownloadOutlined } from '@ant-design/icons';
import { App, Button, Select, Switch } from 'antd';
import { useWorkspace } from '../job/workspace';
import { sentence } from '../shared/receive';
import { bytesInWords, count } from '../shared/words';
import { SoundFiles } from './SoundFiles';
import { exportSequence } from './exportSequence';
import { NeutralVolume } from '../shared/NeutralVolume';
import styles from '../shared/sequencing.module.css';
import { PresetChoice } from '../shared/PresetChoice';
import { settingsOf } from '@/core/documents';
import type { MidiSequence } from '@/core/engine';

const TICKS = [96, 120, 192, 240, 384, 480, 960, 1920] as const;

function midiInWords({ files, tracks, bars }: MidiSequence): string {
  if (files.length > 1)
    return `${count(files.length, 'file', 'files')} in a zip: ${files.map((file) => file.label).join(', ')}.`;
  const { report } = files[0]!;
  const what = `${count(report.tracks, 'track', 'tracks')}, ${count(report.notes, 'note', 'notes')}, ${count(bars.length, 'bar', 'bars')} as received`;
  return `Type ${report.type}: ${what}; ${tracks.length} with notes. The first track carries tempo, meters, keys and markers.`;
}

/** Resolution and type of a MIDI file that goes out; as received unless somebody decides. */
function MidiSettings({ sequence }: { sequence: MidiSequence }) {
  const { arranging } = settingsOf(useWorkspace((state) => state.ledger)!).sequencing;
  const decide = useWorkspace((state) => state.decide);
  return (
    <div className={styles.settings}>
      <label>
        Ticks a quarter
        <Select<number | null>
          size="small"
          aria-label="Ticks a quarter"
          value={arranging.ticksPerQuarter}
          onChange={(ticksPerQuarter) => decide({ kind: 'setArranging', ticksPerQuarter })}
          options={[
            { value: null, label: `${sequence.ticksPerQuarter}, as received` },
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
            { value: null, label: `${sequence.format}, as received` },
            { value: 1, label: '1, a track for each' },
            { value: 0, label: '0, all in one track' },
          ]}
        />
      </label>
    </div>
  );
}

/** What leaves the house for the sequencer. */
export function SequencerDispatch() {
  const { message } = App.useApp();
  const sequence = useWorkspace((state) => state.sequence)!;
  const ledger = useWorkspace((state) => state.ledger)!;
  const job = useWorkspace((state) => state.job)!;
  const decide = useWorkspace((state) => state.decide);
  const busy = useWorkspace((state) => state.progress !== null);
  const settings = settingsOf(ledger).sequencing;
  const send = () =>
    exportSequence()
      .then((name) => message.success(`${name} handed to the browser`))
      .catch((error) => message.error(sentence(error)));
  return (
    <div className={styles.sheet}>
      <h1>{job.name}</h1>
      <PresetChoice value={settings.preset} onChange={(preset) => decide({ kind: 'setSequencing', preset })} />
      <section className={styles.choice}>
        <div>
          <h2>Standard MIDI File</h2>
          {sequence.kind === 'score' ? (
            <p>
              {sequence.files.length === 1
                ? `${count(sequence.files[0]!.report.tracks, 'track', 'tracks')}, ${count(sequence.files[0]!.report.notes, 'note', 'notes')}, ${count(sequence.files[0]!.report.bars, 'bar', 'bars')}. The first track is named and carries tempo, meters, keys and markers.`
                : `${count(sequence.files.length, 'file', 'files')} in a zip: ${sequence.files.map((file) => file.label).join(', ')}.`}
            </p>
          ) : (
            <p>{midiInWords(sequence)}</p>
          )}
        </div>
        <Button type="primary" icon={<DownloadOutlined />} disabled={busy} onClick={() => void send()}>
          {sequence.files.length > 1 ? 'Files (.zip)' : '.mid'}
        </Button>
      </section>
      {sequence.kind === 'score' && (
        <div className={styles.settings}>
          <label>
            Ticks a quarter
            <Select<number>
              size="small"
              aria-label="Ticks a quarter"
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
                { value: 1, label: '1, a track for each' },
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
        </div>
      )}
      {sequence.kind === 'midi' && <MidiSettings sequence={sequence} />}
      <SoundFiles />
      <h2>Before it goes out</h2>
      <ul>
        {sequence.kind === 'score' && sequence.files[0]!.report.betweenTicks > 0 && (
          <li>
            {count(sequence.files[0]!.report.betweenTicks, 'place falls', 'places fall')} between two ticks; the largest
            is moved by {sequence.files[0]!.report.largestShiftMs.toFixed(2)} ms. More ticks make it smaller.
          </li>
        )}
        {sequence.kind === 'score' && sequence.files[0]!.report.betweenTicks === 0 && (
          <li>Every place falls on a tick exactly.</li>
        )}
        {sequence.kind === 'score' &&
          sequence.files
            .flatMap((file) => file.report.remarks)
            .filter((one, i, all) => all.indexOf(one) === i)
            .map((one) => <li key={one}>{one}</li>)}
        <li>
          The original, {job.originals[0]!.fileName} ({bytesInWords(job.originals[0]!.size)}), is unchanged: SHA-256{' '}
          <span className="mono">{job.originals[0]!.sha256.slice(0, 16)}…</span>
        </li>
      </ul>
    </div>
  );
}
