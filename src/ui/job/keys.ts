'use client';

import { useEffect } from 'react';
import { tinykeys } from 'tinykeys';
import { useHearing } from '../audition/useHearing';
import { editPicked } from '../rhythm/editPicked';
import type { Workspace } from './store/workspace';
import { madeOnDesk, openQueries, useWorkspace } from './workspace';

interface Key {
  /** As shown under “?”. */
  shown: string;
  does: string;
  /** What is pressed, as tinykeys writes it; `$mod` is Ctrl, or Cmd on a Mac. */
  presses: Record<string, (space: Workspace) => void>;
}

const queriesOf = (space: Workspace) => openQueries(madeOnDesk(space), space.ledger);
const here = (space: Workspace) => queriesOf(space).find((query) => query.id === space.query);

/** @param step +1 the next query, −1 the one before */
function walk(space: Workspace, step: 1 | -1): void {
  const queries = queriesOf(space);
  const at = queries.findIndex((query) => query.id === space.query) + step;
  space.point(queries[Math.max(0, Math.min(at, queries.length - 1))] ?? null);
}

function accept(space: Workspace): void {
  const remedy = here(space)?.remedies[0];
  if (remedy) space.decide(remedy.decision, ...(remedy.also ?? []));
}

function setAside(space: Workspace): void {
  const query = here(space);
  if (query) space.decide({ kind: 'dismissQuery', query: query.id, reason: '' });
}

function hear(space: Workspace): void {
  if (madeOnDesk(space)) void useHearing.getState().toggle();
}

const move = (step: 1 | -1) => (space: Workspace) => space.show({ from: space.passage.from + step });
const zoom = (step: 1 | -1) => (space: Workspace) => space.show({ bars: zoomed(space.passage.bars, step) });

/** The few keys of a job. */
export const KEYS: readonly Key[] = [
  { shown: 'N', does: 'next query', presses: { n: (space) => walk(space, 1) } },
  { shown: 'B', does: 'the query before', presses: { b: (space) => walk(space, -1) } },
  { shown: 'A', does: 'accept its first remedy', presses: { a: accept } },
  { shown: 'D', does: 'set it aside', presses: { d: setAside } },
  { shown: '→ ←', does: 'one bar on, one bar back', presses: { ArrowRight: move(1), ArrowLeft: move(-1) } },
  {
    shown: ', .',
    does: 'picked notes one step earlier, later',
    presses: { ',': () => editPicked('earlier'), '.': () => editPicked('later') },
  },
  {
    shown: 'J K',
    does: 'join picked notes, strike one again in its middle',
    presses: { j: () => editPicked('join'), k: () => editPicked('cut') },
  },
  {
    shown: 'C',
    does: 'compare with before the last change',
    presses: { c: (space) => space.compare(!space.comparing) },
  },
  {
    shown: '+ −',
    does: 'fewer bars in view, more bars in view',
    presses: { '+': zoom(-1), 'Shift++': zoom(-1), '-': zoom(1) },
  },
  { shown: 'Space', does: 'hear it from the picked note or the first bar in view, stop', presses: { Space: hear } },
  { shown: 'Ctrl+Z', does: 'undo', presses: { '$mod+z': (space) => space.undo() } },
  { shown: 'Ctrl+Shift+Z', does: 'redo', presses: { '$mod+Shift+z': (space) => space.redo() } },
];

export const BARS_IN_VIEW = [1, 2, 3, 4, 6, 8] as const;

/** @param step +1 shows more bars, −1 fewer */
export function zoomed(bars: number, step: 1 | -1): number {
  const i = BARS_IN_VIEW.findIndex((choice) => choice >= bars);
  return BARS_IN_VIEW[Math.max(0, Math.min(BARS_IN_VIEW.length - 1, (i < 0 ? BARS_IN_VIEW.length - 1 : i) + step))]!;
}

/** Ticks and switches take no text; everything that does keeps its keys. */
const TAKES_KEYS =
  'input:not([type=checkbox], [type=radio]), textarea, select, [contenteditable], [role=slider], .ant-modal, .ant-select';

/** What was reached by keyboard is pressed by Space; what was only clicked is not. */
function pressesIt(event: KeyboardEvent): boolean {
  return (
    event.code === 'Space' &&
    event.target instanceof Element &&
    event.target.matches('button:focus-visible, a:focus-visible, input[type=checkbox]:focus-visible')
  );
}

function unlessTyping(act: () => void): (event: KeyboardEvent) => void {
  return (event) => {
    if (pressesIt(event)) return;
    if (event.target instanceof Element && event.target.closest(TAKES_KEYS)) return;
    event.preventDefault();
    act();
  };
}

/** @param onHelp shows the list of keys */
export function useJobKeys(onHelp: () => void): void {
  useEffect(() => {
    const presses = KEYS.flatMap(({ presses: own }) => Object.entries(own));
    const acts = presses.map(([press, act]) => [press, unlessTyping(() => act(useWorkspace.getState()))]);
    const help = unlessTyping(onHelp);
    return tinykeys(window, { ...Object.fromEntries(acts), '?': help, 'Shift+?': help });
  }, [onHelp]);
}
