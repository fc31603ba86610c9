'use client';

import { say } from '@/core/words';
import { useCallback, useEffect, useState } from 'react';
import type { MidiPartSummary, NoteInView, PlayedNotes } from '@/core/engine';
import { beatsOfBar, type Bar } from '@/core/time';
import { engineWorker } from '@/workers/engine-client';
import { barsOnDesk, useWorkspace } from '../workspace/workspace';
import { themeColour, useCanvas } from '../shared/useCanvas';
import styles from '../shared/sequencing.module.css';

const HEIGHT = 96;
const STRENGTHS = 30;

/** The bars in view of one track: its notes as received and as they go out. A canvas: there may be thousands. */
export function ReceivedAndOutgoing({ part }: { part: MidiPartSummary }) {
  const edition = useWorkspace((state) => state.edition);
  const bars = useWorkspace(barsOnDesk);
  const passage = useWorkspace((state) => state.passage);
  const which = useWorkspace((state) => (state.tried?.changes ? 'tried' : 'now'));
  const [notes, setNotes] = useState<PlayedNotes | null>(null);
  const from = Math.min(passage.from, bars.length - 1);
  const shown = bars.slice(from, from + passage.bars);
  const start = shown[0]?.start ?? 0;
  const end = (shown.at(-1)?.start ?? 0) + (shown.at(-1)?.length ?? 0);

  useEffect(() => {
    let current = true;
    engineWorker()
      .playedNotes(part.id, start, end, which)
      .then((next) => current && setNotes(next))
      // The worker was started again: what it makes next brings the notes anew.
      .catch(() => {});
    return () => {
      current = false;
    };
  }, [part.id, start, end, edition, which]);

  const draw = useCallback(
    (context: CanvasRenderingContext2D, width: number) =>
      notes && paint(context, width, notes, bars.slice(from, from + passage.bars)),
    [notes, bars, from, passage.bars],
  );
  const canvas = useCanvas(HEIGHT + STRENGTHS, draw);

  const name = part.received.name || part.name;
  return (
    <figure className={styles.lane}>
      <figcaption>
        {name} {name !== part.instrumentName && <span className="soft">{part.instrumentName}</span>}
      </figcaption>
      <canvas
        ref={canvas}
        style={{ width: '100%', height: HEIGHT + STRENGTHS }}
        role="img"
        aria-label={say('rhythm.nameReceivedNotesInTheOriginal', {
          name,
          received: notes?.received.length ?? 0,
          outgoing: notes?.outgoing.length ?? 0,
        })}
      />
    </figure>
  );
}

function paint(
  context: CanvasRenderingContext2D,
  width: number,
  { received, outgoing }: PlayedNotes,
  bars: readonly Bar[],
): void {
  if (bars.length === 0) return;
  const [first, last] = [bars[0]!, bars.at(-1)!];
  const x = (at: number) => ((at - first.start) / (last.start + last.length - first.start)) * width;
  context.fillStyle = themeColour('--played');
  context.fillRect(0, 0, width, HEIGHT + STRENGTHS);
  context.fillStyle = themeColour('--played-line');
  for (const bar of bars) {
    context.fillRect(x(bar.start), 0, 1.5, HEIGHT + STRENGTHS);
    for (const beat of beatsOfBar(bar)) context.fillRect(x(beat.start), 0, 0.5, HEIGHT + STRENGTHS);
  }
  context.fillStyle = themeColour('--ink-soft');
  context.font = '11px sans-serif';
  for (const bar of bars) context.fillText(String(bar.number), x(bar.start) + 4, 11);

  const all = [...received, ...outgoing];
  const low = all.reduce((least, { key }) => Math.min(least, key), 127) - 1;
  const high = all.reduce((most, { key }) => Math.max(most, key), 0) + 1;
  const row = (HEIGHT - 14) / Math.max(10, high - low + 1);
  const box = ({ start, end, key }: NoteInView): [number, number, number, number] => [
    x(start),
    HEIGHT - (key - low + 1) * row,
    Math.max(2, x(end) - x(start)),
    Math.max(2, row - 1),
  ];
  context.fillStyle = themeColour('--saffron');
  for (const note of outgoing) context.fillRect(...box(note));
  context.strokeStyle = themeColour('--ink');
  context.lineWidth = 0.8;
  for (const note of received) context.strokeRect(...box(note));
  const strength = (note: NoteInView, shift: number, ink: string) => {
    context.fillStyle = ink;
    const height = (STRENGTHS * note.velocity) / 127;
    context.fillRect(x(note.start) + shift, HEIGHT + STRENGTHS - height, 2, height);
  };
  for (const note of received) strength(note, -1, themeColour('--line'));
  for (const note of outgoing) strength(note, 1, themeColour('--saffron'));
}
