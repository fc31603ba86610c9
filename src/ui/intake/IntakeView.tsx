'use client';

import { say } from '@/core/words';
import type { TrackId } from '@/core/base';
import { Segmented } from 'antd';
import { useState } from 'react';
import { useWorkspace } from '../workspace/workspace';
import { bytesInWords, clock } from '../shared/words';
import { FileSheet } from './FileSheet';
import { Originals } from './Originals';
import { PassedOver } from './PassedOver';
import { TrackDetailPane } from './TrackDetailPane';
import { TrackTable } from './TrackTable';
import styles from './intake.module.css';

/** What arrived: the tracks, or the file as a whole. */
export function IntakeView() {
  const { facts } = useWorkspace((state) => state.opened)!;
  const job = useWorkspace((state) => state.job)!;
  const [side, setSide] = useState<'tracks' | 'file'>('tracks');
  const [chosen, setChosen] = useState<TrackId | null>(null);
  return (
    <div className={styles.view}>
      <div className={styles.head}>
        <Segmented<'tracks' | 'file'>
          size="small"
          value={side}
          onChange={setSide}
          options={[
            { value: 'tracks', label: facts.format === null ? say('intake.parts') : say('intake.tracks') },
            { value: 'file', label: say('intake.theFile') },
          ]}
        />
        <span className="soft">
          {say('intake.factsOfTheFile', {
            fileName: job.originals[0]!.fileName,
            factsFormat: facts.format === null,
            trackChunks: facts.trackChunks,
            format: facts.format,
            resolution: facts.resolution,
            bars: facts.bars,
            durationSeconds: clock(facts.durationSeconds),
            facts: bytesInWords(facts.size),
          })}
        </span>
      </div>
      <Originals />
      <PassedOver />
      {side === 'tracks' ? (
        <>
          <TrackTable chosen={chosen} onChoose={setChosen} compact={chosen !== null} />
          {chosen && <TrackDetailPane track={chosen} onClose={() => setChosen(null)} />}
        </>
      ) : (
        <FileSheet />
      )}
    </div>
  );
}
