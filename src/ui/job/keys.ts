'use client';

import { useEffect } from 'react';
import { editPicked } from '../rhythm/editPicked';
import { madeOnDesk, openQueries, useWorkspace } from './workspace';

/** The few keys of a job, as shown under “?”. */
export const KEYS: readonly { keys: string; does: string }[] = [
  { keys: 'N', does: 'next query' },
  { keys: 'B', does: 'the query before' },
  { keys: 'A', does: 'accept its first remedy' },
  { keys: 'D', does: 'set it aside' },
  { keys: '→ ←', does: 'one bar on, one bar back' },
  { keys: ', .', does: 'picked notes one step earlier, later' },
  { keys: 'J K', does: 'join picked notes, strike one again in its middle' },
  { keys: 'C', does: 'compare with before the last change' },
  { keys: '+ −', does: 'fewer bars in view, more bars in view' },
  { keys: 'Ctrl+Z', does: 'undo' },
  { keys: 'Ctrl+Shift+Z', does: 'redo' },
  { keys: '?', does: 'this list' },
];

export const BARS_IN_VIEW = [1, 2, 3, 4, 6, 8] as const;

/** @param step +1 shows more bars, −1 fewer */
export function zoomed(bars: number, step: 1 | -1): number {
  const i = BARS_IN_VIEW.findIndex((choice) => choice >= bars);
  return BARS_IN_VIEW[Math.max(0, Math.min(BARS_IN_VIEW.length - 1, (i < 0 ? BARS_IN_VIEW.length - 1 : i) + step))]!;
}

export function useJobKeys(): void {
  useEffect(() => {
    function onKey(event: KeyboardEvent): void {
      const target = event.target as HTMLElement;
      // Ticks and switches take no text; everything that does keeps its keys.
      if (
        target.closest(
          'input:not([type=checkbox]), textarea, select, [contenteditable], [role=slider], .ant-modal, .ant-select',
        )
      )
        return;
      const space = useWorkspace.getState();
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
        event.preventDefault();
        if (event.shiftKey) space.redo();
        else space.undo();
        return;
      }
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      const queries = openQueries(madeOnDesk(space), space.ledger);
      const here = queries.findIndex((query) => query.id === space.query);
      const act: Record<string, () => void> = {
        n: () => space.point(queries[Math.min(here + 1, queries.length - 1)] ?? null),
        b: () => space.point(queries[Math.max(here - 1, 0)] ?? null),
        a: () => {
          const remedy = queries[here]?.remedies[0];
          if (remedy) space.decide(remedy.decision, ...(remedy.also ?? []));
        },
        d: () => {
          if (queries[here]) space.decide({ kind: 'dismissQuery', query: queries[here].id, reason: '' });
        },
        ',': () => editPicked('earlier'),
        '.': () => editPicked('later'),
        j: () => editPicked('join'),
        k: () => editPicked('cut'),
        c: () => space.compare(!space.comparing),
        arrowright: () => space.show({ from: space.passage.from + 1 }),
        arrowleft: () => space.show({ from: space.passage.from - 1 }),
        '+': () => space.show({ bars: zoomed(space.passage.bars, -1) }),
        '-': () => space.show({ bars: zoomed(space.passage.bars, 1) }),
      };
      const action = act[event.key.toLowerCase()];
      if (!action) return;
      event.preventDefault();
      action();
    }
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
