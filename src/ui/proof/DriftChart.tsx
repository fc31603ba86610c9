'use client';

import { inNumbers, say } from '@/core/words';
import { sayRich } from '@/ui/shared/sayRich';
import { CartesianGrid, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import type { Agreement } from '@/core/proof';
import styles from '../shared/charts.module.css';

/** How far the two clocks are apart, bar by bar. */
export function DriftChart({ agreement }: { agreement: Agreement }) {
  const rows = agreement.bars.map(({ number, drift }) => ({ bar: number, drift }));
  return (
    <figure className={styles.charts}>
      <figcaption>
        {sayRich(
          'proof.driftHowMuchLaterTheSecondBegins',
          {
            typical: inNumbers(agreement.typical, 1),
            largest: inNumbers(agreement.largest, 1),
          },
          { soft: (chunks) => <span className="soft">{chunks}</span> },
        )}
      </figcaption>
      <ResponsiveContainer width="100%" height={130}>
        <LineChart data={rows} margin={{ left: 0, right: 12, top: 8 }}>
          <CartesianGrid stroke="var(--line)" vertical={false} />
          <XAxis dataKey="bar" stroke="var(--ink-soft)" tick={{ fontSize: 12 }} />
          <YAxis stroke="var(--ink-soft)" tick={{ fontSize: 12 }} width={44} />
          <Tooltip
            formatter={(value) => say('proof.valueMs', { value: String(value) })}
            labelFormatter={(bar) => say('proof.barBar', { bar: String(bar) })}
          />
          <Line
            dataKey="drift"
            name={say('proof.drift')}
            stroke="var(--teal)"
            dot={false}
            isAnimationActive={false}
            connectNulls
          />
        </LineChart>
      </ResponsiveContainer>
    </figure>
  );
}
