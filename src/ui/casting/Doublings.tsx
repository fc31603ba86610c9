'use client';

import { say } from '@/core/words';
import { CloseOutlined } from '@ant-design/icons';
import { Button, Select } from 'antd';
import { useState } from 'react';
import { settingsOf } from '@/core/documents';
import type { DoublingSummary, PartSummary, SourceSummary } from '@/core/engine';
import { programName, type InstrumentId } from '@/core/instruments';
import type { BarSpan, SoundChangeRule } from '@/core/settings';
import { useWorkspace } from '../workspace/workspace';
import { BarSpanFields } from '../shared/BarSpanFields';
import { InstrumentSelect } from './InstrumentSelect';
import styles from './casting.module.css';

/** Which further instruments a player takes up, and where; bars may be added and taken away. */
export function Doublings({ part }: { part: PartSummary }) {
  const bars = useWorkspace((state) => state.summary!.bars);
  const decide = useWorkspace((state) => state.decide);
  const [first, last] = [bars[0]?.number ?? 1, bars.at(-1)?.number ?? 1];
  const [instrument, setInstrument] = useState<InstrumentId>();
  const [span, setSpan] = useState<BarSpan>({ from: 0, to: bars.length });
  const take = (what: InstrumentId, where: BarSpan) =>
    decide({ kind: 'takeUp', part: part.id, instrument: what, bars: where });
  return (
    <div className={styles.doublings}>
      {part.doublings.map((one) => (
        <Doubling
          key={one.instrument}
          doubling={one}
          first={first}
          onPutDown={(where) => take(part.instrument, where)}
        />
      ))}
      <span className={styles.inline}>
        {say('casting.doublesOn')}
        <span className={styles.doublingSelect}>
          <InstrumentSelect
            value={instrument}
            label={say('casting.instrumentThatPartDoublesOn', { part: part.name })}
            placeholder={say('casting.anotherInstrument')}
            pitched
            onChange={setInstrument}
          />
        </span>
        {say('casting.inBars')}
        <BarSpanFields
          span={span}
          first={first}
          last={last}
          of={say('casting.theOtherInstrument')}
          onChange={setSpan}
        />
        <Button
          size="small"
          disabled={!instrument || instrument === part.instrument}
          onClick={() => instrument && take(instrument, span)}
        >
          {say('casting.add')}
        </Button>
      </span>
    </div>
  );
}

function Doubling({
  doubling: { name, bars },
  first,
  onPutDown,
}: {
  doubling: DoublingSummary;
  first: number;
  onPutDown: (bars: BarSpan) => void;
}) {
  return (
    <span className={styles.inline}>
      {name}
      {bars.map((span) => (
        <Button
          key={span.from}
          size="small"
          icon={<CloseOutlined />}
          iconPlacement="end"
          title={say('casting.useThePartsOwnInstrumentInstead')}
          onClick={() => onPutDown(span)}
        >
          {barsInWords(span, first)}
        </Button>
      ))}
    </span>
  );
}

function barsInWords({ from, to }: BarSpan, first: number): string {
  return to - from === 1
    ? say('casting.barFrom', { from: from + first })
    : say('casting.barsFromTo', { from: from + first, to: to - 1 + first });
}

const RULES: { value: SoundChangeRule | 'usual'; label: string }[] = [
  {
    value: 'usual',
    get label() {
      return say('casting.automatic');
    },
  },
  {
    value: 'taken-up',
    get label() {
      return say('casting.onePlayerDoublesOnAll');
    },
  },
  {
    value: 'one',
    get label() {
      return say('casting.oneInstrumentThroughout');
    },
  },
];

/** How a track whose program changes is read; nothing where it does not. */
export function ProgramRule({ source: { track, programs }, name }: { source: SourceSummary; name: string }) {
  const ledger = useWorkspace((state) => state.ledger)!;
  const decide = useWorkspace((state) => state.decide);
  if (programs.length < 2) return null;
  return (
    <label className={styles.inline} title={programs.map(programName).join(', ')}>
      {say('casting.programsPrograms', { programs: programs.length })}
      <Select<SoundChangeRule | 'usual'>
        size="small"
        style={{ width: 220 }}
        aria-label={say('casting.programsOfName', { name })}
        value={settingsOf(ledger).soundChanges[track] ?? 'usual'}
        options={RULES}
        onChange={(as) => decide({ kind: 'readSoundChanges', track, as })}
      />
      <Button size="small" onClick={() => decide({ kind: 'splitTrack', track, by: 'programs' })}>
        {say('casting.aPartForEach')}
      </Button>
    </label>
  );
}
