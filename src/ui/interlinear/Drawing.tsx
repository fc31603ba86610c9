'use client';

import { say } from '@/core/words';
import { Dropdown } from 'antd';
import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { MenuProps } from 'antd';
import type { NoteId } from '@/core/base';
import type { Passage } from '@/core/proof';
import { HandOverlay } from '../hand/HandOverlay';
import { held, USUAL_VELOCITY } from '../hand/changes';
import { emptyMenu, handMenu } from '../hand/handMenu';
import { emptyPlaceAt } from '../hand/pointing';
import { pickFirst } from '../hand/walkNotes';
import { isPicked, noteUnder, useHandMouse } from '../hand/useHandMouse';
import { Playhead } from '../audition/Playhead';
import {
  inParts,
  madeOnDesk,
  openQueries,
  useWorkspace,
  type NoteInView,
  type NotesInView,
} from '../workspace/workspace';
import { BarHead } from './BarHead';
import { readGeometry, type Geometry } from '../engraved/geometry';
import { PlayedLanes } from './PlayedLanes';
import { SpokenNote } from './SpokenNote';
import type { Drawn } from './usePassage';
import music from '../shared/engraving.module.css';
import styles from './interlinear.module.css';

/** So long the pointer rests on a note before it is told why that is written so. */
const REST_MS = 120;

/** The engraved passage with its played lines, and the hand over it. */
export function Drawing({ drawn, dim, laneHeight }: { drawn: Drawn; dim: boolean; laneHeight: number }) {
  const { passage, engraving } = drawn;
  const below = useWorkspace((state) => state.direction === 'to-sequencer');
  const see = useWorkspace((state) => state.see);
  const pick = useWorkspace((state) => state.pick);
  const { root, place } = useGeometry(drawn, laneHeight, below);
  const [lit, onLight] = useLight(root, passage);
  const inHand = useHandMouse(root, passage, place);
  const picked = usePicked(root, passage);
  const { flags, onFlag } = useFlags(passage);
  const [menu, setMenu] = useState<MenuProps['items']>([]);
  const svg = useMemo(() => ({ __html: engraving.svg }), [engraving.svg]);

  useEffect(() => see(notesInView(passage)), [passage, see]);

  const onContextMenu = (event: React.MouseEvent) => {
    const note = noteUnder(event.target, passage);
    const now = useWorkspace.getState().picked;
    if (note && !isPicked(now, note)) pick(note.part, note.played);
    const of = note ? held() : null;
    const { left, top } = root.current!.getBoundingClientRect();
    if (of) return setMenu(handMenu(of));
    const empty = place && emptyPlaceAt(root.current!, place, passage, event.clientX - left, event.clientY - top);
    setMenu(empty ? emptyMenu(empty) : []);
  };

  return (
    <div className={styles.sheet} data-dim={dim || undefined} aria-busy={dim}>
      <div className={styles.ruler}>
        {place?.bars.map((bar, i) => (
          <BarHead key={bar.number} index={passage.from + i} place={bar} first={i === 0} />
        ))}
      </div>
      {/* It stands still at once: a hand that knows the way is faster than a movement. */}
      <Dropdown trigger={['contextMenu']} transitionName="" menu={{ items: menu }}>
        <div
          className={styles.music}
          id="music"
          tabIndex={0}
          role="group"
          aria-label={say('interlinear.barsBarsToBars2ArrowKeysWalkThe', {
            bars: passage.bars[0]!.number,
            bars2: passage.bars.at(-1)!.number,
          })}
          onContextMenu={onContextMenu}
          onKeyDown={(event) => {
            if (event.target === event.currentTarget && event.key === 'Enter') pickFirst();
          }}
        >
          <div
            ref={root}
            className={`${music.engraved} ${styles.engraved}`}
            role="img"
            aria-label={say('interlinear.barsBarsToBars2AsWritten', {
              bars: passage.bars[0]!.number,
              bars2: passage.bars.at(-1)!.number,
            })}
            dangerouslySetInnerHTML={svg}
          />
          {place && <Playhead from={passage.from} geometry={place} />}
          {place && (
            <PlayedLanes
              passage={passage}
              geometry={place}
              lit={lit}
              flags={flags}
              picked={picked}
              onLight={onLight}
              onFlag={onFlag}
              onPick={pick}
            />
          )}
          <HandOverlay inHand={inHand} />
        </div>
      </Dropdown>
      <SpokenNote />
    </div>
  );
}

function notesInView({ parts, links }: Passage): NotesInView {
  const articulations = new Map(
    Object.values(links).flatMap((link) => link.played.map((id) => [id, link.articulations] as const)),
  );
  return new Map(
    parts.flatMap((part) =>
      part.sounds.flatMap((sound) => {
        const [first] = sound.played;
        const note: NoteInView = {
          ...sound,
          part: part.id,
          velocity: part.played.find(({ id }) => id === first)?.velocity ?? USUAL_VELOCITY,
          articulations: articulations.get(first!) ?? [],
        };
        return sound.played.map((id) => [id, note] as const);
      }),
    ),
  );
}

/** Where things stand; null until this drawing has been read. */
function useGeometry(drawn: Drawn, laneHeight: number, below: boolean) {
  const root = useRef<HTMLDivElement>(null);
  const [read, setRead] = useState<{ of: Drawn; geometry: Geometry } | null>(null);
  useLayoutEffect(() => {
    if (!root.current) return;
    const geometry = readGeometry(root.current, drawn.passage, laneHeight, below);
    setRead(geometry && { of: drawn, geometry });
  }, [drawn, laneHeight, below]);
  return { root, place: read?.of === drawn ? read.geometry : null };
}

/** What lies under the pointer is lit on both lines; resting there asks why it is written so. */
function useLight(root: React.RefObject<HTMLElement | null>, passage: Passage) {
  const [lit, setLit] = useState<ReadonlySet<number>>(new Set());
  const pointAt = useWorkspace((state) => state.pointAt);
  const resting = useRef<ReturnType<typeof setTimeout>>(undefined);
  const onLight = useCallback(
    (ids: readonly NoteId[]) => {
      setLit(new Set(ids));
      clearTimeout(resting.current);
      const [note] = ids;
      const part = passage.parts.find((one) => one.played.some(({ id }) => id === note));
      resting.current = setTimeout(
        () => pointAt(note === undefined || !part ? null : { part: part.id, note }),
        REST_MS,
      );
    },
    [passage, pointAt],
  );

  useEffect(() => {
    const element = root.current;
    if (!element) return;
    const onOver = (event: PointerEvent) => {
      const note = noteUnder(event.target, passage);
      if (note) onLight(note.played);
    };
    const onOut = (event: PointerEvent) => {
      if (event.target instanceof Element && event.target.closest('g.note')) onLight([]);
    };
    element.addEventListener('pointerover', onOver);
    element.addEventListener('pointerout', onOut);
    return () => {
      element.removeEventListener('pointerover', onOver);
      element.removeEventListener('pointerout', onOut);
    };
  }, [root, passage, onLight]);

  useMarked(root, passage, lit, 'lit');
  return [lit, onLight] as const;
}

function usePicked(root: React.RefObject<HTMLElement | null>, passage: Passage): ReadonlySet<number> {
  const picked = useWorkspace((state) => state.picked);
  const notes = useMemo(() => new Set(picked ? inParts(picked).flatMap((one) => one.notes) : []), [picked]);
  useMarked(root, passage, notes, 'picked');
  return notes;
}

/** Engraved notes behind which one of these was played bear a class. */
function useMarked(
  root: React.RefObject<HTMLElement | null>,
  passage: Passage,
  notes: ReadonlySet<number>,
  name: 'lit' | 'picked',
): void {
  useEffect(() => {
    for (const element of root.current?.querySelectorAll('g.note') ?? [])
      element.classList.toggle(name, passage.links[element.id]?.played.some((id) => notes.has(id)) ?? false);
  }, [root, passage, notes, name]);
}

function useFlags(passage: Passage) {
  const made = useWorkspace(madeOnDesk);
  const ledger = useWorkspace((state) => state.ledger);
  const chosen = useWorkspace((state) => state.query);
  const point = useWorkspace((state) => state.point);
  const flags = openQueries(made, ledger).flatMap((query, i) =>
    query.at === undefined || !query.part || query.at < passage.start || (query.bar ?? 0) >= passage.to
      ? []
      : [{ id: query.id, number: i + 1, part: query.part, at: query.at, chosen: query.id === chosen }],
  );
  const onFlag = (id: string) => point(made?.queries.find((query) => query.id === id) ?? null);
  return { flags, onFlag };
}
