'use client';

import { CartesianGrid, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { Select } from 'antd';
import type { ReactNode } from 'react';
import { keyName } from '@/core/score';
import { TEXT_ENCODINGS, type TextEncoding } from '@/core/smf';
import { useWorkspace } from '../workspace/workspace';
import { bytesInWords, clock, count } from '../shared/words';
import styles from './intake.module.css';
import { encodingName } from '@/core/decisions';
import { settingsOf } from '@/core/documents';

const place = ({ bar, beat }: { bar: number; beat: number }) => `bar ${bar}${beat === 1 ? '' : `, beat ${beat}`}`;

/** The file as a whole: one compact sheet. */
export function FileSheet() {
  const { facts } = useWorkspace((state) => state.opened)!;
  const decide = useWorkspace((state) => state.decide);
  const chosen = useWorkspace((state) => (state.ledger ? settingsOf(state.ledger).encoding : undefined));
  const end = facts.durationSeconds;
  const curve = [
    ...facts.tempos.map(({ seconds, bpm }) => ({ seconds, bpm })),
    ...(facts.tempos.length > 0 ? [{ seconds: end, bpm: facts.tempos.at(-1)!.bpm }] : []),
  ];
  const onlyC = facts.keys.length === 1 && facts.keys[0]!.fifths === 0 && facts.keys[0]!.mode === 'major';
  return (
    <div className={styles.sheet}>
      <dl className={styles.facts}>
        <Fact name="Title" value={facts.title || 'none'} />
        <Fact
          name="Type"
          value={
            facts.format === null
              ? 'a score (MusicXML)'
              : `${facts.format} (${['one track', 'tracks together', 'separate patterns'][facts.format]})`
          }
        />
        <Fact name="Resolution" value={facts.resolution} />
        <Fact name="Length" value={`${clock(end)}, ${count(facts.bars, 'bar', 'bars')}, ${bytesInWords(facts.size)}`} />
        <Fact
          name="Meters"
          value={
            facts.meters.length === 0
              ? 'none in the file: 4/4 by the standard'
              : facts.meters.map((meter) => `${meter.beats}/${meter.beatType} (${place(meter)})`).join(', ')
          }
        />
        <Fact
          name="Keys in the file"
          value={
            onlyC
              ? 'one C major at the start: probably nobody set it'
              : facts.keys.map((key) => `${keyName(key)} (${place(key)})`).join(', ') || 'none'
          }
        />
        <Fact
          name="Markers"
          value={
            facts.markers.length === 0
              ? 'none'
              : facts.markers.map((marker) => `${marker.text} (${place(marker)})`).join(', ')
          }
        />
        {(facts.foreign || chosen) && (
          <Fact
            name="Text encoding"
            value={
              <Select<TextEncoding | 'guess'>
                size="small"
                aria-label="Encoding of names and texts"
                style={{ width: 230 }}
                value={chosen ?? 'guess'}
                onChange={(value) => decide({ kind: 'setTextEncoding', encoding: value === 'guess' ? null : value })}
                options={[
                  {
                    value: 'guess',
                    label: chosen ? 'Guessed from all texts' : `${encodingName(facts.encoding)}, guessed`,
                  },
                  ...TEXT_ENCODINGS.map((value) => ({ value, label: encodingName(value) })),
                ]}
              />
            }
          />
        )}
        {facts.copyright && <Fact name="Copyright" value={facts.copyright} />}
        {facts.sysex > 0 && <Fact name="Exclusive data" value={count(facts.sysex, 'message', 'messages')} />}
        {facts.unknownChunks.length > 0 && <Fact name="Unknown chunks" value={facts.unknownChunks.join(', ')} />}
        {facts.texts.length > 0 && (
          <Fact
            name="Texts"
            value={facts.texts
              .slice(0, 40)
              .map((text) => `${text.text} (${text.track}, ${place(text)})`)
              .join('; ')}
          />
        )}
      </dl>
      <h2>Tempo</h2>
      <ResponsiveContainer width="100%" height={170}>
        <LineChart data={curve} margin={{ top: 8, right: 16, bottom: 4, left: -16 }}>
          <CartesianGrid stroke="var(--line)" strokeDasharray="2 4" />
          <XAxis
            dataKey="seconds"
            type="number"
            domain={[0, Math.ceil(end)]}
            tickFormatter={(value) => clock(Number(value))}
            stroke="var(--ink-soft)"
          />
          <YAxis
            domain={['dataMin - 10', 'dataMax + 10']}
            tickFormatter={(value) => String(Math.round(Number(value)))}
            stroke="var(--ink-soft)"
          />
          <Tooltip
            labelFormatter={(value) => clock(Number(value))}
            formatter={(value) => [`${Number(value)} a minute`, 'quarters']}
          />
          <Line
            type="stepAfter"
            dataKey="bpm"
            stroke="var(--saffron)"
            strokeWidth={2}
            dot={curve.length < 60 ? { r: 2 } : false}
            isAnimationActive={false}
          />
        </LineChart>
      </ResponsiveContainer>
      {facts.warnings.length > 0 && (
        <>
          <h2>Remarks on the file</h2>
          <ul>
            {facts.warnings.map((warning) => (
              <li key={warning}>{warning}</li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

function Fact({ name, value }: { name: string; value: ReactNode }) {
  return (
    <div>
      <dt>{name}</dt>
      <dd>{value}</dd>
    </div>
  );
}
