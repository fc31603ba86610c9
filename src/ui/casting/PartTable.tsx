'use client';

import { say } from '@/core/words';
import { DOUBTFUL } from '@/core/casting';
import { partId, type PartId, type TrackId } from '@/core/base';
import { HolderOutlined } from '@ant-design/icons';
import { useDraggable, useDroppable } from '@dnd-kit/core';
import { Input, Table, Tooltip } from 'antd';
import type { TableRef } from 'antd/es/table';
import { useEffect, useMemo, useRef } from 'react';
import { techniqueName } from '@/core/instruments';
import { useWorkspace } from '../workspace/workspace';
import { percent } from '../shared/words';
import { rowKeys } from '../shared/rowKeys';
import { useHeight } from '../shared/useHeight';
import { InstrumentSelect } from './InstrumentSelect';
import styles from './casting.module.css';
import type { PartSummary } from '@/core/engine';
import { Unseen } from '../shared/Unseen';

interface Props {
  marked: PartId[];
  onMark: (ids: PartId[]) => void;
  chosen: PartId | null;
  onChoose: (id: PartId) => void;
}

/** The parts in score order, each with the tracks it is made of. */
export function PartTable({ marked, onMark, chosen, onChoose }: Props) {
  const parts = useWorkspace((state) => state.summary!.parts);
  const query = useWorkspace((state) => state.query);
  const queries = useWorkspace((state) => state.summary!.queries);
  const decide = useWorkspace((state) => state.decide);
  const frame = useRef<HTMLDivElement>(null);
  const table = useRef<TableRef>(null);
  const height = useHeight(frame);
  const pointed = queries.find((one) => one.id === query)?.part;

  useEffect(() => {
    if (pointed ?? chosen) table.current?.scrollTo({ key: (pointed ?? chosen)! });
  }, [pointed, chosen, height]);

  const moveAbove = (part: PartId, before: PartId | null | undefined) => {
    if (before !== undefined) decide({ kind: 'movePart', part, before });
  };

  return (
    <div ref={frame} className={styles.frame}>
      <Table<PartSummary>
        ref={table}
        size="small"
        rowKey="id"
        pagination={false}
        virtual
        scroll={{ x: 900, y: Math.max(120, height - 34) }}
        dataSource={parts}
        rowSelection={{
          selectedRowKeys: marked,
          onChange: (keys) => onMark(keys.map((key) => partId(String(key)))),
          columnWidth: 34,
        }}
        rowClassName={(part) => (part.id === chosen || part.id === pointed ? styles.chosen! : '')}
        onRow={(part, i) =>
          rowKeys(() => onChoose(part.id), {
            ArrowUp: () => moveAbove(part.id, parts[(i ?? 0) - 1]?.id),
            ArrowDown: () => moveAbove(part.id, parts[(i ?? 0) + 2]?.id ?? null),
          })
        }
        columns={[
          {
            title: <Unseen>{say('casting.order')}</Unseen>,
            key: 'handle',
            width: 28,
            render: (_, part) => <MoveHandle part={part} />,
          },
          {
            title: say('casting.originalTracks'),
            key: 'track',
            width: 200,
            render: (_, part) => <TracksOfPart part={part} />,
          },
          {
            title: say('casting.part'),
            key: 'part',
            width: 180,
            render: (_, part) => (
              <Text
                key={part.name}
                label={say('casting.nameOfThePartPart', { part: part.name })}
                value={part.name}
                onCommit={(name) => decide({ kind: 'renamePart', part: part.id, name })}
              />
            ),
          },
          {
            title: say('casting.short'),
            key: 'short',
            width: 96,
            render: (_, part) => (
              <Text
                key={part.abbreviation}
                label={say('casting.abbreviationOfPart', { part: part.name })}
                value={part.abbreviation}
                onCommit={(abbreviation) => decide({ kind: 'abbreviatePart', part: part.id, abbreviation })}
              />
            ),
          },
          {
            title: say('casting.instrument'),
            key: 'instrument',
            width: 190,
            render: (_, part) => (
              <span onClick={(event) => event.stopPropagation()}>
                <InstrumentSelect
                  value={part.instrument}
                  label={say('casting.instrumentOfPart', { part: part.name })}
                  onChange={(instrument) => decide({ kind: 'assignInstrument', tracks: part.tracks, instrument })}
                />
              </span>
            ),
          },
          { title: say('casting.confidence'), key: 'sure', width: 92, render: (_, part) => <Sure part={part} /> },
        ]}
      />
    </div>
  );
}

/** A text that counts when the field is left or Enter is pressed; Escape gives it up. */
function Text({ value, label, onCommit }: { value: string; label: string; onCommit: (value: string) => void }) {
  return (
    <Input
      size="small"
      defaultValue={value}
      aria-label={label}
      onClick={(event) => event.stopPropagation()}
      onKeyDown={(event) => {
        if (event.key === 'Escape') event.currentTarget.value = value;
        if (event.key === 'Escape' || event.key === 'Enter') event.currentTarget.blur();
      }}
      onBlur={(event) => {
        const next = event.currentTarget.value.trim();
        if (next && next !== value) onCommit(next);
        else event.currentTarget.value = value;
      }}
    />
  );
}

function MoveHandle({ part }: { part: PartSummary }) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: `part/${part.id}` });
  return (
    <span
      ref={setNodeRef}
      {...listeners}
      className={styles.handle}
      title={say('casting.dragOntoAnotherPartToMoveItAbove')}
      style={dragged(transform, isDragging)}
    >
      <HolderOutlined />
    </span>
  );
}

/** The tracks of a part, each to be dragged onto another part; and a place to drop one. */
function TracksOfPart({ part }: { part: PartSummary }) {
  const { setNodeRef, isOver } = useDroppable({ id: part.id });
  return (
    <div ref={setNodeRef} className={isOver ? styles.dropHere : styles.tracks}>
      {part.tracks.map((id) => (
        <TrackChip key={id} id={id} part={part} />
      ))}
    </div>
  );
}

function TrackChip({ id, part }: { id: TrackId; part: PartSummary }) {
  const survey = useWorkspace((state) => state.opened!.survey);
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({
    id: `track/${id}`,
    disabled: part.player !== null && part.player.number > 1,
  });
  const track = useMemo(() => survey.tracks.find((one) => one.id === id), [survey, id]);
  const source = part.sources.find((one) => one.track === id);
  const name = track?.name || say('casting.trackIndexNoName', { index: (track?.index ?? 0) + 1 });
  return (
    <span
      ref={setNodeRef}
      {...listeners}
      className={styles.chip}
      style={dragged(transform, isDragging)}
      title={say('casting.nameDragOntoAnotherPartToCombine', { name })}
    >
      {name}
      {part.tracks.length > 1 && source?.technique && <i>{techniqueName(source.technique)}</i>}
      {source?.staff && <i>{say('casting.upperStaff', { staff: source.staff })}</i>}
      {part.doublings.length > 0 && (
        <i>
          {say('casting.also2')} {part.doublings.map((one) => one.name).join(', ')}
        </i>
      )}
      {part.player && <i>{say('casting.playerPlayerOfOf', { player: part.player.number, of: part.player.of })}</i>}
    </span>
  );
}

export function dragged(transform: { x: number; y: number } | null, active: boolean): React.CSSProperties | undefined {
  return transform
    ? {
        transform: `translate(${transform.x}px, ${transform.y}px)`,
        zIndex: active ? 10 : undefined,
        position: 'relative',
      }
    : undefined;
}

function Sure({ part }: { part: PartSummary }) {
  const track = useWorkspace((state) => state.summary!.tracks.find((one) => one.id === part.tracks[0]))!;
  const evidence = track.recognition.candidates
    .find(({ instrument }) => instrument === part.instrument)
    ?.evidence.join(' · ');
  if (track.by === 'you') return <Tooltip title={say('casting.chosenByYou')}>{say('casting.chosen')}</Tooltip>;
  if (track.by === 'house list')
    return <Tooltip title={say('casting.fromYourHouseList')}>{say('casting.houseList2')}</Tooltip>;
  return (
    <Tooltip title={evidence ?? say('casting.notNamedInTheFile')}>
      <span className={track.confidence < DOUBTFUL ? styles.doubt : undefined}>
        {track.confidence === 0 ? say('casting.unknown') : percent(track.confidence)}
      </span>
    </Tooltip>
  );
}
