'use client';

import { say } from '@/core/words';
import type { PartId } from '@/core/base';
import { Segmented } from 'antd';
import { useState } from 'react';
import { settingsOf } from '@/core/documents';
import { EXTRACTS } from '@/core/extracts';
import { AuditionBar } from '../audition/AuditionBar';
import { BarWalk } from '../interlinear/BarWalk';
import { Interlinear } from '../interlinear/Interlinear';
import { useWorkspace } from '../workspace/workspace';
import { ExtractPanel } from './ExtractPanel';
import { PageParts } from './PageParts';
import { PartPanel } from './PartPanel';
import { PickedMarks } from './PickedMarks';
import { PiecePanel } from './PiecePanel';
import { Sheet } from './Sheet';
import pane from '../shared/pane.module.css';
import styles from './page.module.css';

type Look = 'passage' | 'score' | 'part' | 'extract';

/** What makes the written side a page: settings at the side, the music as a passage, as a score or as one part. */
export function PageView() {
  const parts = useWorkspace((state) => state.summary!.parts);
  const shown = useWorkspace((state) => state.passage.parts);
  const show = useWorkspace((state) => state.show);
  const found = useWorkspace((state) => state.summary!.melody);
  const ledger = useWorkspace((state) => state.ledger)!;
  const [side, setSide] = useState<'parts' | 'piece'>('parts');
  const [look, setLook] = useState<Look>('passage');
  const [extract, setExtract] = useState(EXTRACTS[0]!);
  const [chosen, setChosen] = useState<PartId | null>(null);
  const part = parts.find((one) => one.id === chosen) ?? parts.find((one) => shown.includes(one.id)) ?? parts[0];
  if (!part) {
    return (
      <div className={styles.nothing}>
        <h2>{say('page.noPartIsLeftToWrite')}</h2>
        <p>{say('page.everyTrackIsEmptyOrLeftOutTakeOne')}</p>
      </div>
    );
  }
  const { melody, reduced } = settingsOf(ledger).extracts;
  const tune = melody ?? found;
  const madeOf = { 'lead-sheet': tune === null ? shown : [tune], 'piano-reduction': reduced ?? shown };
  const choose = (id: PartId) => {
    setChosen(id);
    if (!shown.includes(id)) show({ parts: [...shown, id] });
  };
  const looks = (
    <Segmented<Look>
      size="small"
      value={look}
      onChange={setLook}
      options={[
        { value: 'passage', label: say('page.passage') },
        { value: 'score', label: say('page.score') },
        { value: 'part', label: say('page.part') },
        { value: 'extract', label: say('page.extract') },
      ]}
    />
  );
  return (
    <div className={styles.view}>
      <aside className={pane.side} aria-label={say('page.pageSettings')}>
        {look === 'extract' ? (
          <ExtractPanel extract={extract} onExtract={setExtract} />
        ) : (
          <>
            <Segmented<'parts' | 'piece'>
              size="small"
              block
              value={side}
              onChange={setSide}
              options={[
                { value: 'parts', label: say('page.parts') },
                { value: 'piece', label: say('page.wholePiece') },
              ]}
            />
            {side === 'parts' ? (
              <>
                <PageParts chosen={part.id} onChoose={choose} />
                <PartPanel key={part.id} part={part} />
              </>
            ) : (
              <PiecePanel />
            )}
          </>
        )}
      </aside>
      <div className={styles.reading}>
        {look === 'passage' ? (
          <>
            <BarWalk>{looks}</BarWalk>
            <Interlinear suggestions />
            <PickedMarks />
            <AuditionBar />
          </>
        ) : (
          <Sheet
            key={look}
            of={{ score: null, part, extract }[look]}
            opens={{ score: null, part: [part.id], extract: madeOf[extract.kind] }[look]}
            looks={looks}
          />
        )}
      </div>
    </div>
  );
}
