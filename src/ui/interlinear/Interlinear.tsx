'use client';

import { say } from '@/core/words';
import { sayRich } from '@/ui/shared/sayRich';
import { Alert, Spin } from 'antd';
import { useEffect, useMemo, useRef, useState } from 'react';
import { barsOnDesk, partsOnDesk, queryHere, useWorkspace } from '../workspace/workspace';
import type { Version } from '@/core/engine';
import type { Workspace } from '../workspace/store/workspace';
import { Drawing } from './Drawing';
import { usePassage } from './usePassage';
import { light } from '../shared/theme';
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
      {failure && (
        <Alert type="error" showIcon title={say('interlinear.theseBarsCouldNotBeDrawnFailure', { failure })} />
      )}
      {ordered.length === 0 && <p className={styles.hint}>{say('interlinear.tickAPartOnTheLeftToSeeItHere')}</p>}
      {!drawn && ordered.length > 0 && !failure && (
        <Spin className={styles.spin} description={say('interlinear.loadingTheEngraver')} />
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
      {sayRich(
        'interlinear.previewLabelAAppliesIt',
        {
          label,
        },
        { b: (chunks) => <b>{chunks}</b>, kbd: (chunks) => <kbd>{chunks}</kbd> },
      )}
    </p>
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
