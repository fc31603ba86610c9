'use client';

import { useEffect } from 'react';
import { tinykeys } from 'tinykeys';
import { useHearing } from '../audition/useHearing';
import { byHand, copyHeld } from '../hand/actions';
import { walkNotes, type NoteWalk } from '../hand/walkNotes';
import type { Workspace } from '../workspace/store/workspace';
import type { OpenQuery } from '@/core/queries';
import { JUMP_EVENT } from '../jump/Jump';
import { goToStation } from '../workspace/goToStation';
import { isTaken, pressesIt, watchLists } from './takenKeys';
import { zoomed } from '../workspace/store/view-slice';
import { alikeOf, isFolded, madeOnDesk, markedRemedy, queryHere, useWorkspace } from '../workspace/workspace';

interface Key {
  /** As shown under “?”. */
  shown: string;
  does: string;
  /** What is pressed, as tinykeys writes it; `$mod` is Ctrl, or Cmd on a Mac. */
  presses: Record<string, (space: Workspace) => void>;
}

/** Does something with the query that is looked at, while it is open. */
const withQuery = (act: (space: Workspace, query: OpenQuery) => void) => (space: Workspace) => {
  const query = queryHere(space);
  if (query) act(space, query);
};

const take = (which: number | 'marked') =>
  withQuery((space, query) => {
    const remedy = query.remedies[which === 'marked' ? markedRemedy(space, query) : which];
    if (remedy) space.take(query, remedy);
  });

/** The marked remedy, for every query of the job that offers it. */
const takeAll = withQuery((space, query) => {
  const remedy = query.remedies[markedRemedy(space, query)];
  if (remedy) space.take(query, remedy, alikeOf(space, query, remedy).at(-1));
});

/** One remedy after the other, then none. */
const tryNext = withQuery((space, query) => {
  const next = space.tried?.query === query.id ? space.tried.remedy + 1 : 0;
  space.tryOut(query, next < query.remedies.length ? next : null);
});

/** The place of the query in the music. */
const openPlace = withQuery((space, query) => {
  if (!space.job) return;
  space.point(query);
  goToStation(space.job.id, 'rhythm');
});

const setAside = withQuery((space, query) => space.setAside(query, ''));

function foldQueries(space: Workspace): void {
  space.fold(!isFolded(space));
}

function hear(space: Workspace): void {
  if (madeOnDesk(space)) void useHearing.getState().toggle();
}

/** A note further, where one is picked; else a bar. */
const walkTo = (way: NoteWalk, step: 1 | -1) => (space: Workspace) => {
  if (!walkNotes(way)) space.show({ from: space.passage.from + step });
};

const zoom = (step: 1 | -1) => (space: Workspace) => space.show({ bars: zoomed(space.passage.bars, step) });

/** The few keys of a job. */
export const KEYS: readonly Key[] = [
  { shown: 'N', does: 'next query', presses: { n: (space) => space.walk(1) } },
  { shown: 'B', does: 'previous query', presses: { b: (space) => space.walk(-1) } },
  { shown: 'P', does: 'preview its remedies in turn', presses: { p: tryNext } },
  { shown: 'A', does: 'apply the marked remedy', presses: { a: take('marked') } },
  { shown: 'Shift+A', does: 'apply it to all queries like this in the job', presses: { 'Shift+A': takeAll } },
  {
    shown: '1 2 3 4',
    does: 'apply its first remedy, the second …',
    presses: { 1: take(0), 2: take(1), 3: take(2), 4: take(3) },
  },
  { shown: 'D', does: 'skip it', presses: { d: setAside } },
  { shown: 'O', does: 'show its place in the music', presses: { o: openPlace } },
  { shown: 'U', does: 'undo', presses: { u: (space) => space.undo() } },
  { shown: 'Q', does: 'collapse or show the queries', presses: { q: foldQueries } },
  {
    shown: '→ ←',
    does: 'next or previous note; without a selection, next or previous bar',
    presses: { ArrowRight: walkTo('after', 1), ArrowLeft: walkTo('before', -1) },
  },
  {
    shown: '↑ ↓',
    does: 'note above or below',
    presses: { ArrowUp: () => walkNotes('above'), ArrowDown: () => walkNotes('below') },
  },
  {
    shown: ', .',
    does: 'move selected notes one step earlier or later',
    presses: { ',': () => byHand('earlier'), '.': () => byHand('later') },
  },
  {
    shown: '[ ]',
    does: 'make selected notes one step shorter or longer',
    presses: { '[': () => byHand('shorter'), ']': () => byHand('longer') },
  },
  {
    shown: 'Shift+↑ ↓',
    does: 'move selected notes a semitone up or down',
    presses: { 'Shift+ArrowUp': () => byHand('up'), 'Shift+ArrowDown': () => byHand('down') },
  },
  {
    shown: 'J K',
    does: 'merge notes, split a note',
    presses: { j: () => byHand('join'), k: () => byHand('cut') },
  },
  {
    shown: 'F S',
    does: 'respell with flats or sharps',
    presses: { f: () => byHand('flats'), s: () => byHand('sharps') },
  },
  {
    shown: 'V T G',
    does: 'move to other voice, move to other staff, toggle grace note',
    presses: { v: () => byHand('voice'), t: () => byHand('staff'), g: () => byHand('grace') },
  },
  { shown: 'E', does: 'add a note after the selected one', presses: { e: () => byHand('another') } },
  {
    shown: 'Delete',
    does: 'delete selected notes',
    presses: { Delete: () => byHand('remove'), Backspace: () => byHand('remove') },
  },
  {
    shown: 'Ctrl+C V',
    does: 'copy notes, paste at the selected note',
    presses: { '$mod+c': copyHeld, '$mod+v': () => byHand('paste') },
  },
  {
    shown: 'Ctrl+Shift+V',
    does: 'paste markings only',
    presses: { '$mod+Shift+v': () => byHand('pasteMarks') },
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
  {
    shown: '/',
    does: 'jump to a bar, a part, a query, a setting',
    presses: { '/': () => window.dispatchEvent(new Event(JUMP_EVENT)) },
  },
  { shown: 'Space', does: 'play from the selected note or the first bar in view, stop', presses: { Space: hear } },
  { shown: 'Ctrl+Z', does: 'undo', presses: { '$mod+z': (space) => space.undo() } },
  { shown: 'Ctrl+Shift+Z', does: 'redo', presses: { '$mod+Shift+z': (space) => space.redo() } },
];

function unlessTaken(act: () => void): (event: KeyboardEvent) => void {
  return (event) => {
    if (pressesIt(event) || isTaken(event)) return;
    event.preventDefault();
    // A closed list would open for the letter.
    event.stopPropagation();
    act();
  };
}

/** @param onHelp shows the list of keys */
export function useJobKeys(onHelp: () => void): void {
  useEffect(() => {
    const presses = KEYS.flatMap(({ presses: own }) => Object.entries(own));
    const acts = presses.map(([press, act]) => [press, unlessTaken(() => act(useWorkspace.getState()))]);
    const help = unlessTaken(onHelp);
    const unwatch = watchLists();
    // Before anything else on the page takes the key.
    const end = tinykeys(window, { ...Object.fromEntries(acts), '?': help, 'Shift+?': help }, { capture: true });
    return () => {
      unwatch();
      end();
    };
  }, [onHelp]);
}
