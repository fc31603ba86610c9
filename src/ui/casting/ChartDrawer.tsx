'use client';

import { say } from '@/core/words';
import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { App, Button, Drawer, Input, InputNumber, Select, Upload } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { TECHNIQUES, techniqueName, type TechniqueId } from '@/core/instruments';
import { keyInWords } from '@/core/score';
import { forgetChart, ownCharts, saveChart } from '@/storage/charts';
import { useWorkspace } from '../workspace/workspace';
import { download } from '../shared/download';
import { sentence } from '../shared/receive';
import styles from '../shared/sequencing.module.css';
import type { TechniqueChart, TechniqueSwitch } from '@/core/settings';
import { fileNameOf, readChart, settingsOf, writeChart } from '@/core/documents';
import type { ScorePartSummary } from '@/core/engine';

type By = TechniqueSwitch['by'];

const MEANS: Record<By['kind'], string> = {
  get key() {
    return say('casting.keyStruckBefore');
  },
  get channel() {
    return say('casting.channelSwitch');
  },
  get program() {
    return say('casting.programSwitch');
  },
  get controller() {
    return say('casting.controllerSwitch');
  },
};
const FRESH: Record<By['kind'], By> = {
  key: { kind: 'key', key: 24 },
  channel: { kind: 'channel', channel: 1 },
  program: { kind: 'program', program: 1 },
  controller: { kind: 'controller', controller: 32, value: 0 },
};

/** A technique chart: which way of playing a sample library is told by what. */
export function ChartDrawer({ part, onClose }: { part: ScorePartSummary; onClose: () => void }) {
  const { message } = App.useApp();
  const ledger = useWorkspace((state) => state.ledger)!;
  const decide = useWorkspace((state) => state.decide);
  const own = useLiveQuery(ownCharts, [], [] as TechniqueChart[]);
  const inUse = settingsOf(ledger).sequencing.parts[part.id]?.chart;
  const [name, setName] = useState(inUse?.name ?? say('casting.partLibrary', { part: part.name }));
  const [entries, setEntries] = useState<TechniqueSwitch[]>([
    ...(inUse?.entries ??
      ['ordinary' as const, ...(part.techniques as TechniqueId[])].map((technique, i): TechniqueSwitch => ({
        technique,
        by: { kind: 'key', key: 24 + i },
      }))),
  ]);
  const take = (chart: TechniqueChart) => {
    setName(chart.name);
    setEntries([...chart.entries]);
  };
  const change = (i: number, entry: Partial<TechniqueSwitch>) =>
    setEntries((now) => now.map((one, n) => (n === i ? { ...one, ...entry } : one)));
  const missing = part.techniques.filter((technique) => !entries.some((entry) => entry.technique === technique));

  async function importFile(file: File): Promise<void> {
    try {
      const chart = readChart(await file.text(), file.name);
      await saveChart(chart);
      take(chart);
    } catch (error) {
      void message.error(sentence(error));
    }
  }

  return (
    <Drawer title={say('casting.techniqueChartOfPart', { part: part.name })} size={640} open onClose={onClose}>
      <p className="soft">{say('casting.sentJustBeforeTheNoteAtEachChange')}</p>
      <div className={styles.row}>
        <Select<string>
          size="small"
          className={styles.fill}
          aria-label={say('casting.copyAChart')}
          placeholder={say('casting.useOneOfYours')}
          value={undefined}
          onChange={(value) => take(own.find((chart) => chart.name === value)!)}
          options={own.map((chart) => ({ value: chart.name, label: chart.name }))}
        />
        <Input
          size="small"
          aria-label={say('casting.nameOfTheChart')}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
      </div>
      {entries.map((entry, i) => (
        <div key={i} className={styles.entry}>
          <Select<TechniqueId | 'ordinary'>
            size="small"
            className={styles.fill}
            aria-label={say('casting.techniqueI', { i: i + 1 })}
            value={entry.technique}
            onChange={(technique) => change(i, { technique })}
            options={[
              { value: 'ordinary', label: say('casting.normalPlaying') },
              ...TECHNIQUES.map((value) => ({ value, label: techniqueName(value) })),
            ]}
          />
          <Select<By['kind']>
            size="small"
            className={styles.fill}
            aria-label={say('casting.sentAsI', { i: i + 1 })}
            value={entry.by.kind}
            onChange={(kind) => change(i, { by: FRESH[kind] })}
            options={Object.entries(MEANS).map(([value, label]) => ({ value: value as By['kind'], label }))}
          />
          <SwitchFields by={entry.by} label={String(i + 1)} onChange={(by) => change(i, { by })} />
          <Button
            type="text"
            size="small"
            aria-label={say('casting.deleteLineI', { i: i + 1 })}
            icon={<DeleteOutlined />}
            onClick={() => setEntries((now) => now.filter((_, n) => n !== i))}
          />
        </div>
      ))}
      <div className={styles.row}>
        <Button
          size="small"
          icon={<PlusOutlined />}
          onClick={() =>
            setEntries((now) => [
              ...now,
              { technique: (missing[0] as TechniqueId) ?? 'ordinary', by: { kind: 'key', key: 24 + now.length } },
            ])
          }
        >
          {say('casting.addALine')}
        </Button>
        {missing.length > 0 && (
          <span className={styles.unsure}>{say('casting.notInTheChartMissing', { missing: missing.join(', ') })}</span>
        )}
      </div>
      <div className={styles.foot}>
        <Button
          size="small"
          onClick={() =>
            void saveChart({ name: name.trim() || say('casting.chart'), entries }).then(() =>
              message.success(say('casting.savedForOtherJobs')),
            )
          }
        >
          {say('casting.saveAsOwn')}
        </Button>
        {own.some((chart) => chart.name === name) && (
          <Button
            size="small"
            type="text"
            aria-label={say('casting.deleteName', { name })}
            icon={<DeleteOutlined />}
            onClick={() => void forgetChart(name)}
          />
        )}
        <Button
          size="small"
          onClick={() => download(writeChart({ name, entries }), `${fileNameOf(name)}.json`, 'application/json')}
        >
          {say('casting.export')}
        </Button>
        <Upload accept=".json" showUploadList={false} beforeUpload={(file) => (void importFile(file), false)}>
          <Button size="small">{say('casting.import')}</Button>
        </Upload>
        <span className={styles.push} />
        {inUse && (
          <Button
            size="small"
            onClick={() => (decide({ kind: 'setPartSequencing', part: part.id, chart: null }), onClose())}
          >
            {say('casting.noChart')}
          </Button>
        )}
        <Button
          size="small"
          type="primary"
          disabled={entries.length === 0}
          onClick={() => (
            decide({
              kind: 'setPartSequencing',
              part: part.id,
              chart: { name: name.trim() || say('casting.chart'), entries },
            }),
            onClose()
          )}
        >
          {say('casting.useThisChart')}
        </Button>
      </div>
    </Drawer>
  );
}

function SwitchFields({ by, label, onChange }: { by: By; label: string; onChange: (by: By) => void }) {
  const number = (value: number, min: number, max: number, name: string, set: (value: number) => By) => (
    <InputNumber<number>
      size="small"
      min={min}
      max={max}
      value={value}
      aria-label={`${name} ${label}`}
      onChange={(next) => next !== null && onChange(set(next))}
    />
  );
  switch (by.kind) {
    case 'key':
      return (
        <span className={styles.group}>
          {number(by.key, 0, 127, say('casting.key'), (key) => ({ kind: 'key', key }))}{' '}
          <span className="soft">{keyInWords(by.key)}</span>
        </span>
      );
    case 'channel':
      return number(by.channel, 1, 16, say('casting.channel'), (channel) => ({ kind: 'channel', channel }));
    case 'program':
      return number(by.program, 1, 128, say('casting.program'), (program) => ({ kind: 'program', program }));
    case 'controller':
      return (
        <span className={styles.group}>
          {number(by.controller, 0, 127, say('casting.controller'), (controller) => ({ ...by, controller }))}
          {number(by.value, 0, 127, say('casting.value'), (value) => ({ ...by, value }))}
        </span>
      );
  }
}
