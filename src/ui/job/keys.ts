'use client';

import { say } from '@/core/words';
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
  {
    shown: 'N',
    get does() {
      return say('job.nextQuery');
    },
    presses: { n: (space) => space.walk(1) },
  },
  {
    shown: 'B',
    get does() {
      return say('job.previousQuery');
    },
    presses: { b: (space) => space.walk(-1) },
  },
  {
    shown: 'P',
    get does() {
      return say('job.previewItsRemediesInTurn');
    },
    presses: { p: tryNext },
  },
  {
    shown: 'A',
    get does() {
      return say('job.applyTheMarkedRemedy');
    },
    presses: { a: take('marked') },
  },
  {
    get shown() {
      return `${say('job.shift')}+A`;
    },
    get does() {
      return say('job.applyItToAllQueriesLikeThisInThe');
    },
    presses: { 'Shift+A': takeAll },
  },
  {
    shown: '1 2 3 4',
    get does() {
      return say('job.applyItsFirstRemedyTheSecond');
    },
    presses: { 1: take(0), 2: take(1), 3: take(2), 4: take(3) },
  },
  {
    shown: 'D',
    get does() {
      return say('job.skipIt');
    },
    presses: { d: setAside },
  },
  {
    shown: 'O',
    get does() {
      return say('job.showItsPlaceInTheMusic');
    },
    presses: { o: openPlace },
  },
  {
    shown: 'U',
    get does() {
      return say('job.undoIt');
    },
    presses: { u: (space) => space.undo() },
  },
  {
    shown: 'Q',
    get does() {
      return say('job.collapseOrShowTheQueries');
    },
    presses: { q: foldQueries },
  },
  {
    shown: '→ ←',
    get does() {
      return say('job.nextOrPreviousNoteWithoutA');
    },
    presses: { ArrowRight: walkTo('after', 1), ArrowLeft: walkTo('before', -1) },
  },
  {
    shown: '↑ ↓',
    get does() {
      return say('job.noteAboveOrBelow');
    },
    presses: { ArrowUp: () => walkNotes('above'), ArrowDown: () => walkNotes('below') },
  },
  {
    shown: ', .',
    get does() {
      return say('job.moveSelectedNotesOneStepEarlierOr');
    },
    presses: { ',': () => byHand('earlier'), '.': () => byHand('later') },
  },
  {
    shown: '[ ]',
    get does() {
      return say('job.makeSelectedNotesOneStepShorterOr');
    },
    presses: { '[': () => byHand('shorter'), ']': () => byHand('longer') },
  },
  {
    get shown() {
      return `${say('job.shift')}+↑ ↓`;
    },
    get does() {
      return say('job.moveSelectedNotesASemitoneUpOrDown');
    },
    presses: { 'Shift+ArrowUp': () => byHand('up'), 'Shift+ArrowDown': () => byHand('down') },
  },
  {
    shown: 'J K',
    get does() {
      return say('job.mergeNotesSplitANote');
    },
    presses: { j: () => byHand('join'), k: () => byHand('cut') },
  },
  {
    shown: 'F S',
    get does() {
      return say('job.respellWithFlatsOrSharps');
    },
    presses: { f: () => byHand('flats'), s: () => byHand('sharps') },
  },
  {
    shown: 'V T G',
    get does() {
      return say('job.moveToOtherVoiceMoveToOtherStaff');
    },
    presses: { v: () => byHand('voice'), t: () => byHand('staff'), g: () => byHand('grace') },
  },
  {
    shown: 'E',
    get does() {
      return say('job.addANoteAfterTheSelectedOne');
    },
    presses: { e: () => byHand('another') },
  },
  {
    get shown() {
      return say('job.deleteKey');
    },
    get does() {
      return say('job.deleteSelectedNotes');
    },
    presses: { Delete: () => byHand('remove'), Backspace: () => byHand('remove') },
  },
  {
    get shown() {
      return `${say('job.control')}+C V`;
    },
    get does() {
      return say('job.copyNotesPasteAtTheSelectedNote');
    },
    presses: { '$mod+c': copyHeld, '$mod+v': () => byHand('paste') },
  },
  {
    get shown() {
      return `${say('job.control')}+${say('job.shift')}+V`;
    },
    get does() {
      return say('job.pasteMarkingsOnly');
    },
    presses: { '$mod+Shift+v': () => byHand('pasteMarks') },
  },
  {
    shown: 'C',
    get does() {
      return say('job.compareWithBeforeTheLastChange');
    },
    presses: { c: (space) => space.compare(!space.comparing) },
  },
  {
    shown: '+ −',
    get does() {
      return say('job.fewerBarsInViewMoreBarsInView');
    },
    presses: { '+': zoom(-1), 'Shift++': zoom(-1), '-': zoom(1) },
  },
  {
    shown: '/',
    get does() {
      return say('job.jumpToABarAPartAQueryASetting');
    },
    presses: { '/': () => window.dispatchEvent(new Event(JUMP_EVENT)) },
  },
  {
    get shown() {
      return say('job.space');
    },
    get does() {
      return say('job.playFromTheSelectedNoteOrTheFirst');
    },
    presses: { Space: hear },
  },
  {
    get shown() {
      return `${say('job.control')}+Z`;
    },
    get does() {
      return say('job.undoIt');
    },
    presses: { '$mod+z': (space) => space.undo() },
  },
  {
    get shown() {
      return `${say('job.control')}+${say('job.shift')}+Z`;
    },
    get does() {
      return say('job.redoIt');
    },
    presses: { '$mod+Shift+z': (space) => space.redo() },
  },
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
