'use client';

import { useEffect, useRef } from 'react';
import type { TrackDetail } from '@/core/performance';
import type { Bar } from '@/core/time';
import { useMode } from '../providers';
import styles from './intake.module.css';

const HEIGHT = 110;
const VELOCITY_HEIGHT = 26;

/** All notes of a track over the whole piece, velocities below. A canvas: there may be tens of thousands. */
export function PianoRoll({ detail, bars }: { detail: TrackDetail; bars: readonly Bar[] }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { mode } = useMode();

  useEffect(() => {
    const element = canvas.current;
    if (!element) return;
    const draw = () => paint(element, detail, bars);
    // The theme's colours are set on the document after this effect.
    const frame = requestAnimationFrame(draw);
    const observer = new ResizeObserver(draw);
    observer.observe(element);
    return () => {
      cancelAnimationFrame(frame);
      observer.disconnect();
    };
  }, [detail, bars, mode]);

  return (
    <canvas
      ref={canvas}
      className={styles.roll}
      style={{ height: HEIGHT + VELOCITY_HEIGHT }}
      role="img"
      aria-label={`Piano roll with ${detail.notes.length} notes`}
    />
  );
}

function paint(canvas: HTMLCanvasElement, { notes }: TrackDetail, bars: readonly Bar[]): void {
  const width = canvas.clientWidth;
  const ratio = window.devicePixelRatio || 1;
  canvas.width = width * ratio;
  canvas.height = (HEIGHT + VELOCITY_HEIGHT) * ratio;
  const context = canvas.getContext('2d');
  if (!context) return;
  context.scale(ratio, ratio);
  const style = getComputedStyle(document.documentElement);
  const colour = (name: string) => style.getPropertyValue(name);
  const end = bars.at(-1)!.start + bars.at(-1)!.length;
  const x = (at: number) => (at / end) * width;
  context.fillStyle = colour('--played');
  context.fillRect(0, 0, width, HEIGHT + VELOCITY_HEIGHT);
  context.fillStyle = colour('--played-line');
  const every = Math.max(1, Math.ceil(bars.length / (width / 14)));
  for (const bar of bars) if (bar.index % every === 0) context.fillRect(x(bar.start), 0, 0.5, HEIGHT + VELOCITY_HEIGHT);

  const low = notes.reduce((least, note) => Math.min(least, note.key), 127) - 1;
  const high = notes.reduce((most, note) => Math.max(most, note.key), 0) + 1;
  const rowHeight = HEIGHT / Math.max(8, high - low + 1);
  context.fillStyle = colour('--saffron');
  for (const note of notes)
    context.fillRect(
      x(note.start),
      HEIGHT - (note.key - low + 1) * rowHeight,
      Math.max(1, x(note.end) - x(note.start)),
      Math.max(1.5, rowHeight - 0.5),
    );
  context.fillStyle = colour('--ink-soft');
  for (const note of notes)
    context.fillRect(
      x(note.start),
      HEIGHT + VELOCITY_HEIGHT * (1 - note.velocity / 127),
      1,
      (VELOCITY_HEIGHT * note.velocity) / 127,
    );
}
