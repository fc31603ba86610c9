'use client';

import { say } from '@/core/words';
import { sayRich } from '@/ui/shared/sayRich';
import {
  CartesianGrid,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  ScatterChart,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import type { OnsetRow } from '@/core/proof';
import { barsOnDesk, useWorkspace } from '../workspace/workspace';
import styles from './proof.module.css';

/** So far from a part's own habit is seen, and stands out (milliseconds). */
const SEEN = 20;
const STANDS_OUT = 50;

interface Dot {
  x: number;
  y: number;
  name: string;
  off: number;
  colour: string;
}

/** The onsets of all parts in the bars in view, each where it was played. */
export function OnsetsChart({ rows }: { rows: readonly OnsetRow[] }) {
  const { from, bars: many } = useWorkspace((state) => state.passage);
  const bars = useWorkspace(barsOnDesk);
  const to = Math.min(bars.length, from + many);
  const inView = rows.map((row) => row.onsets.filter(({ bar }) => bar >= from && bar < to));
  const dots = rows.flatMap((row, y): Dot[] =>
    inView[y]!.map(({ played, off }) => ({ x: played, y, name: row.name, off, colour: colourOf(off - row.usual) })),
  );
  const places = [...new Set(inView.flat().map(({ written }) => written))];
  return (
    <figure className={styles.onsets} aria-label={say('proof.onsetsOfAllParts')}>
      <figcaption>
        {sayRich(
          'proof.onsetsEachWhereItWasPlayedThin',
          {
            seen: SEEN,
            standsOut: STANDS_OUT,
          },
          { soft: (chunks) => <span className="soft">{chunks}</span> },
        )}
      </figcaption>
      <ResponsiveContainer width="100%" height={Math.max(120, rows.length * 20 + 40)}>
        <ScatterChart margin={{ left: 0, right: 16, top: 4, bottom: 0 }}>
          <CartesianGrid stroke="var(--line)" vertical={false} />
          <XAxis
            type="number"
            dataKey="x"
            domain={[from - 0.03, to]}
            allowDataOverflow
            ticks={Array.from({ length: to - from }, (_, i) => from + i)}
            tickFormatter={(bar: number) => String(bars[bar]?.number ?? '')}
            stroke="var(--ink-soft)"
            tick={{ fontSize: 12 }}
          />
          <YAxis
            type="number"
            dataKey="y"
            domain={[-0.5, rows.length - 0.5]}
            reversed
            interval={0}
            ticks={rows.map((_, i) => i)}
            tickFormatter={(i: number) => rows[i]?.name ?? ''}
            width={150}
            stroke="var(--ink-soft)"
            tick={{ fontSize: 12 }}
          />
          {places.map((place) => (
            <ReferenceLine key={place} x={place} stroke="var(--line)" />
          ))}
          <Tooltip
            content={({ payload }) => {
              const dot: unknown = payload?.[0]?.payload;
              return isDot(dot) ? (
                <div className={styles.tip}>
                  {say('proof.dotOffMsEarly', {
                    dot: dot.name,
                    off: Math.abs(Math.round(dot.off)),
                    dotOff0: dot.off < 0,
                  })}
                </div>
              ) : null;
            }}
          />
          <Scatter data={dots} shape={Stroke} isAnimationActive={false} />
        </ScatterChart>
      </ResponsiveContainer>
    </figure>
  );
}

const isDot = (value: unknown): value is Dot =>
  typeof value === 'object' && value !== null && 'off' in value && 'name' in value;

function Stroke({ cx = 0, cy = 0, payload }: { cx?: number; cy?: number; payload?: Dot }) {
  return <rect x={cx - 1.25} y={cy - 7} width={2.5} height={14} fill={payload?.colour} />;
}

function colourOf(off: number): string {
  if (Math.abs(off) >= STANDS_OUT) return 'var(--brick)';
  return Math.abs(off) >= SEEN ? 'var(--saffron)' : 'var(--ink)';
}
