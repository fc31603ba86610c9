'use client';

import { inNumbers, say } from '@/core/words';
import { sayRich } from '@/ui/shared/sayRich';
import { Bar, ComposedChart, Line, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import type { TimeLineSummary } from '@/core/engine';
import { minutesInWords } from '@/core/studio';
import { meterInWords } from '@/core/time';
import { useHearing } from '../audition/useHearing';
import { useWorkspace } from '../workspace/workspace';
import styles from './timeline.module.css';

interface Row {
  /** Middle of the bar, for its density. */
  x: number;
  notes?: number;
  bpm?: number;
}

/** Tempo over the bars, with how many notes begin in each; a click shows its bar. */
export function TimeChart({ line }: { line: TimeLineSummary }) {
  const show = useWorkspace((state) => state.show);
  const { bars, tempo, density, changes, seconds } = line;
  const rows: Row[] = [
    ...density.map((notes, i) => ({ x: i + 0.5, notes })),
    ...tempo.map(({ place, bpm }) => ({ x: place, bpm })),
    { x: bars.length, bpm: tempo.at(-1)!.bpm },
  ].sort((a, b) => a.x - b.x);
  const low = tempo.reduce((least, { bpm }) => Math.min(least, bpm), Infinity);
  const high = tempo.reduce((most, { bpm }) => Math.max(most, bpm), 0);
  const room = Math.max(4, (high - low) * 0.15);
  const markers = changes.filter(({ kind }) => kind === 'marker');
  const meters = changes.filter(({ kind }) => kind === 'meter');
  const barAt = (x: number) => bars[Math.max(0, Math.min(bars.length - 1, Math.floor(x)))]!;
  return (
    <figure className={styles.chart} aria-label={say('timeline.tempoAndDensity')}>
      <figcaption>
        {sayRich(
          'timeline.barsBarsMinutesInWordsTempoIn',
          {
            bars: bars.length,
            minutesInWords: minutesInWords(seconds),
          },
          { soft: (chunks) => <span className="soft">{chunks}</span> },
        )}
      </figcaption>
      <ResponsiveContainer width="100%" height={190}>
        <ComposedChart
          data={rows}
          margin={{ left: 0, right: 16, top: 22, bottom: 0 }}
          onClick={({ activeLabel }) => {
            const { index } = barAt(Number(activeLabel));
            show({ from: index });
            // A MIDI file has no written bars to be shown: it is heard from there.
            useHearing.setState({ startBar: index });
          }}
        >
          <XAxis
            dataKey="x"
            type="number"
            domain={[0, bars.length]}
            tickCount={Math.min(20, bars.length + 1)}
            allowDecimals={false}
            tickFormatter={(x: number) => String(bars[x]?.number ?? '')}
            stroke="var(--ink-soft)"
            tick={{ fontSize: 12 }}
          />
          <YAxis
            yAxisId="bpm"
            domain={[Math.floor(low - room), Math.ceil(high + room)]}
            allowDecimals={false}
            stroke="var(--ink-soft)"
            tick={{ fontSize: 12 }}
            width={44}
          />
          <YAxis yAxisId={say('timeline.notes')} orientation="right" hide domain={[0, (most: number) => most * 2.5]} />
          <Tooltip
            labelFormatter={(x) => say('timeline.barBarAt', { barAt: barAt(Number(x)).number })}
            formatter={(value, name) =>
              name === 'notes' ? [value, say('timeline.notes')] : [inNumbers(Number(value), 2), say('timeline.tempo')]
            }
          />
          <Bar
            yAxisId={say('timeline.notes')}
            dataKey={say('timeline.notes')}
            name={say('timeline.notes')}
            fill="var(--played-line)"
            barSize={8}
            isAnimationActive={false}
          />
          {meters.map(({ played, meter }) => (
            <ReferenceLine
              key={`m${played}`}
              yAxisId="bpm"
              x={played}
              stroke="var(--line)"
              label={{
                value: meterInWords(meter!),
                position: 'insideTopLeft',
                fontSize: 12,
                fill: 'var(--ink-soft)',
              }}
            />
          ))}
          {markers.map(({ played, beat, text }, i) => (
            <ReferenceLine
              key={`t${i}`}
              yAxisId="bpm"
              x={played + (beat - 1) / bars[played]!.meter.beats}
              stroke="var(--teal)"
              strokeDasharray="3 3"
              label={{ value: text!.slice(0, 16), position: 'top', fontSize: 12, fill: 'var(--teal)' }}
            />
          ))}
          <Line
            yAxisId="bpm"
            dataKey="bpm"
            name={say('timeline.tempo')}
            type="stepAfter"
            stroke="var(--saffron)"
            strokeWidth={2}
            dot={false}
            connectNulls
            isAnimationActive={false}
          />
        </ComposedChart>
      </ResponsiveContainer>
    </figure>
  );
}
