'use client';

import { say } from '@/core/words';
import { CartesianGrid, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { Select } from 'antd';
import type { ReactNode } from 'react';
import { keyName } from '@/core/score';
import { TEXT_ENCODINGS, type TextEncoding } from '@/core/smf';
import { useWorkspace } from '../workspace/workspace';
import { bytesInWords, clock } from '../shared/words';
import styles from './intake.module.css';
import { encodingName } from '@/core/decisions';
import { settingsOf } from '@/core/documents';

const place = ({ bar, beat }: { bar: number; beat: number }) => say('intake.barBar', { bar, beat });

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
        <Fact name={say('intake.title')} value={facts.title || say('intake.none')} />
        <Fact
          name={say('intake.type')}
          value={say('intake.formatOfTheFile', { format: String(facts.format ?? 'score') })}
        />
        <Fact name={say('intake.resolution')} value={facts.resolution} />
        <Fact
          name={say('intake.length')}
          value={`${clock(end)}, ${say('intake.bar', { bars: facts.bars })}, ${bytesInWords(facts.size)}`}
        />
        <Fact
          name={say('intake.meters')}
          value={
            facts.meters.length === 0
              ? say('intake.noMeters')
              : facts.meters.map((meter) => `${meter.beats}/${meter.beatType} (${place(meter)})`).join(', ')
          }
        />
        <Fact
          name={say('intake.keysInTheFile')}
          value={
            onlyC
              ? say('intake.onlyCMajor')
              : facts.keys.map((key) => `${keyName(key)} (${place(key)})`).join(', ') || say('intake.none')
          }
        />
        <Fact
          name={say('intake.markers')}
          value={
            facts.markers.length === 0
              ? say('intake.none')
              : facts.markers.map((marker) => `${marker.text} (${place(marker)})`).join(', ')
          }
        />
        {(facts.foreign || chosen) && (
          <Fact
            name={say('intake.textEncoding')}
            value={
              <Select<TextEncoding | 'guess'>
                size="small"
                aria-label={say('intake.encodingOfNamesAndTexts')}
                style={{ width: 230 }}
                value={chosen ?? 'guess'}
                onChange={(value) => decide({ kind: 'setTextEncoding', encoding: value === 'guess' ? null : value })}
                options={[
                  {
                    value: 'guess',
                    label: chosen
                      ? say('intake.guessedFromAllTexts')
                      : say('intake.encodingNameGuessed', { encodingName: encodingName(facts.encoding) }),
                  },
                  ...TEXT_ENCODINGS.map((value) => ({ value, label: encodingName(value) })),
                ]}
              />
            }
          />
        )}
        {facts.copyright && <Fact name={say('intake.copyright')} value={facts.copyright} />}
        {facts.sysex > 0 && (
          <Fact name={say('intake.exclusiveData')} value={say('intake.message', { sysex: facts.sysex })} />
        )}
        {facts.unknownChunks.length > 0 && (
          <Fact name={say('intake.unknownChunks')} value={facts.unknownChunks.join(', ')} />
        )}
        {facts.texts.length > 0 && (
          <Fact
            name={say('intake.texts')}
            value={facts.texts
              .slice(0, 40)
              .map((text) => `${text.text} (${text.track}, ${place(text)})`)
              .join('; ')}
          />
        )}
      </dl>
      <h2>{say('intake.tempo')}</h2>
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
            formatter={(value) => [say('intake.valueAMinute', { value: Number(value) }), say('intake.quarters')]}
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
          <h2>{say('intake.remarksOnTheFile')}</h2>
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
