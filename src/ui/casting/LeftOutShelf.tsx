'use client';

import { say } from '@/core/words';
import type { TrackId } from '@/core/base';
import { useDraggable } from '@dnd-kit/core';
import { Button } from 'antd';
import { useWorkspace } from '../workspace/workspace';
import { dragged } from './PartTable';
import styles from './casting.module.css';

/** The tracks that are not written, each with the reason; they can be taken in again, or dragged onto a part. */
export function LeftOutShelf() {
  const tracks = useWorkspace((state) => state.summary!.tracks);
  const surveyed = useWorkspace((state) => state.opened!.survey.tracks);
  // The first track often holds the tempo only.
  const out = tracks.filter(
    (track, i) => track.leftOut && !(i === 0 && surveyed.find(({ id }) => id === track.id)?.notes === 0),
  );
  if (out.length === 0) return null;
  return (
    <div className={styles.shelf} aria-label={say('casting.leftOut')}>
      <span className="soft">{say('casting.leftOut2')}</span>
      {out.map((track) => (
        <LeftOut
          key={track.id}
          id={track.id}
          name={track.name || track.id}
          reason={track.reason ?? say('casting.leftOut3')}
        />
      ))}
    </div>
  );
}

function LeftOut({ id, name, reason }: { id: TrackId; name: string; reason: string }) {
  const decide = useWorkspace((state) => state.decide);
  const empty = reason === 'no notes';
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: `track/${id}`, disabled: empty });
  return (
    <span ref={setNodeRef} {...listeners} className={styles.chip} style={dragged(transform, isDragging)}>
      {name}
      <i>{reason}</i>
      {!empty && (
        <Button
          type="link"
          size="small"
          aria-label={say('casting.includeName', { name })}
          onClick={() => decide({ kind: 'takeIn', tracks: [id] })}
        >
          {say('casting.include')}
        </Button>
      )}
    </span>
  );
}
