import { say } from '@/core/words';
import { groupBy, type NoteId, type PartId } from '@/core/base';
import { asOne, type Decision } from '@/core/decisions';
import { ARTICULATIONS, DYNAMICS, HAIRPINS, type Articulation, type Dynamic, type Hairpin } from '@/core/score';
import { FIRST_ADDED, type AddedNote } from '@/core/settings';
import { QUARTER, type WrittenUnits } from '@/core/time';
import { handParts, inParts, useWorkspace, type HandPart, type NoteInView } from '../workspace/workspace';
import { useClipboard } from './clipboard';

/*
 * What can be done by hand with the notes that are picked. Toolbar, menu, keys and mouse all go through here, so that
 * each of them does the same.
 */

/** What lies under the hand. */
export interface Held {
  part: HandPart;
  /** In order of start, then from the top; those in view. */
  notes: readonly NoteInView[];
  ids: readonly NoteId[];
  /** A step in time: the part's smallest value, at most a sixteenth. */
  step: WrittenUnits;
}

/** What is picked in the part that leads. */
export function held(): Held | null {
  return allHeld()[0] ?? null;
}

/** What is picked, part by part; the one that leads first. */
export function allHeld(): Held[] {
  const state = useWorkspace.getState();
  const { picked, written } = state;
  if (!picked) return [];
  const parts = handParts(state);
  return inParts(picked).flatMap(({ part: shown, notes: all }): Held[] => {
    const part = parts.find((one) => one.shown === shown);
    // What is played beside the notes has numbers below them.
    const ids = all.filter((id) => id >= 0);
    if (!part || ids.length === 0) return [];
    const notes = [...new Set(ids.flatMap((note) => written.get(note) ?? []))].sort(
      (a, b) => a.start - b.start || b.key - a.key,
    );
    return [{ part, notes, ids, step: Math.min(part.smallest, QUARTER / 4) }];
  });
}

/** The first played note behind a written one; that is what edits name. */
const idOf = ({ played }: NoteInView): NoteId => played[0]!;

export interface HandAction {
  id: string;
  label: string;
  /** As shown; pressed as `keys.ts` says. */
  key?: string;
  /** Null where it can not be done with these notes. */
  decide: (of: Held) => Decision | null;
}

const onIds = (make: (part: PartId, notes: NoteId[]) => Decision) => (of: Held) => make(of.part.id, [...of.ids]);

const pitched =
  (decide: HandAction['decide']): HandAction['decide'] =>
  (of) =>
    of.part.unpitched ? null : decide(of);

const shifted = (semitones: number) =>
  pitched(onIds((part, notes) => ({ kind: 'shiftNotes', part, notes, semitones })));

const movedBy = (steps: number) => (of: Held) => moveTo(of, steps * of.step);

const lengthened = (steps: number) => pitched((of) => lengthenBy(of, steps * of.step));

/**
 * Notes of another length, each at least a step long: up to the next note of their voice, and from there on over it, in
 * a voice of their own.
 */
export function lengthenBy({ part, notes, step }: Held, by: WrittenUnits): Decision | null {
  const over = notes.filter((note) => by > 0 && note.end >= nextOfVoice(note));
  const ends = notes.flatMap((note) => {
    const wanted = Math.max(note.start + step, note.end + by);
    const at = over.includes(note) ? wanted : Math.min(wanted, nextOfVoice(note));
    return at === note.end ? [] : [{ note: idOf(note), at }];
  });
  if (ends.length === 0) return null;
  const voices = groupBy(over, (note) => (voiceOfStaff(note) === 1 ? 2 : 1));
  return asOne([
    ...[...voices].map(([voice, moved]): Decision => ({
      kind: 'setVoiceOf',
      part: part.id,
      notes: moved.map(idOf),
      voice,
    })),
    { kind: 'setEnds', part: part.id, ends },
  ]);
}

/** Where the next note of a voice begins, as far as it is in view: no note of it is written beyond. */
function nextOfVoice({ part, staff, voice, start }: NoteInView): WrittenUnits {
  let next = Infinity;
  for (const other of useWorkspace.getState().written.values())
    if (other.part === part && other.staff === staff && other.voice === voice && other.start > start)
      next = Math.min(next, other.start);
  return next;
}

/** Notes at another time, none before the beginning. */
export function moveTo({ part, notes, ids }: Held, by: WrittenUnits): Decision | null {
  const first = Math.min(...notes.map(({ start }) => start));
  const least = Math.max(by, -first);
  return least === 0 || ids.length === 0
    ? null
    : { kind: 'moveNotes', part: part.id, moves: ids.map((note) => ({ note, by: least })) };
}

function cutInTwo({ part, notes }: Held): Decision | null {
  const [only] = notes;
  if (!only || notes.length > 1) return null;
  return { kind: 'cutNote', part: part.id, note: idOf(only), at: Math.round((only.start + only.end) / 2) };
}

function join({ part, ids, notes }: Held): Decision | null {
  const keys = new Set(notes.map(({ key }) => key));
  if (ids.length < 2 || keys.size !== 1) return null;
  return { kind: 'joinNotes', part: part.id, notes: notes.map(idOf) };
}

/** Upper and lower voice change places; a third and fourth one come back to the first. */
function otherVoice({ part, notes, ids }: Held): Decision | null {
  const [first] = notes;
  if (!first) return null;
  return { kind: 'setVoiceOf', part: part.id, notes: [...ids], voice: voiceOfStaff(first) === 1 ? 2 : 1 };
}

/** Voice of its staff, from 1. */
export function voiceOfStaff({ voice, staff }: NoteInView): number {
  return voice - (staff - 1) * VOICES_OF_A_STAFF;
}

const VOICES_OF_A_STAFF = 4;

function otherStaff({ part, notes, ids }: Held): Decision | null {
  const [first] = notes;
  if (!first || part.clefs.length < 2) return null;
  return { kind: 'setStaffOf', part: part.id, notes: [...ids], staff: first.staff === 1 ? 2 : 1 };
}

/** Picked notes that have no place of their own are grace notes. */
function grace({ part, notes, ids }: Held): Decision | null {
  if (ids.length === 0) return null;
  return { kind: 'setGrace', part: part.id, notes: [...ids], on: notes.length > 0 };
}

/** The next note like the last picked one, as long as it. */
function another({ part, notes }: Held): Decision | null {
  const last = notes.at(-1);
  if (!last) return null;
  const length = last.end - last.start;
  return addOf(part.id, [{ start: last.end, end: last.end + length, key: last.key, velocity: last.velocity }]);
}

/** Of a note nobody played, unless it is like one that somebody did. */
export const USUAL_VELOCITY = 64;

/** Notes that were never there before. */
export function addOf(part: PartId, notes: readonly Omit<AddedNote, 'note'>[]): Decision | null {
  if (notes.length === 0) return null;
  const first = nextAddedId();
  return { kind: 'addNotes', part, notes: notes.map((note, i) => ({ note: first + i, ...note })) };
}

/** After all that any decision of the job has put in, undone ones too. */
function nextAddedId(): NoteId {
  const made = useWorkspace.getState().ledger?.decisions ?? [];
  const ids = made
    .flatMap((one) => (one.kind === 'together' ? one.decisions : [one]))
    .flatMap((one) => (one.kind === 'addNotes' ? one.notes.map(({ note }) => note + 1) : []));
  return ids.reduce((most, id) => Math.max(most, id), FIRST_ADDED);
}

/** To another part, as they stand. */
export function give({ part, notes }: Held, to: PartId): Decision | null {
  if (notes.length === 0 || to === part.id) return null;
  const given = notes.map((note) => ({
    note: idOf(note),
    start: note.start,
    end: note.end,
    key: note.key,
    velocity: note.velocity,
  }));
  return { kind: 'giveNotes', part: part.id, to, notes: given };
}

/** Notes from the clipboard, the first of them where the first picked note stands. */
function paste({ part, notes }: Held): Decision | null {
  const [first] = notes;
  const copied = useClipboard.getState().notes;
  const from = copied[0]?.start;
  if (!first || from === undefined) return null;
  const shift = first.start - from;
  return addOf(
    part.id,
    copied.map(({ start, end, key, velocity }) => ({ start: start + shift, end: end + shift, key, velocity })),
  );
}

/** Signs of the copied notes, note after note, onto the picked ones. */
function pasteMarks({ part, notes }: Held): Decision | null {
  const copied = useClipboard.getState().notes;
  if (copied.length === 0 || notes.length === 0) return null;
  const marks = notes.flatMap((note, i): Decision[] => {
    const wanted = copied[i % copied.length]!.articulations;
    return ARTICULATIONS.filter((one) => wanted.includes(one) !== note.articulations.includes(one)).map(
      (articulation) => ({
        kind: 'setArticulation',
        part: part.id,
        notes: [idOf(note)],
        articulation,
        on: wanted.includes(articulation),
      }),
    );
  });
  return marks.length > 0 ? asOne(marks) : null;
}

const articulated =
  (articulation: Articulation): HandAction['decide'] =>
  ({ part, notes, ids }) =>
    notes.length === 0
      ? null
      : {
          kind: 'setArticulation',
          part: part.id,
          notes: [...ids],
          articulation,
          on: !notes.every((note) => note.articulations.includes(articulation)),
        };

const slur =
  (on: boolean): HandAction['decide'] =>
  ({ part, notes }) => {
    const [first, last] = [notes[0], notes.at(-1)];
    return !first || !last || first.start === last.start
      ? null
      : { kind: 'setSlur', part: part.id, from: idOf(first), to: idOf(last), on };
  };

/** A sign where the first of them begins. */
const dynamic =
  (level: Dynamic | null): HandAction['decide'] =>
  ({ part, notes: [first] }) =>
    first ? { kind: 'setDynamic', part: part.id, note: idOf(first), level } : null;

const hairpin =
  (shape: Hairpin['kind'] | null): HandAction['decide'] =>
  ({ part, notes }) => {
    const [first, last] = [notes[0], notes.at(-1)];
    return first && last ? { kind: 'setHairpin', part: part.id, from: idOf(first), to: idOf(last), shape } : null;
  };

/** Words where the first of what is picked begins; none take away what stands there. */
export function sayByHand(words: string): void {
  const said = allHeld().flatMap(({ part, notes: [first] }): Decision[] =>
    first ? [{ kind: 'setWords', part: part.id, note: idOf(first), words }] : [],
  );
  if (said.length > 0) useWorkspace.getState().decide(asOne(said));
}

/** Groups as the menu has them; those without a name stand in the menu itself. */
export const HAND_GROUPS: readonly { name: string | null; actions: readonly HandAction[] }[] = [
  {
    get name() {
      return say('hand.timeAndLength');
    },
    actions: [
      {
        id: 'earlier',
        get label() {
          return say('hand.earlier');
        },
        key: ',',
        decide: movedBy(-1),
      },
      {
        id: 'later',
        get label() {
          return say('hand.later');
        },
        key: '.',
        decide: movedBy(1),
      },
      {
        id: 'shorter',
        get label() {
          return say('hand.shorter');
        },
        key: '[',
        decide: lengthened(-1),
      },
      {
        id: 'longer',
        get label() {
          return say('hand.longer');
        },
        key: ']',
        decide: lengthened(1),
      },
      {
        id: 'join',
        get label() {
          return say('hand.mergeNotes');
        },
        key: 'J',
        decide: join,
      },
      {
        id: 'cut',
        get label() {
          return say('hand.splitNote');
        },
        key: 'K',
        decide: cutInTwo,
      },
    ],
  },
  {
    get name() {
      return say('hand.pitch');
    },
    actions: [
      {
        id: 'up',
        get label() {
          return say('hand.up');
        },
        key: 'Shift+↑',
        decide: shifted(1),
      },
      {
        id: 'down',
        get label() {
          return say('hand.down');
        },
        key: 'Shift+↓',
        decide: shifted(-1),
      },
      {
        id: 'octaveUp',
        get label() {
          return say('hand.octaveUp');
        },
        decide: shifted(12),
      },
      {
        id: 'octaveDown',
        get label() {
          return say('hand.octaveDown');
        },
        decide: shifted(-12),
      },
      {
        id: 'flats',
        get label() {
          return say('hand.respellWithFlats');
        },
        key: 'F',
        decide: pitched(onIds((part, notes) => ({ kind: 'respellNotes', part, notes, prefer: 'flats' }))),
      },
      {
        id: 'sharps',
        get label() {
          return say('hand.respellWithSharps');
        },
        key: 'S',
        decide: pitched(onIds((part, notes) => ({ kind: 'respellNotes', part, notes, prefer: 'sharps' }))),
      },
    ],
  },
  {
    get name() {
      return say('hand.voiceAndStaff');
    },
    actions: [
      {
        id: 'voice',
        get label() {
          return say('hand.moveToOtherVoice');
        },
        key: 'V',
        decide: pitched(otherVoice),
      },
      {
        id: 'staff',
        get label() {
          return say('hand.moveToOtherStaff');
        },
        key: 'T',
        decide: pitched(otherStaff),
      },
      {
        id: 'grace',
        get label() {
          return say('hand.toggleGraceNote');
        },
        key: 'G',
        decide: pitched(grace),
      },
    ],
  },
  {
    get name() {
      return say('hand.markings');
    },
    actions: [
      ...ARTICULATIONS.map((one): HandAction => ({ id: one, label: one, decide: articulated(one) })),
      {
        id: 'slur',
        get label() {
          return say('hand.addSlur');
        },
        decide: slur(true),
      },
      {
        id: 'noSlur',
        get label() {
          return say('hand.removeSlur');
        },
        decide: slur(false),
      },
      {
        id: 'pasteMarks',
        get label() {
          return say('hand.pasteMarkings');
        },
        key: 'Ctrl+Shift+V',
        decide: pasteMarks,
      },
    ],
  },
  {
    get name() {
      return say('hand.dynamics');
    },
    actions: [
      ...DYNAMICS.map((level): HandAction => ({ id: level, label: level, decide: dynamic(level) })),
      {
        id: 'noDynamic',
        get label() {
          return say('hand.removeDynamic');
        },
        decide: dynamic(null),
      },
      ...HAIRPINS.map((shape): HandAction => ({
        id: shape,
        label: say('hand.addHairpinShape', { shape }),
        decide: hairpin(shape),
      })),
      {
        id: 'noHairpin',
        get label() {
          return say('hand.removeHairpin');
        },
        decide: hairpin(null),
      },
    ],
  },
  {
    name: null,
    actions: [
      {
        id: 'another',
        get label() {
          return say('hand.addNoteAfter');
        },
        key: 'E',
        decide: another,
      },
      {
        id: 'paste',
        get label() {
          return say('hand.pasteNotes');
        },
        key: 'Ctrl+V',
        decide: paste,
      },
      {
        id: 'remove',
        get label() {
          return say('hand.delete');
        },
        key: 'Delete',
        decide: onIds((part, notes) => ({ kind: 'removeNotes', part, notes })),
      },
    ],
  },
];

export const HAND_ACTIONS: readonly HandAction[] = HAND_GROUPS.flatMap(({ actions }) => actions);

const byId = new Map(HAND_ACTIONS.map((action) => [action.id, action]));

/** Does it with what is picked, in every part where it can be done; one step, whatever the number of parts. */
export function byHand(id: string): void {
  const action = byId.get(id);
  const decisions = numbered(allHeld().flatMap((of) => action?.decide(of) ?? []));
  if (decisions.length === 0) return;
  const { decide, pick, pickIn } = useWorkspace.getState();
  decide(asOne(decisions));
  if (id === 'remove') pick(null, []);
  const added = decisions.flatMap((made) =>
    made.kind === 'addNotes' ? [{ part: shownAs(made.part), notes: made.notes.map(({ note }) => note) }] : [],
  );
  if (added.length > 0) pickIn(added);
}

/** What the part of a decision is called on the desk. */
export function shownAs(part: PartId): PartId {
  return handParts(useWorkspace.getState()).find(({ id }) => id === part)?.shown ?? part;
}

/** Whether it can be done in any of the parts. */
export const canByHand = ({ decide }: HandAction): boolean => allHeld().some((of) => decide(of) !== null);

/** New notes of several parts have ids of their own. */
function numbered(decisions: readonly Decision[]): Decision[] {
  let before = 0;
  return decisions.map((made) => {
    if (made.kind !== 'addNotes') return made;
    const notes = made.notes.map((one) => ({ ...one, note: one.note + before }));
    before += notes.length;
    return { ...made, notes };
  });
}

export function copyHeld(): void {
  const of = held();
  if (of && of.notes.length > 0) useClipboard.setState({ notes: of.notes });
}
