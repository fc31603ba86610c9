'use client';

import { say } from '@/core/words';
import { AuditionBar } from '../audition/AuditionBar';
import { BarWalk } from '../interlinear/BarWalk';
import { useWorkspace } from '../workspace/workspace';
import { useMidiSequence } from '../workspace/useSequence';
import { ChangedByHand } from './ChangedByHand';
import { ReceivedAndOutgoing } from './ReceivedAndOutgoing';
import { ShownParts } from './ShownParts';
import { TreatmentsPanel } from './TreatmentsPanel';
import pane from '../shared/pane.module.css';
import styles from '../shared/sequencing.module.css';

/** How a MIDI file is played: its notes as received over what goes out, and what is done to them. */
export function MidiPlayingView() {
  const { sequence } = useMidiSequence();
  const shown = useWorkspace((state) => state.passage.parts);
  return (
    <div className={styles.playing}>
      <aside className={pane.side} aria-label={say('rhythm.playing')}>
        <ShownParts
          parts={sequence.parts.map(({ id, name, received }) => ({ id, name: received.name || name }))}
          label={say('rhythm.tracks')}
        />
        <div className={styles.panel}>
          <h2>{say('rhythm.processing')}</h2>
          <TreatmentsPanel />
          <h2>{say('rhythm.changedByHand')}</h2>
          <ChangedByHand />
        </div>
      </aside>
      <div className={styles.reading}>
        <BarWalk />
        <div className={styles.lanes} tabIndex={0} role="region" aria-label={say('rhythm.tracksOriginalAndExport')}>
          {shown.length === 0 && <p className={styles.hint}>{say('rhythm.tickATrackToSeeItsNotes')}</p>}
          {sequence.parts
            .filter(({ id }) => shown.includes(id))
            .map((part) => (
              <ReceivedAndOutgoing key={part.id} part={part} />
            ))}
        </div>
        <p className={`${styles.key} soft`}>{say('rhythm.outlinedOriginalFilledExportThe')}</p>
        <AuditionBar />
      </div>
    </div>
  );
}
