'use client';

import { say } from '@/core/words';
import { sayRich } from '@/ui/shared/sayRich';
import { Bar, BarChart, CartesianGrid, Cell, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { useWorkspace } from '../workspace/workspace';
import styles from '../shared/charts.module.css';

/** How each part was played: how far ahead of the beat, and how steadily. */
export function TimingCharts() {
  const parts = useWorkspace((state) => state.summary!.parts);
  const rows = parts.map((part) => {
    const lead = Object.values(part.report.leads)[0];
    return {
      name: part.name,
      lead: lead?.milliseconds ?? 0,
      sure: lead?.confidence ?? 1,
      jitter: Math.round(part.report.jitter * 1000),
      exact: part.report.exact,
    };
  });
  const height = Math.max(160, rows.length * 24 + 40);
  return (
    <div className={styles.charts}>
      <figure>
        <figcaption>
          {sayRich(
            'rhythm.leadMillisecondsAheadOfTheBeat',
            {},
            { soft: (chunks) => <span className="soft">{chunks}</span> },
          )}
        </figcaption>
        <ResponsiveContainer width="100%" height={height}>
          <BarChart data={rows} layout="vertical" margin={{ left: 20, right: 20 }}>
            <defs>
              <pattern
                id="doubtful-lead"
                width="6"
                height="6"
                patternUnits="userSpaceOnUse"
                patternTransform="rotate(45)"
              >
                <rect width="3" height="6" fill="var(--brick)" />
              </pattern>
            </defs>
            <CartesianGrid stroke="var(--line)" horizontal={false} />
            <XAxis type="number" stroke="var(--ink-soft)" tick={{ fontSize: 12 }} />
            <YAxis
              type="category"
              dataKey="name"
              width={120}
              stroke="var(--ink-soft)"
              tick={{ fontSize: 12 }}
              interval={0}
            />
            <Tooltip formatter={(value) => say('rhythm.valueMs', { value: String(value) })} />
            <Bar dataKey="lead" name={say('rhythm.lead')} isAnimationActive={false}>
              {rows.map((row) => (
                <Cell key={row.name} fill={row.sure < 0.6 ? 'url(#doubtful-lead)' : 'var(--saffron)'} />
              ))}
            </Bar>
          </BarChart>
        </ResponsiveContainer>
      </figure>
      <figure>
        <figcaption>
          {sayRich(
            'rhythm.jitterSpreadOfTheOnsetsAroundTheir',
            {},
            { soft: (chunks) => <span className="soft">{chunks}</span> },
          )}
        </figcaption>
        <ResponsiveContainer width="100%" height={height}>
          <BarChart data={rows} layout="vertical" margin={{ left: 20, right: 20 }}>
            <CartesianGrid stroke="var(--line)" horizontal={false} />
            <XAxis type="number" stroke="var(--ink-soft)" tick={{ fontSize: 12 }} />
            <YAxis
              type="category"
              dataKey="name"
              width={120}
              stroke="var(--ink-soft)"
              tick={{ fontSize: 12 }}
              interval={0}
            />
            <Tooltip formatter={(value) => say('rhythm.valueMs', { value: String(value) })} />
            <Bar
              dataKey={(row: (typeof rows)[number]) => (row.exact ? 0 : row.jitter)}
              name={say('rhythm.jitter')}
              fill="var(--teal)"
              isAnimationActive={false}
            />
          </BarChart>
        </ResponsiveContainer>
      </figure>
    </div>
  );
}
