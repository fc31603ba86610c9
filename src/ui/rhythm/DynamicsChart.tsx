'use client';

import { say } from '@/core/words';
import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { DYNAMICS } from '@/core/score';
import { useWorkspace } from '../workspace/workspace';
import { useScoreSequence } from '../workspace/useSequence';
import chart from '../shared/charts.module.css';
import styles from '../shared/sequencing.module.css';

/** The dynamics of the parts in view over all bars, as the curve that velocities or controllers follow. */
export function DynamicsChart() {
  const { sequence, settings } = useScoreSequence();
  const shown = useWorkspace((state) => state.passage.parts);
  const show = useWorkspace((state) => state.show);
  const end = sequence.bars.at(-1)!.start + sequence.bars.at(-1)!.length;
  const numberAt = (at: number) => sequence.bars.findLast((bar) => bar.start <= at)?.number ?? 1;
  const ticks = sequence.bars
    .filter((_, i) => i % Math.max(1, Math.ceil(sequence.bars.length / 14)) === 0)
    .map((bar) => bar.start);
  const parts = sequence.parts.filter((part) => shown.includes(part.id));
  return (
    <div className={chart.charts}>
      {parts.length === 0 && <p className={styles.hint}>{say('rhythm.tickAPartOnTheLeftToSeeItHere')}</p>}
      {parts.map((part) => (
        <figure key={part.id}>
          <figcaption>{part.name}</figcaption>
          <ResponsiveContainer width="100%" height={128}>
            <LineChart
              data={[...part.curve, { at: end, value: part.curve.at(-1)!.value }]}
              margin={{ top: 6, right: 12, left: 0, bottom: 0 }}
              onClick={(state) =>
                state?.activeLabel !== undefined &&
                show({ from: sequence.bars.findLastIndex((bar) => bar.start <= Number(state.activeLabel)) })
              }
            >
              <CartesianGrid stroke="var(--line)" vertical={false} />
              <XAxis
                dataKey="at"
                type="number"
                domain={[0, end]}
                ticks={ticks}
                tickFormatter={(at) => String(numberAt(Number(at)))}
                stroke="var(--ink-soft)"
                tick={{ fontSize: 11 }}
              />
              <YAxis
                domain={[0, 127]}
                ticks={DYNAMICS.map((level) => settings.levels[level])}
                tickFormatter={(value) => DYNAMICS.find((level) => settings.levels[level] === value) ?? ''}
                interval={0}
                width={38}
                stroke="var(--ink-soft)"
                tick={{ fontSize: 11, fontStyle: 'italic' }}
              />
              {sequence.markers.map((marker) => (
                <ReferenceLine
                  key={marker.at}
                  x={marker.at}
                  stroke="var(--line)"
                  label={{ value: marker.text, position: 'insideTopLeft', fontSize: 11, fill: 'var(--ink-soft)' }}
                />
              ))}
              <Tooltip
                labelFormatter={(at) => say('rhythm.barNumberAt', { numberAt: numberAt(Number(at)) })}
                formatter={(value) => [Math.round(Number(value)), say('rhythm.velocity')]}
              />
              <Line dataKey="value" stroke="var(--saffron)" strokeWidth={2} dot={false} isAnimationActive={false} />
            </LineChart>
          </ResponsiveContainer>
        </figure>
      ))}
    </div>
  );
}
