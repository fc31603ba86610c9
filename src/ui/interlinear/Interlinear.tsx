'use client';

import { Alert, Spin } from 'antd';
import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { barsOnDesk, madeOnDesk, openQueries, partsOnDesk, queryHere, useWorkspace } from '../job/workspace';
import { Playhead } from '../audition/Playhead';
import type { Version } from '@/core/engine';
import type { Workspace } from '../job/store/workspace';
import { readGeometry, type Geometry } from './geometry';
import { PlayedLanes } from './PlayedLanes';
import { usePassage, type Drawn } from './usePassage';
import { light } from '../theme';
import music from '../shared/engraving.module.css';
import styles from './interlinear.module.css';

/** Of the played line, for a staff of so many pixels. */
const laneHeightFor = (staffHeight: number) => Math.round(staffHeight * 1.6 + 8);

/** What is tried out comes before what is compared with. */
function versionInView({ tried, comparing }: Pick<Workspace, 'tried' | 'comparing'>): Version {
  if (tried?.changes) return 'tried';
  return comparing ? 'before' : 'now';
}

/**
 * The interlinear view: for the chosen parts and bars the played line above, the written line below, barlines aligned.
 * @param suggestions marks that nobody has taken yet are shown too
 */
export function Interlinear({ suggestions = false }: { suggestions?: boolean }) {
  const pane = useRef<HTMLDivElement>(null);
  const width = usePaneWidth(pane);
  const edition = useWorkspace((state) => state.edition);
  const known = useWorkspace(partsOnDesk);
  const last = useWorkspace((state) => barsOnDesk(state).length);
  const below = useWorkspace((state) => state.direction === 'to-sequencer');
  const { from, bars, parts } = useWorkspace((state) => state.passage);
  const which = useWorkspace(versionInView);
  const staffHeight = useWorkspace((state) => state.staffHeight);
  const ordered = useMemo(() => known.filter((part) => parts.includes(part.id)).map((part) => part.id), [known, parts]);
  const to = Math.min(last, from + bars);
  const { drawn, busy, failure } = usePassage({
    edition,
    parts: ordered,
    from,
    to,
    width: Math.max(0, width - 16),
    staffHeight,
    laneHeight: laneHeightFor(staffHeight),
    which,
    below,
    suggestionColour: suggestions ? light.saffron : undefined,
  });

  return (
    <div ref={pane} className={styles.pane}>
      {failure && <Alert type="error" showIcon title={`These bars could not be drawn: ${failure}`} />}
      {ordered.length === 0 && <p className={styles.hint}>Tick a part on the left to see it here.</p>}
      {!drawn && ordered.length > 0 && !failure && (
        <Spin className={styles.spin} description="Loading the engraver …" />
      )}
      <TriedOut />
      {drawn && ordered.length > 0 && <Drawing drawn={drawn} dim={busy} laneHeight={laneHeightFor(staffHeight)} />}
    </div>
  );
}

/** Says that the music is not as it stands but as a remedy would have it. */
function TriedOut() {
  const label = useWorkspace((state) => {
    const query = queryHere(state);
    return state.tried?.changes && query ? query.remedies[state.tried.remedy]?.label : undefined;
  });
  if (label === undefined) return null;
  return (
    <p className={styles.tried} role="status">
      Tried out: <b>{label}</b>. <kbd>A</kbd> takes it.
    </p>
  );
}

function Drawing({ drawn, dim, laneHeight }: { drawn: Drawn; dim: boolean; laneHeight: number }) {
  const root = useRef<HTMLDivElement>(null);
  const [geometry, setGeometry] = useState<{ of: Drawn; geometry: Geometry } | null>(null);
  const [lit, setLit] = useState<ReadonlySet<number>>(new Set());
  const made = useWorkspace(madeOnDesk);
  const below = useWorkspace((state) => state.direction === 'to-sequencer');
  const ledger = useWorkspace((state) => state.ledger);
  const chosen = useWorkspace((state) => state.query);
  const point = useWorkspace((state) => state.point);
  const picked = useWorkspace((state) => state.picked);
  const pick = useWorkspace((state) => state.pick);
  const { passage, engraving } = drawn;
  const pickedNotes = useMemo(() => new Set(picked?.notes), [picked]);
  const partOf = useMemo(
    () => new Map(passage.parts.flatMap((part) => part.played.map((mark) => [mark.id, part.id] as const))),
    [passage],
  );

  const see = useWorkspace((state) => state.see);

  useEffect(() => {
    const articulations = new Map(
      Object.values(passage.links).flatMap((link) => link.played.map((id) => [id, link.articulations] as const)),
    );
    see(
      new Map(
        passage.parts.flatMap((part) =>
          part.played.flatMap((mark) =>
            mark.written
              ? [[mark.id, { ...mark.written, articulations: articulations.get(mark.id) ?? [] }] as const]
              : [],
          ),
        ),
      ),
    );
  }, [passage, see]);

  useLayoutEffect(() => {
    if (!root.current) return;
    const read = readGeometry(root.current, passage, laneHeight, below);
    setGeometry(read && { of: drawn, geometry: read });
  }, [drawn, passage, laneHeight, below]);

  const onLight = useCallback((ids: readonly number[]) => setLit(new Set(ids)), []);

  // The engraved side: a note under the pointer lights what was played behind it.
  useEffect(() => {
    const element = root.current;
    if (!element) return;
    const onOver = (event: PointerEvent) => {
      const note = (event.target as Element).closest('g.note');
      if (note) onLight(passage.links[note.id]?.played ?? []);
    };
    const onOut = (event: PointerEvent) => {
      if ((event.target as Element).closest('g.note')) onLight([]);
    };
    const onClick = (event: MouseEvent) => {
      const note = (event.target as Element).closest('g.note');
      const ids = note ? (passage.links[note.id]?.played ?? []) : [];
      const part = ids.length > 0 ? partOf.get(ids[0]!) : undefined;
      if (part) pick(part, ids, event.shiftKey);
      else if (!event.shiftKey) pick(null, []);
    };
    element.addEventListener('click', onClick);
    element.addEventListener('pointerover', onOver);
    element.addEventListener('pointerout', onOut);
    return () => {
      element.removeEventListener('click', onClick);
      element.removeEventListener('pointerover', onOver);
      element.removeEventListener('pointerout', onOut);
    };
  }, [passage, onLight, pick, partOf]);

  useEffect(() => {
    for (const element of root.current?.querySelectorAll('g.note') ?? []) {
      const played = passage.links[element.id]?.played ?? [];
      element.classList.toggle(
        'lit',
        played.some((id) => lit.has(id)),
      );
      element.classList.toggle(
        'picked',
        played.some((id) => pickedNotes.has(id)),
      );
    }
  }, [lit, pickedNotes, passage]);

  const flags = openQueries(made, ledger).flatMap((query, i) =>
    query.at === undefined || !query.part || query.at < passage.start || (query.bar ?? 0) >= passage.to
      ? []
      : [{ id: query.id, number: i + 1, part: query.part, at: query.at, chosen: query.id === chosen }],
  );
  const place = geometry?.of === drawn ? geometry.geometry : null;
  const svg = useMemo(() => ({ __html: engraving.svg }), [engraving.svg]);
  const onFlag = (id: string) => point(made?.queries.find((query) => query.id === id) ?? null);
  return (
    <div className={styles.sheet} data-dim={dim || undefined}>
      <div className={styles.ruler}>
        {place?.bars.map((bar, i) => (
          <BarHead
            key={bar.number}
            index={passage.from + i}
            left={i === 0 ? bar.left : bar.left + 2}
            width={bar.right - bar.left}
            number={bar.number}
          />
        ))}
      </div>
      <div className={styles.music}>
        <div
          ref={root}
          className={`${music.engraved} ${styles.engraved}`}
          role="img"
          aria-label={`Bars ${passage.bars[0]!.number} to ${passage.bars.at(-1)!.number} as written`}
          dangerouslySetInnerHTML={svg}
        />
        {place && <Playhead from={passage.from} geometry={place} />}
        {place && (
          <PlayedLanes
            passage={passage}
            geometry={place}
            lit={lit}
            flags={flags}
            picked={pickedNotes}
            onLight={onLight}
            onFlag={onFlag}
            onPick={pick}
          />
        )}
      </div>
    </div>
  );
}

/** Bar number with what happens there: tempo, marker. */
function BarHead({ index, left, width, number }: { index: number; left: number; width: number; number: number }) {
  const made = useWorkspace(madeOnDesk);
  const summary = made && 'tempos' in made ? made : null;
  const bar = summary?.bars[index];
  if (!summary || !bar) return null;
  const inside = ({ at }: { at: number }) => at >= bar.start && at < bar.start + bar.length;
  const tempo = summary.tempos.find((mark) => mark.shown && inside(mark));
  const marker = summary.markers.find(inside);
  return (
    <span className={styles.barHead} style={{ left, maxWidth: width }}>
      <b>{number}</b>
      {marker && <i>{marker.text}</i>}
      {tempo && <span className="soft">♩ = {Math.round(tempo.bpm * 10) / 10}</span>}
    </span>
  );
}

function usePaneWidth(pane: React.RefObject<HTMLDivElement | null>): number {
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const element = pane.current;
    if (!element) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const observer = new ResizeObserver(([entry]) => {
      clearTimeout(timer);
      timer = setTimeout(() => setWidth(Math.floor(entry!.contentRect.width)), 80);
    });
    observer.observe(element);
    return () => {
      clearTimeout(timer);
      observer.disconnect();
    };
  }, [pane]);
  return width;
}
