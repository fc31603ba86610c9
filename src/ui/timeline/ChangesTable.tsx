'use client';

import { say } from '@/core/words';
import { DeleteOutlined } from '@ant-design/icons';
import { Button, Checkbox, Input, InputNumber, Select, Table } from 'antd';
import { useState } from 'react';
import type { TimeLineSummary } from '@/core/engine';
import { changeInWords, minutesInWords, timeCode, type Change, type ChangeKind } from '@/core/studio';
import { meterInWords, QUARTER } from '@/core/time';
import { useWorkspace } from '../workspace/workspace';
import { KEY_OPTIONS, keyOfValue, keyValue } from '../shared/keyOptions';
import { MeterInput } from './MeterInput';
import { useMetersFixed } from './useTimeLine';
import { useStudioSettings } from './studioSettings';
import styles from './timeline.module.css';
import { Unseen } from '../shared/Unseen';

const KINDS: readonly ChangeKind[] = ['tempo', 'meter', 'key', 'marker'];

/** Every change with its bar and beat, time and code; each can be changed, moved and taken away. */
export function ChangesTable({ line }: { line: TimeLineSummary }) {
  const direction = useWorkspace((state) => state.direction);
  const rate = useStudioSettings((state) => state.rate);
  const start = useStudioSettings((state) => state.start);
  const [hidden, setHidden] = useState<readonly ChangeKind[]>([]);
  // A bar that is played again brings its changes again: they are mended where they stand first.
  const first = new Map<string, Change>();
  for (const change of line.changes) {
    const key = `${change.kind}/${change.written}/${change.text ?? ''}`;
    if (!first.has(key)) first.set(key, change);
  }
  const shown = [...first.values()].filter(({ kind }) => !hidden.includes(kind));
  const metersFixed = useMetersFixed();
  const mendable = (kind: ChangeKind) => (kind === 'key' ? direction === 'to-score' : kind !== 'meter' || !metersFixed);
  return (
    <section aria-label={say('timeline.changes')}>
      <div className={styles.filters}>
        {KINDS.map((kind) => (
          <Checkbox
            key={kind}
            checked={!hidden.includes(kind)}
            onChange={(event) =>
              setHidden(event.target.checked ? hidden.filter((one) => one !== kind) : [...hidden, kind])
            }
          >
            {say('timeline.kindsAndCount', {
              kind,
              count: line.changes.filter((change) => change.kind === kind).length,
            })}
          </Checkbox>
        ))}
      </div>
      <AddChange line={line} />
      <Table<Change>
        size="small"
        virtual
        rowKey={({ kind, written, text }) => `${kind}/${written}/${text ?? ''}`}
        pagination={false}
        scroll={{ y: 300, x: 560 }}
        dataSource={shown}
        columns={[
          {
            title: say('timeline.place'),
            width: 144,
            render: (_, change) => (
              <Place
                change={change}
                line={line}
                fixed={
                  !mendable(change.kind) || change.kind === 'meter' || change.kind === 'key' || change.written === 0
                }
              />
            ),
          },
          { title: say('timeline.time'), width: 80, render: (_, { seconds }) => minutesInWords(seconds) },
          {
            title: say('timeline.code'),
            width: 104,
            render: (_, { seconds }) => <span className="mono">{timeCode(seconds, rate, start)}</span>,
          },
          {
            title: say('timeline.what'),
            render: (_, change) =>
              mendable(change.kind) ? <Value change={change} line={line} /> : changeInWords(change),
          },
          {
            title: <Unseen>{say('timeline.delete')}</Unseen>,
            width: 44,
            render: (_, change) =>
              mendable(change.kind) && change.written > 0 && <TakeAway change={change} line={line} />,
          },
        ]}
      />
    </section>
  );
}

/** Where a change is; moving it deletes it and sets it again. */
function Place({ change, line, fixed }: { change: Change; line: TimeLineSummary; fixed: boolean }) {
  const decide = useWorkspace((state) => state.decide);
  const words =
    change.beat === 1
      ? say('timeline.barBar', { bar: change.bar })
      : say('timeline.barBarBeatBeat', { bar: change.bar, beat: change.beat });
  if (fixed) return <span className={styles.number}>{words}</span>;
  const move = (text: string) => {
    const to = placeOf(text, line);
    if (to === null || to === change.written) return;
    if (change.kind === 'tempo')
      decide(
        { kind: 'setTempo', at: change.written, bpm: null },
        { kind: 'setTempo', at: to, bpm: round(change.bpm!) },
      );
    else
      decide(
        { kind: 'setMarker', at: change.written, text: null, was: change.text! },
        { kind: 'setMarker', at: to, text: change.text! },
      );
  };
  return (
    <Input
      key={words}
      size="small"
      variant="borderless"
      style={{ width: 132 }}
      aria-label={say('timeline.placeOfChangeInWords', { changeInWords: changeInWords(change) })}
      defaultValue={words}
      onPressEnter={(event) => event.currentTarget.blur()}
      onBlur={(event) => move(event.currentTarget.value)}
    />
  );
}

const round = (bpm: number) => Math.round(bpm * 1000) / 1000;

/** A written place for "bar 12, beat 3", "12, 3" or "12"; null where there is none. Beats may have fractions. */
function placeOf(text: string, { bars }: TimeLineSummary): number | null {
  const match = /^\s*(?:bar\s*)?(-?\d+)\s*(?:(?:,?\s*beat|[|.:, ])\s*(\d+(?:\.\d+)?))?\s*$/i.exec(text);
  const bar = match && bars.find(({ number }) => number === Number(match[1]));
  if (!bar) return null;
  const inside = Math.round(((Number(match[2] ?? 1) - 1) * 4 * QUARTER) / bar.meter.beatType);
  return inside < 0 || inside >= bar.length ? null : bar.written + inside;
}

function Value({ change, line }: { change: Change; line: TimeLineSummary }) {
  const decide = useWorkspace((state) => state.decide);
  const { kind, written, bpm, meter, text } = change;
  if (kind === 'tempo')
    return (
      <InputNumber<number>
        key={bpm}
        size="small"
        min={4}
        max={1000}
        defaultValue={round(bpm!)}
        suffix={say('timeline.min')}
        aria-label={say('timeline.tempoAtBarBar', { bar: change.bar })}
        onPressEnter={(event) => event.currentTarget.blur()}
        onBlur={(event) => {
          const value = Number(event.currentTarget.value);
          if (value >= 4 && value <= 1000 && value !== round(bpm!))
            decide({ kind: 'setTempo', at: written, bpm: value });
        }}
      />
    );
  if (kind === 'key')
    return (
      <Select<string>
        size="small"
        showSearch={{ optionFilterProp: 'label' }}
        style={{ width: 140 }}
        aria-label={say('timeline.keyAtBarBar', { bar: change.bar })}
        value={keyValue(change.key!)}
        onChange={(value) => decide({ kind: 'setKey', ...keyOfValue(value), bar: barAt(written, line) })}
        options={KEY_OPTIONS}
      />
    );
  if (kind === 'meter')
    return (
      <MeterInput
        key={meterInWords(meter!)}
        value={[meter!]}
        label={say('timeline.meterAtBarBar', { bar: change.bar })}
        onCommit={(meters) => decide({ kind: 'setMeters', from: written, to: null, meters: [...meters] })}
      />
    );
  return (
    <Input
      key={text}
      size="small"
      defaultValue={text}
      maxLength={200}
      aria-label={say('timeline.markerAtBarBar', { bar: change.bar })}
      onPressEnter={(event) => event.currentTarget.blur()}
      onBlur={(event) => {
        const value = event.currentTarget.value.trim();
        if (value && value !== text) decide({ kind: 'setMarker', at: written, text: value, was: text! });
      }}
    />
  );
}

/** Index of the bar that holds a place. */
function barAt(written: number, { bars }: TimeLineSummary): number {
  return Math.max(
    0,
    bars.findLastIndex((bar) => bar.written <= written),
  );
}

function TakeAway({ change: { kind, written, text, bar }, line }: { change: Change; line: TimeLineSummary }) {
  const decide = useWorkspace((state) => state.decide);
  const take = () => {
    if (kind === 'tempo') decide({ kind: 'setTempo', at: written, bpm: null });
    else if (kind === 'key') {
      // What held before goes on.
      const before = line.changes.findLast((one) => one.kind === 'key' && one.written < written)?.key;
      if (before) decide({ kind: 'setKey', ...before, bar: barAt(written, line) });
    } else if (kind === 'meter') decide({ kind: 'setMeters', from: written, to: null, meters: [] });
    else decide({ kind: 'setMarker', at: written, text: null, was: text! });
  };
  return (
    <Button
      size="small"
      type="text"
      icon={<DeleteOutlined />}
      aria-label={say('timeline.deleteTheKindAtBarBar', { kind, bar })}
      onClick={take}
    />
  );
}

/** Something new at a bar and beat. */
function AddChange({ line }: { line: TimeLineSummary }) {
  const direction = useWorkspace((state) => state.direction);
  const decide = useWorkspace((state) => state.decide);
  const metersFixed = useMetersFixed();
  const [kind, setKind] = useState<'tempo' | 'marker' | 'ramp' | 'meter' | 'key'>('tempo');
  const [place, setPlace] = useState('');
  const [value, setValue] = useState('');
  const [until, setUntil] = useState('');
  const at = placeOf(place, line);
  const to = placeOf(until, line);
  const bpm = Number(value);
  const tempoHere =
    at === null ? null : (line.changes.findLast((one) => one.kind === 'tempo' && one.written <= at)?.bpm ?? null);
  const good =
    at !== null &&
    (kind === 'marker' ? value.trim() !== '' : kind === 'meter' || kind === 'key' || (bpm >= 4 && bpm <= 1000)) &&
    (kind !== 'ramp' || (to !== null && to > at));
  const add = () => {
    if (at === null || !good) return;
    if (kind === 'tempo') decide({ kind: 'setTempo', at, bpm });
    if (kind === 'marker') decide({ kind: 'setMarker', at, text: value.trim(), was: '' });
    if (kind === 'ramp') decide({ kind: 'drawTempo', from: at, to: to!, start: round(tempoHere ?? bpm), end: bpm });
    setValue('');
  };
  return (
    <div className={styles.add}>
      <Select<typeof kind>
        size="small"
        aria-label={say('timeline.kindOfTheNewChange')}
        value={kind}
        onChange={setKind}
        popupMatchSelectWidth={false}
        options={[
          { value: 'tempo', label: say('timeline.tempo') },
          { value: 'ramp', label: say('timeline.gradualTempo') },
          { value: 'marker', label: say('timeline.marker') },
          ...(metersFixed ? [] : [{ value: 'meter' as const, label: say('timeline.meter') }]),
          ...(direction === 'to-score' ? [{ value: 'key' as const, label: say('timeline.key') }] : []),
        ]}
      />
      <PlaceInput
        word={say('timeline.at')}
        label={say('timeline.placeOfTheNewChange')}
        value={place}
        onChange={setPlace}
      />
      {kind === 'ramp' && (
        <PlaceInput
          word={say('timeline.until')}
          label={say('timeline.endOfTheChange')}
          value={until}
          onChange={setUntil}
        />
      )}
      {kind === 'key' && (
        <Select<string>
          size="small"
          style={{ width: 140 }}
          placeholder={say('timeline.key')}
          aria-label={say('timeline.keyToAdd')}
          disabled={at === null}
          value={null}
          onChange={(value) => at !== null && decide({ kind: 'setKey', ...keyOfValue(value), bar: barAt(at, line) })}
          options={KEY_OPTIONS}
        />
      )}
      {kind === 'meter' && (
        <MeterInput
          value={[]}
          label={say('timeline.meterToAdd')}
          disabled={at === null}
          onCommit={(meters) => at !== null && decide({ kind: 'setMeters', from: at, to: null, meters: [...meters] })}
        />
      )}
      {kind !== 'meter' && kind !== 'key' && (
        <>
          <Input
            size="small"
            style={{ width: 120 }}
            placeholder={kind === 'marker' ? say('timeline.text') : say('timeline.min')}
            aria-label={say('timeline.valueToAdd')}
            value={value}
            onChange={(event) => setValue(event.target.value)}
            onPressEnter={add}
          />
          <Button size="small" disabled={!good} onClick={add}>
            {say('timeline.add')}
          </Button>
        </>
      )}
    </div>
  );
}

interface PlaceInputProps {
  word: string;
  label: string;
  value: string;
  onChange: (text: string) => void;
}

function PlaceInput({ word, label, value, onChange }: PlaceInputProps) {
  return (
    <label>
      {word}
      <Input
        size="small"
        style={{ width: 132 }}
        placeholder={say('timeline.bar5Beat3')}
        aria-label={label}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  );
}
