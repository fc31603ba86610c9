'use client';

import { say } from '@/core/words';
import { useEffect, useRef } from 'react';
import { Area, AreaChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { timeOf, type BarClock } from '@/core/hearing';
import { useHearing } from '../audition/useHearing';
import { barsOnDesk, useWorkspace } from '../workspace/workspace';
import type { RecordedWave } from './useWaveform';
import styles from './proof.module.css';

interface WaveformProps {
  waveform: RecordedWave;
  clock: BarClock;
  /** Seconds of the recording before the first bar. */
  offset: number;
  /** While it is dragged. */
  onMove: (offset: number) => void;
  onMoved: (offset: number) => void;
}

const MOST_NUMBERS = 24;

/** A recording under the bars: it can be dragged, a bar number is heard when it is clicked. */
export function Waveform({ waveform, clock, offset, onMove, onMoved }: WaveformProps) {
  const bars = useWorkspace(barsOnDesk);
  const from = useHearing((state) => state.from);
  const drag = useRef<{ x: number; offset: number; perPixel: number } | null>(null);
  const first = clock.bars[0]!.at;
  const length = clock.end - first;
  // The bars stand still; the recording is moved under them.
  const data = waveform.peaks.map(({ at, loud }) => ({ at: at - offset, range: [-loud, loud] }));
  const every = Math.max(1, Math.ceil(clock.bars.length / MOST_NUMBERS));
  return (
    <div
      className={styles.waveform}
      aria-label={say('proof.waveformOverTheBars')}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        drag.current = { x: event.clientX, offset, perPixel: length / (event.currentTarget.clientWidth - 24) };
      }}
      onPointerMove={(event) => {
        const { current } = drag;
        if (current) onMove(current.offset - (event.clientX - current.x) * current.perPixel);
      }}
      onPointerUp={() => {
        if (drag.current && drag.current.offset !== offset) onMoved(offset);
        drag.current = null;
      }}
    >
      <div className={styles.barNumbers}>
        {clock.bars.map(
          ({ bar, at }, i) =>
            i % every === 0 && (
              <button
                key={`${bar}/${i}`}
                type="button"
                style={{ left: `${((at - first) / length) * 100}%` }}
                title={say('proof.playFromHere')}
                onPointerDown={(event) => event.stopPropagation()}
                onClick={() => void from(bar)}
              >
                {bars[bar]?.number ?? bar + 1}
              </button>
            ),
        )}
      </div>
      <Playhead clock={clock} />
      <ResponsiveContainer width="100%" height={180}>
        <AreaChart data={data} margin={{ left: 12, right: 12, top: 0, bottom: 0 }}>
          <XAxis dataKey="at" type="number" domain={[0, length]} allowDataOverflow hide />
          <YAxis domain={[-1, 1]} hide />
          {clock.bars.map(
            ({ at }, i) => i % every === 0 && <ReferenceLine key={i} x={at - first} stroke="var(--played-line)" />,
          )}
          <Area
            dataKey="range"
            type="step"
            stroke="none"
            fill="var(--teal)"
            fillOpacity={0.75}
            isAnimationActive={false}
          />
        </AreaChart>
      </ResponsiveContainer>
    </div>
  );
}

/** Where it sounds. */
function Playhead({ clock }: { clock: BarClock }) {
  const line = useRef<HTMLDivElement>(null);
  const sounding = useHearing((state) => state.sounding);
  const place = useHearing((state) => state.place);
  useEffect(() => {
    if (!sounding) return;
    const first = clock.bars[0]!.at;
    let frame = 0;
    const draw = () => {
      frame = requestAnimationFrame(draw);
      const at = place();
      const share = at ? (timeOf(clock, at) - first) / (clock.end - first) : 0;
      if (line.current) line.current.style.left = `calc(12px + (100% - 24px) * ${share})`;
    };
    frame = requestAnimationFrame(draw);
    return () => cancelAnimationFrame(frame);
  }, [sounding, clock, place]);
  return sounding ? <div ref={line} className={styles.wavePlayhead} aria-hidden /> : null;
}
