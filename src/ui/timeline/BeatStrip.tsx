'use client';

import { inNumbers, say } from '@/core/words';
import { useEffect, useState } from 'react';
import type { TimeLineSummary } from '@/core/engine';
import { engineWorker } from '@/workers/engine-client';
import { useWorkspace } from '../workspace/workspace';
import styles from './timeline.module.css';

const WIDTH = 900;
const HEIGHT = 76;
/** Beats shown at once. */
const SHOWN = 16;
/** Seconds a beat is moved by one press of an arrow key. */
const NUDGE = 0.01;
const CLOSE = 0.4;

interface Props {
  line: TimeLineSummary;
  /** Beats that were set right, in seconds. */
  placed: readonly number[];
  onMove: (placed: number[]) => void;
}

/** The notes of some bars as they were played, and the beats over them: each can be drawn to where it belongs. */
export function BeatStrip({ line: { following, bars }, placed, onMove }: Props) {
  const edition = useWorkspace((state) => state.edition);
  const from = useWorkspace((state) => state.passage.from);
  const [onsets, setOnsets] = useState<readonly { at: number; accent: number }[]>([]);
  const [held, setHeld] = useState<{ beat: number; at: number } | null>(null);
  useEffect(() => {
    let current = true;
    void engineWorker()
      .onsets()
      .then((list) => current && setOnsets(list));
    return () => {
      current = false;
    };
  }, [edition]);
  if (!following) return null;
  const { beats, downbeats } = following;
  const bar = bars[Math.min(from, bars.length - 1)]!;
  const first = Math.max(
    0,
    Math.min(
      beats.findLastIndex((at) => at - following.silence <= bar.at + 0.001),
      beats.length - 2,
    ),
  );
  const last = Math.min(beats.length - 1, first + SHOWN);
  const [begin, end] = [beats[first]! - 0.2, beats[last]! + 0.2];
  const x = (at: number) => ((at - begin) / (end - begin)) * WIDTH;
  const secondsAt = (event: React.PointerEvent<SVGElement>) => {
    const box = event.currentTarget.ownerSVGElement!.getBoundingClientRect();
    return begin + ((event.clientX - box.left) / box.width) * (end - begin);
  };
  const period = (beats[last]! - beats[first]!) / Math.max(1, last - first);
  const move = (beat: number, to: number) => {
    const at = Math.round(to * 1000) / 1000;
    if (Math.abs(at - beats[beat]!) < 0.004) return;
    // What was known about this beat, and about one nearer than beats can be, is known better now.
    const near = (one: number) => Math.min(Math.abs(one - beats[beat]!), Math.abs(one - at)) <= CLOSE * period;
    const kept = placed.filter((one) => !near(one));
    onMove([...kept, at].sort((a, b) => a - b));
  };
  return (
    <svg
      className={styles.strip}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="group"
      aria-label={say('timeline.beatsFirstToLastOverTheNotesAsThey', { first: first + 1, last: last + 1 })}
    >
      {onsets
        .filter(({ at }) => at >= begin && at <= end)
        .map(({ at, accent }) => (
          <line
            key={at}
            className={styles.struck}
            x1={x(at)}
            x2={x(at)}
            y1={HEIGHT - 18 - Math.max(6, Math.min(36, 14 + accent * 14))}
            y2={HEIGHT - 18}
          />
        ))}
      {beats.slice(first, last + 1).map((at, i) => {
        const beat = first + i;
        const here = held?.beat === beat ? held.at : at;
        const opens = downbeats.includes(beat);
        const known = placed.some((one) => Math.abs(one - at) < 0.002);
        return (
          <g
            key={beat}
            className={known ? styles.knownBeat : styles.beat}
            tabIndex={0}
            role="slider"
            aria-label={say('timeline.beatBeatBeginsABar', { beat: beat + 1, opens: Boolean(opens) })}
            aria-valuenow={Math.round(here * 1000) / 1000}
            aria-valuetext={say('timeline.hereSeconds', { here: inNumbers(here, 2) })}
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
              setHeld({ beat, at });
            }}
            onPointerMove={(event) => held?.beat === beat && setHeld({ beat, at: secondsAt(event) })}
            onPointerUp={(event) => {
              if (held?.beat === beat) move(beat, secondsAt(event));
              setHeld(null);
            }}
            onPointerCancel={() => setHeld(null)}
            onKeyDown={(event) => {
              if (event.key === 'ArrowLeft') move(beat, at - NUDGE);
              if (event.key === 'ArrowRight') move(beat, at + NUDGE);
            }}
          >
            <rect x={x(here) - 8} y={0} width={16} height={HEIGHT} className={styles.grip} />
            <line x1={x(here)} x2={x(here)} y1={opens ? 2 : 18} y2={HEIGHT - 14} strokeWidth={opens ? 2.5 : 1.2} />
            {opens && (
              <text x={x(here) + 4} y={12}>
                {bars.find((one) => Math.abs(one.at + following.silence - at) < 0.01)?.number ?? ''}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}
