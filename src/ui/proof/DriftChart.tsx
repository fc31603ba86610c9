'use client';

import { CartesianGrid, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import type { Agreement } from '@/core/proof';
import styles from '../shared/charts.module.css';

/** How far the two clocks are apart, bar by bar. */
export function DriftChart({ agreement }: { agreement: Agreement }) {
  const rows = agreement.bars.map(({ number, drift }) => ({ bar: number, drift }));
  return (
    <figure className={styles.charts}>
      <figcaption>
        Drift{' '}
        <span className="soft">
          how much later the second begins, milliseconds, the middle of each bar’s notes; of all notes half are within{' '}
          {agreement.typical.toFixed(1)}, the largest is {agreement.largest.toFixed(1)}
        </span>
      </figcaption>
      <ResponsiveContainer width="100%" height={130}>
        <LineChart data={rows} margin={{ left: 0, right: 12, top: 8 }}>
          <CartesianGrid stroke="var(--line)" vertical={false} />
          <XAxis dataKey="bar" stroke="var(--ink-soft)" tick={{ fontSize: 12 }} />
          <YAxis stroke="var(--ink-soft)" tick={{ fontSize: 12 }} width={44} />
          <Tooltip formatter={(value) => `${String(value)} ms`} labelFormatter={(bar) => `bar ${String(bar)}`} />
          <Line dataKey="drift" name="drift" stroke="var(--teal)" dot={false} isAnimationActive={false} connectNulls />
        </LineChart>
      </ResponsiveContainer>
    </figure>
  );
}
