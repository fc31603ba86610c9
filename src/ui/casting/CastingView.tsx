'use client';

import { say } from '@/core/words';
import { partId, trackId, type PartId, type TrackId } from '@/core/base';
import { DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { Button, Select } from 'antd';
import { useState } from 'react';
import { LANGUAGES, type Language } from '@/core/instruments';
import { useWorkspace } from '../workspace/workspace';
import { DealOutDialog } from './DealOutDialog';
import { HouseListDrawer } from './HouseListDrawer';
import { LeftOutShelf } from './LeftOutShelf';
import { PartDetail } from './PartDetail';
import { PartTable } from './PartTable';
import { SelectionBar } from './SelectionBar';
import styles from './casting.module.css';
import { LANGUAGE_NAMES } from '@/core/decisions';
import { settingsOf } from '@/core/documents';

/** Which tracks become which parts: the parts in score order, one of them in detail, and what is left out. */
export function CastingView() {
  const summary = useWorkspace((state) => state.summary)!;
  const tracks = useWorkspace((state) => state.opened!.survey.tracks);
  const ledger = useWorkspace((state) => state.ledger)!;
  const decide = useWorkspace((state) => state.decide);
  const [marked, setMarked] = useState<PartId[]>([]);
  const [chosen, setChosen] = useState<PartId | null>(null);
  const [dealing, setDealing] = useState<TrackId | null>(null);
  const [house, setHouse] = useState(false);
  // A short way before a press counts as dragging, so that clicks stay clicks.
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const part = summary.parts.find((candidate) => candidate.id === chosen) ?? null;
  const alive = marked.filter((id) => summary.parts.some((candidate) => candidate.id === id));

  /** A track dropped on a part joins it; a part dropped on another stands above it. */
  function onDrop({ active, over }: DragEndEvent): void {
    const [kind, dragged] = String(active.id).split('/') as ['track' | 'part', string];
    const target = summary.parts.find((candidate) => candidate.id === over?.id);
    if (!target) return;
    if (kind === 'part') {
      const part = partId(dragged);
      if (target.id !== part) decide({ kind: 'movePart', part, before: target.id });
      return;
    }
    const id = trackId(dragged);
    if (!target.tracks.includes(id)) {
      if (summary.tracks.find((track) => track.id === id)?.leftOut)
        decide({ kind: 'takeIn', tracks: [id] }, { kind: 'gather', tracks: [target.tracks[0]!, id] });
      else decide({ kind: 'gather', tracks: [target.tracks[0]!, id] });
    }
  }

  return (
    <DndContext
      sensors={sensors}
      onDragEnd={onDrop}
      accessibility={{ screenReaderInstructions: { draggable: say('casting.dragToMove') } }}
    >
      <div className={styles.view}>
        <div className={styles.head}>
          <span className="soft">
            {say('casting.track', { tracks: tracks.filter((track) => track.notes > 0).length })}{' '}
            {say('casting.withNotesBecomePartInScoreOrder', { parts: summary.parts.length })}
          </span>
          <SelectionBar marked={alive} onClear={() => setMarked([])} />
          <span className={styles.push} />
          <Select<Language>
            size="small"
            aria-label={say('casting.languageOfTheInstrumentNames')}
            value={settingsOf(ledger).language}
            options={LANGUAGES.map((language) => ({
              value: language,
              label: say('casting.namesInLanguageNames', { languageNames: LANGUAGE_NAMES[language] }),
            }))}
            onChange={(language) => decide({ kind: 'setLanguage', language })}
            style={{ width: 150 }}
          />
          <Button size="small" onClick={() => setHouse(true)}>
            {say('casting.houseList')}
          </Button>
        </div>
        <PartTable
          marked={alive}
          onMark={setMarked}
          chosen={chosen}
          onChoose={(id) => setChosen(id === chosen ? null : id)}
        />
        <LeftOutShelf />
        {part && (
          <PartDetail
            key={part.id}
            part={part}
            onClose={() => setChosen(null)}
            onDeal={() => setDealing(part.tracks[0]!)}
          />
        )}
        {dealing && <DealOutDialog key={dealing} track={dealing} onClose={() => setDealing(null)} />}
        <HouseListDrawer open={house} onClose={() => setHouse(false)} />
      </div>
    </DndContext>
  );
}
