'use client';

import { inNumbers, say } from '@/core/words';
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
  {
    value: 76,
    get label() {
      return say('timeline.highWoodBlock');
    },
  },
  {
    value: 77,
    get label() {
      return say('timeline.lowWoodBlock');
    },
  },
  {
    value: 37,
    get label() {
      return say('timeline.sideStick');
    },
  },
  {
    value: 75,
    get label() {
      return say('timeline.claves');
    },
  },
  {
    value: 56,
    get label() {
      return say('timeline.cowbell');
    },
  },
  {
    value: 42,
    get label() {
      return say('timeline.closedHiHat');
    },
  },
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
      <section aria-label={say('timeline.studioMap')} className={styles.panel}>
        <h2>{say('timeline.theMap')}</h2>
        <label>
          {say('timeline.ticksPerQuarterPPQ')}
          <Select<number>
            size="small"
            aria-label={say('timeline.ticksPerQuarter')}
            value={map.ticksPerQuarter}
            onChange={(ticksPerQuarter) => change({ ticksPerQuarter })}
            options={TICKS.map((value) => ({ value, label: String(value) }))}
          />
        </label>
        <label>
          {say('timeline.thinTempoChangesTolerance')}
          <CommittedNumber
            key={map.tolerance}
            value={map.tolerance}
            min={0}
            max={1000}
            suffix={say('timeline.ms')}
            label={say('timeline.toleranceOfTheMap')}
            onCommit={(tolerance) => change({ tolerance })}
          />
        </label>
        <label>
          {say('timeline.countIn')}
          <CommittedNumber
            key={`c${map.countIn}`}
            value={map.countIn}
            min={0}
            max={16}
            suffix={say('timeline.bars2')}
            label={say('timeline.countIn')}
            onCommit={(countIn) => change({ countIn })}
          />
        </label>
        <Checkbox
          checked={map.click !== null}
          onChange={(event) => change({ click: event.target.checked ? USUAL_CLICK : null })}
        >
          {say('timeline.clickTrack')}
        </Checkbox>
        {map.click && <ClickSettings />}
        <h2>{say('timeline.timeCode')}</h2>
        <label>
          {say('timeline.frames')}
          <Select<FrameRate>
            size="small"
            aria-label={say('timeline.frameRate')}
            value={rate}
            // The code stays what it says.
            onChange={(next) => change({ rate: next, start: sameCode(start, rate, next) })}
            options={FRAME_RATES.map((value) => ({ value, label: value }))}
          />
        </label>
        <label>
          {say('timeline.bar1IsAt')}
          <CodeField
            key={`${rate}${start}`}
            name={say('timeline.timeCodeOfBar1')}
            frames={start}
            rate={rate}
            onCommit={(frames) => change({ start: frames })}
          />
        </label>
      </section>
      <section aria-label={say('timeline.included')}>
        <div className={styles.buttons}>
          <Button
            type="primary"
            icon={<DownloadOutlined />}
            disabled={!made}
            onClick={() => download(made!.midi, say('timeline.nameMapMid', { name }), 'audio/midi')}
          >
            {say('timeline.mapMid')}
          </Button>
          <Button
            icon={<DownloadOutlined />}
            disabled={!made}
            onClick={() => download(made!.csv, say('timeline.nameMapCsv', { name }), 'text/csv')}
          >
            {say('timeline.tableCsv')}
          </Button>
          {made && <PrintTable csv={made.csv} />}
          <Checkbox checked={everyBar} onChange={(event) => change({ everyBar: event.target.checked })}>
            {say('timeline.everyBarInTheTable')}
          </Checkbox>
        </div>
        <p className={styles.verdict} aria-label={say('timeline.driftCheck')}>
          {say('timeline.driftFound', {
            made: Boolean(made),
            barOne: made?.barOne,
            largest: made && inNumbers(made.drift.largest, 2),
            tempos: made?.tempos,
            tempo: line.tempo.length,
          })}
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
        {say('timeline.firstBeat')}
        <Select<number>
          size="small"
          aria-label={say('timeline.keyOfTheFirstBeat')}
          value={click.accentKey}
          onChange={(accentKey) => set({ accentKey })}
          options={KEYS}
        />
      </label>
      <label>
        {say('timeline.beats')}
        <Select<number>
          size="small"
          aria-label={say('timeline.keyOfTheBeats')}
          value={click.beatKey}
          onChange={(beatKey) => set({ beatKey })}
          options={KEYS}
        />
      </label>
      <label>
        {say('timeline.subdivisions')}
        <Select<number>
          size="small"
          aria-label={say('timeline.keyOfTheSubdivisions')}
          value={click.halfKey ?? 0}
          onChange={(key) => set({ halfKey: key || null })}
          options={[{ value: 0, label: say('timeline.silent') }, ...KEYS]}
        />
      </label>
      <label>
        {say('timeline.channel')}
        <CommittedNumber
          key={click.channel}
          value={click.channel}
          min={1}
          max={16}
          label={say('timeline.channelOfTheClick')}
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
        {say('timeline.driftOfEachBarInMilliseconds', {
          largest: inNumbers(made.drift.largest, 2),
          typical: inNumbers(made.drift.typical, 2),
        })}
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
            formatter={(value) => say('timeline.valueMs', { value: inNumbers(Number(value), 2) })}
            labelFormatter={(bar) => say('timeline.barBar', { bar: String(bar) })}
          />
          <Line
            dataKey="drift"
            name={say('timeline.drift')}
            stroke="var(--teal)"
            dot={false}
            isAnimationActive={false}
          />
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
    <section aria-label={say('timeline.numberingOfAnotherFile')}>
      <h2>{say('timeline.barsOfBothFiles')}</h2>
      <Upload
        accept={ENDINGS}
        showUploadList={false}
        beforeUpload={(file) => {
          void take(file);
          return false;
        }}
      >
        <Button size="small">{say('timeline.compareTheBarsOfAFile')}</Button>
      </Upload>
      {found && (
        <>
          <p aria-label={say('timeline.numbering')}>
            <b>{found.name}</b>: {found.numbering.words}
          </p>
          <p className="soft" aria-label={say('timeline.howTheBarsWereTold')}>
            {found.numbering.evidence}
          </p>
          <Table
            size="small"
            pagination={false}
            rowKey="row"
            dataSource={found.numbering.runs.slice(0, 200).map((run, row) => ({ ...run, row }))}
            columns={[
              { title: say('timeline.ourBars'), render: (_, { from, to }) => span(from, to) },
              { title: say('timeline.otherFilesBars'), render: (_, { theirs }) => span(theirs.from, theirs.to) },
            ]}
          />
        </>
      )}
    </section>
  );
}

const span = (from: number, to: number) => (from === to ? String(from) : `${from}–${to}`);
