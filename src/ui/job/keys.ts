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

/** What is pressed, as tinykeys writes it (`$mod` is Ctrl, or Cmd on a Mac), and what it does; the manual lists them. */
export const KEYS: Readonly<Record<string, (space: Workspace) => void>> = {
  n: (space) => space.walk(1),
  b: (space) => space.walk(-1),
  p: tryNext,
  a: take('marked'),
  'Shift+A': takeAll,
  1: take(0),
  2: take(1),
  3: take(2),
  4: take(3),
  d: setAside,
  o: openPlace,
  u: (space) => space.undo(),
  q: foldQueries,
  ArrowRight: walkTo('after', 1),
  ArrowLeft: walkTo('before', -1),
  ArrowUp: () => walkNotes('above'),
  ArrowDown: () => walkNotes('below'),
  ',': () => byHand('earlier'),
  '.': () => byHand('later'),
  '[': () => byHand('shorter'),
  ']': () => byHand('longer'),
  'Shift+ArrowUp': () => byHand('up'),
  'Shift+ArrowDown': () => byHand('down'),
  j: () => byHand('join'),
  k: () => byHand('cut'),
  f: () => byHand('flats'),
  s: () => byHand('sharps'),
  v: () => byHand('voice'),
  t: () => byHand('staff'),
  g: () => byHand('grace'),
  e: () => byHand('another'),
  Delete: () => byHand('remove'),
  Backspace: () => byHand('remove'),
  '$mod+c': copyHeld,
  '$mod+v': () => byHand('paste'),
  '$mod+Shift+v': () => byHand('pasteMarks'),
  c: (space) => space.compare(!space.comparing),
  '+': zoom(-1),
  'Shift++': zoom(-1),
  '-': zoom(1),
  '/': () => window.dispatchEvent(new Event(JUMP_EVENT)),
  Space: hear,
  '$mod+z': (space) => space.undo(),
  '$mod+Shift+z': (space) => space.redo(),
};

function unlessTaken(act: () => void): (event: KeyboardEvent) => void {
  return (event) => {
    if (pressesIt(event) || isTaken(event)) return;
    event.preventDefault();
    // A closed list would open for the letter.
    event.stopPropagation();
    act();
  };
}

/** @param onHelp opens the manual */
export function useJobKeys(onHelp: () => void): void {
  useEffect(() => {
    const acts = Object.entries(KEYS).map(([press, act]) => [press, unlessTaken(() => act(useWorkspace.getState()))]);
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
