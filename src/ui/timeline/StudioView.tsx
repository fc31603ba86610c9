'use client';

import { DownloadOutlined } from '@ant-design/icons';
import { App, Button, Checkbox, Select, Table, Upload } from 'antd';
import { useEffect, useState } from 'react';
import { CartesianGrid, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { fileNameOf } from '@/core/documents';
import type { StudioExport, TimeLineSummary } from '@/core/engine';
import { FRAME_RATES, sameCode, USUAL_CLICK, type FrameRate, type Numbering } from '@/core/studio';
import { engineWorker } from '@/workers/engine-client';
import { useWorkspace } from '../workspace/workspace';
import { CodeField } from '../shared/CodeField';
import { CommittedNumber } from '../shared/CommittedNumber';
import { download } from '../shared/download';
import { sentence } from '../shared/receive';
import { PrintTable } from './PrintTable';
import { useStudioSettings } from './studioSettings';
import styles from './timeline.module.css';

const TICKS = [96, 120, 192, 240, 384, 480, 960, 1920] as const;
const KEYS = [
  { value: 76, label: 'high wood block' },
  { value: 77, label: 'low wood block' },
  { value: 37, label: 'side stick' },
  { value: 75, label: 'claves' },
  { value: 56, label: 'cowbell' },
  { value: 42, label: 'closed hi-hat' },
];
const ENDINGS = '.mid,.midi,.smf,.kar,.rmi,.musicxml,.mxl,.xml';

/** The map that goes to the recording engineer, and the proof that it is the job’s own clock. */
export function StudioView({ line }: { line: TimeLineSummary }) {
  const settings = useStudioSettings();
  const { change, rate, start, everyBar, ...map } = settings;
  const job = useWorkspace((state) => state.job);
  const made = useStudioExport();
  const name = fileNameOf(job?.name ?? 'job');
  return (
    <div className={styles.studio}>
      <section aria-label="Studio map" className={styles.panel}>
        <h2>The map</h2>
        <label>
          Ticks per quarter (PPQ)
          <Select<number>
            size="small"
            aria-label="Ticks per quarter"
            value={map.ticksPerQuarter}
            onChange={(ticksPerQuarter) => change({ ticksPerQuarter })}
            options={TICKS.map((value) => ({ value, label: String(value) }))}
          />
        </label>
        <label>
          Thin tempo changes, tolerance
          <CommittedNumber
            key={map.tolerance}
            value={map.tolerance}
            min={0}
            max={1000}
            suffix="ms"
            label="Tolerance of the map"
            onCommit={(tolerance) => change({ tolerance })}
          />
        </label>
        <label>
          Count-in
          <CommittedNumber
            key={`c${map.countIn}`}
            value={map.countIn}
            min={0}
            max={16}
            suffix="bars"
            label="Count-in"
            onCommit={(countIn) => change({ countIn })}
          />
        </label>
        <Checkbox
          checked={map.click !== null}
          onChange={(event) => change({ click: event.target.checked ? USUAL_CLICK : null })}
        >
          Click track
        </Checkbox>
        {map.click && <ClickSettings />}
        <h2>Time code</h2>
        <label>
          Frames
          <Select<FrameRate>
            size="small"
            aria-label="Frame rate"
            value={rate}
            // The code stays what it says.
            onChange={(next) => change({ rate: next, start: sameCode(start, rate, next) })}
            options={FRAME_RATES.map((value) => ({ value, label: value }))}
          />
        </label>
        <label>
          Bar 1 is at
          <CodeField
            key={`${rate}${start}`}
            name="Time code of bar 1"
            frames={start}
            rate={rate}
            onCommit={(frames) => change({ start: frames })}
          />
        </label>
      </section>
      <section aria-label="Included">
        <div className={styles.buttons}>
          <Button
            type="primary"
            icon={<DownloadOutlined />}
            disabled={!made}
            onClick={() => download(made!.midi, `${name} - map.mid`, 'audio/midi')}
          >
            Map (.mid)
          </Button>
          <Button
            icon={<DownloadOutlined />}
            disabled={!made}
            onClick={() => download(made!.csv, `${name} - map.csv`, 'text/csv')}
          >
            Table (.csv)
          </Button>
          {made && <PrintTable csv={made.csv} />}
          <Checkbox checked={everyBar} onChange={(event) => change({ everyBar: event.target.checked })}>
            Every bar in the table
          </Checkbox>
        </div>
        <p className={styles.verdict} aria-label="Drift check">
          {made
            ? `${made.barOne} Read back, no bar begins more than ${made.drift.largest.toFixed(2)} ms from where it should; ${made.tempos} of ${line.tempo.length} tempo changes.`
            : 'Writing the map and reading it back …'}
        </p>
        {made && <Drift made={made} />}
        <Compare />
      </section>
    </div>
  );
}

/** Written, and read back, whenever something changes. */
function useStudioExport(): StudioExport | null {
  const edition = useWorkspace((state) => state.edition);
  const direction = useWorkspace((state) => state.direction);
  const { ticksPerQuarter, tolerance, click, countIn, rate, start, everyBar } = useStudioSettings();
  const [made, setMade] = useState<StudioExport | null>(null);
  useEffect(() => {
    let current = true;
    void engineWorker()
      .studio({ ticksPerQuarter, tolerance, click, countIn, rate, start }, everyBar)
      .then((next) => current && setMade(next));
    return () => {
      current = false;
    };
  }, [edition, direction, ticksPerQuarter, tolerance, click, countIn, rate, start, everyBar]);
  return made;
}

function ClickSettings() {
  const click = useStudioSettings((state) => state.click)!;
  const change = useStudioSettings((state) => state.change);
  const set = (to: Partial<typeof click>) => change({ click: { ...click, ...to } });
  return (
    <div className={styles.click}>
      <label>
        first beat
        <Select<number>
          size="small"
          aria-label="Key of the first beat"
          value={click.accentKey}
          onChange={(accentKey) => set({ accentKey })}
          options={KEYS}
        />
      </label>
      <label>
        beats
        <Select<number>
          size="small"
          aria-label="Key of the beats"
          value={click.beatKey}
          onChange={(beatKey) => set({ beatKey })}
          options={KEYS}
        />
      </label>
      <label>
        subdivisions
        <Select<number>
          size="small"
          aria-label="Key of the subdivisions"
          value={click.halfKey ?? 0}
          onChange={(key) => set({ halfKey: key || null })}
          options={[{ value: 0, label: 'silent' }, ...KEYS]}
        />
      </label>
      <label>
        channel
        <CommittedNumber
          key={click.channel}
          value={click.channel}
          min={1}
          max={16}
          label="Channel of the click"
          onCommit={(channel) => set({ channel })}
        />
      </label>
    </div>
  );
}

function Drift({ made }: { made: StudioExport }) {
  return (
    <figure className={styles.drift}>
      <figcaption className="soft">
        Drift of each bar in milliseconds; largest {made.drift.largest.toFixed(2)}, median{' '}
        {made.drift.typical.toFixed(2)}
      </figcaption>
      <ResponsiveContainer width="100%" height={120}>
        <LineChart data={made.drift.bars} margin={{ left: 0, right: 12, top: 8 }}>
          <CartesianGrid stroke="var(--line)" vertical={false} />
          <XAxis dataKey="bar" stroke="var(--ink-soft)" tick={{ fontSize: 12 }} />
          <YAxis
            stroke="var(--ink-soft)"
            tick={{ fontSize: 12 }}
            width={44}
            domain={[-1, 1]}
            allowDataOverflow={false}
          />
          <Tooltip
            formatter={(value) => `${Number(value).toFixed(2)} ms`}
            labelFormatter={(bar) => `bar ${String(bar)}`}
          />
          <Line dataKey="drift" name="drift" stroke="var(--teal)" dot={false} isAnimationActive={false} />
        </LineChart>
      </ResponsiveContainer>
    </figure>
  );
}

/** Another file’s bars beside the job’s: "our bar 65 is their bar 66". */
function Compare() {
  const { message } = App.useApp();
  const [found, setFound] = useState<{ name: string; numbering: Numbering } | null>(null);
  const take = async (file: File) => {
    try {
      const numbering = await engineWorker().numbering(new Uint8Array(await file.arrayBuffer()));
      setFound({ name: file.name, numbering });
    } catch (error) {
      void message.error(sentence(error));
    }
  };
  return (
    <section aria-label="Numbering of another file">
      <h2>Bars of both files</h2>
      <Upload
        accept={ENDINGS}
        showUploadList={false}
        beforeUpload={(file) => {
          void take(file);
          return false;
        }}
      >
        <Button size="small">Compare the bars of a file …</Button>
      </Upload>
      {found && (
        <>
          <p aria-label="Numbering">
            <b>{found.name}</b>: {found.numbering.words}
          </p>
          <p className="soft" aria-label="How the bars were told">
            {found.numbering.evidence}
          </p>
          <Table
            size="small"
            pagination={false}
            rowKey="row"
            dataSource={found.numbering.runs.slice(0, 200).map((run, row) => ({ ...run, row }))}
            columns={[
              { title: 'Our bars', render: (_, { from, to }) => span(from, to) },
              { title: 'Other file’s bars', render: (_, { theirs }) => span(theirs.from, theirs.to) },
            ]}
          />
        </>
      )}
    </section>
  );
}

const span = (from: number, to: number) => (from === to ? String(from) : `${from}–${to}`);
