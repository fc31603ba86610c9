'use client';

import { say } from '@/core/words';
import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { isScoreFile } from '@/core/engine';
import { originalBytes } from '@/storage/jobs';
import { engineWorker } from '@/workers/engine-client';
import { useWorkspace } from '../workspace/workspace';
import type { Workspace } from '../workspace/store/workspace';
import styles from '../shared/sequencing.module.css';

const MOST_SHOWN = 12;
/** So many bars of all parts take a second or two to count, in which the engine answers nothing else. */
const LARGE = 4000;

/** Signs of a received score that the stations do not change. */
export function PassedOver() {
  const direction = useWorkspace((state) => state.direction);
  const job = useWorkspace((state) => state.job?.id);
  const size = useWorkspace(sizeOfScore);
  const [askedFor, setAskedFor] = useState<string | undefined>();
  const kinds = usePassedOver(size <= LARGE || askedFor === job);
  if (size > LARGE && askedFor !== job)
    return (
      <p className={styles.passedOver}>
        <Button size="small" onClick={() => setAskedFor(job)}>
          {say('intake.listSignsThatCannotBeChangedHere', { toScore: direction === 'to-score' })}
        </Button>
      </p>
    );
  if (kinds.length === 0) return null;
  const heading =
    direction === 'to-score' ? say('intake.signsThatCannotBeChangedHere') : say('intake.notUsedForTheMIDI');
  const shown = kinds.slice(0, MOST_SHOWN);
  const more = kinds.length - shown.length;
  return (
    <section className={styles.passedOver} aria-label={heading}>
      <h2>{heading}</h2>
      <p className="soft">{say('intake.theMusicXMLExportKeepsThemWhere', { toScore: direction === 'to-score' })}</p>
      <p>{more > 0 ? say('base.andMore', { named: shown.join(' · '), more }) : shown.join(' · ')}</p>
    </section>
  );
}

/** Bars of all parts; 0 for music that was played in. */
function sizeOfScore({ opened, summary, sequence }: Workspace): number {
  if (opened && opened.facts.format !== null) return 0;
  const made = summary ?? sequence;
  return made ? made.parts.length * made.bars.length : 0;
}

/** Counted once a job, behind everything else. */
function usePassedOver(wanted: boolean): readonly string[] {
  const job = useWorkspace((state) => state.job);
  const ready = useWorkspace((state) => state.progress === null);
  const [kinds, setKinds] = useState<readonly string[]>([]);
  const sums = job?.originals.map(({ sha256 }) => sha256).join(' ') ?? '';
  useEffect(() => {
    if (!wanted || !ready || sums === '') return;
    let here = true;
    void (async () => {
      const files = await Promise.all(sums.split(' ').map((sha256) => originalBytes(sha256)));
      const scores = files.filter(isScoreFile);
      const found = scores.length > 0 ? await engineWorker().passedOver(scores) : [];
      if (here) setKinds(found);
    })().catch(() => {
      // Nothing is claimed where it cannot be counted.
    });
    return () => {
      here = false;
    };
  }, [sums, ready, wanted]);
  return kinds;
}
