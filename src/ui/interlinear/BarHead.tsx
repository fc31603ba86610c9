'use client';

import { say } from '@/core/words';
import { useWorkspace } from '../workspace/workspace';
import { madeOnDesk } from '../workspace/workspace';
import type { BarPlace } from '../engraved/geometry';
import styles from './interlinear.module.css';

/** Room before the next bar's number, in CSS pixels. */
const NEXT = 10;

/** Bar number with what happens there: tempo, marker. The number picks the bar's notes of the part that is at hand, or of all. */
export function BarHead({ index, place, first }: { index: number; place: BarPlace; first: boolean }) {
  const made = useWorkspace(madeOnDesk);
  const summary = made && 'tempos' in made ? made : null;
  const bar = summary?.bars[index];
  if (!summary || !bar) return null;
  const inside = ({ at }: { at: number }) => at >= bar.start && at < bar.start + bar.length;
  const tempo = summary.tempos.find((mark) => mark.shown && inside(mark));
  const marker = summary.markers.find(inside);
  return (
    <span
      className={styles.barHead}
      style={{ left: first ? place.left : place.left + 2, maxWidth: place.right - place.left - NEXT }}
    >
      <button
        type="button"
        tabIndex={-1}
        title={say('interlinear.selectTheNotesOfBarPlaceWithShift', { place: place.number })}
        onClick={({ shiftKey }) => pickBar(place, shiftKey)}
      >
        {place.number}
      </button>
      {marker && <i>{marker.text}</i>}
      {tempo && <span className="soft">♩ = {Math.round(tempo.bpm * 10) / 10}</span>}
    </span>
  );
}

function pickBar({ start, end }: BarPlace, inAll: boolean): void {
  const { picked, passage, written, summary, pickIn } = useWorkspace.getState();
  const shown = (summary?.parts ?? []).map(({ id }) => id).filter((id) => passage.parts.includes(id));
  const parts = inAll ? shown : shown.filter((part) => part === (picked?.part ?? shown[0]));
  const inBar = [...new Set(written.values())].filter((note) => note.start >= start && note.start < end);
  pickIn(
    parts.map((part) => ({
      part,
      notes: inBar.filter((note) => note.part === part).flatMap(({ played }) => played),
    })),
  );
}
