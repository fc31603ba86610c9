'use client';

import { say } from '@/core/words';
import { useCallback } from 'react';
import type { TrackDetail } from '@/core/performance';
import type { Bar } from '@/core/time';
import { themeColour, useCanvas } from '../shared/useCanvas';
import styles from './intake.module.css';

const HEIGHT = 110;
const VELOCITY_HEIGHT = 26;

/** All notes of a track over the whole piece, velocities below. A canvas: there may be tens of thousands. */
export function PianoRoll({ detail, bars }: { detail: TrackDetail; bars: readonly Bar[] }) {
  const draw = useCallback(
    (context: CanvasRenderingContext2D, width: number) => paint(context, width, detail, bars),
    [detail, bars],
  );
  const canvas = useCanvas(HEIGHT + VELOCITY_HEIGHT, draw);

  return (
    <canvas
      ref={canvas}
      className={styles.roll}
      style={{ height: HEIGHT + VELOCITY_HEIGHT }}
      role="img"
      aria-label={say('intake.pianoRollWithNotesNotes', { notes: detail.notes.length })}
    />
  );
}

function paint(context: CanvasRenderingContext2D, width: number, { notes }: TrackDetail, bars: readonly Bar[]): void {
  const end = bars.at(-1)!.start + bars.at(-1)!.length;
  const x = (at: number) => (at / end) * width;
  context.fillStyle = themeColour('--played');
  context.fillRect(0, 0, width, HEIGHT + VELOCITY_HEIGHT);
  context.fillStyle = themeColour('--played-line');
  const every = Math.max(1, Math.ceil(bars.length / (width / 14)));
  for (const bar of bars) if (bar.index % every === 0) context.fillRect(x(bar.start), 0, 0.5, HEIGHT + VELOCITY_HEIGHT);

  const low = notes.reduce((least, note) => Math.min(least, note.key), 127) - 1;
  const high = notes.reduce((most, note) => Math.max(most, note.key), 0) + 1;
  const rowHeight = HEIGHT / Math.max(8, high - low + 1);
  context.fillStyle = themeColour('--saffron');
  for (const note of notes)
    context.fillRect(
      x(note.start),
      HEIGHT - (note.key - low + 1) * rowHeight,
      Math.max(1, x(note.end) - x(note.start)),
      Math.max(1.5, rowHeight - 0.5),
    );
  context.fillStyle = themeColour('--ink-soft');
  for (const note of notes)
    context.fillRect(
      x(note.start),
      HEIGHT + VELOCITY_HEIGHT * (1 - note.velocity / 127),
      1,
      (VELOCITY_HEIGHT * note.velocity) / 127,
    );
}
