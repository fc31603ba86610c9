import { groupBy, type NoteId, type PartId } from '@/core/base';
import { asOne, type Decision } from '@/core/decisions';
import { ARTICULATIONS, type Articulation, type Dynamic, type Hairpin } from '@/core/score';
import { FIRST_ADDED, type AddedNote } from '@/core/settings';
import { QUARTER, type WrittenUnits } from '@/core/time';
import { handParts, inParts, useWorkspace, type HandPart, type NoteInView } from '../workspace/workspace';
import { useClipboard } from './clipboard';

/* What can be done by hand with the notes that are picked: each change as a decision. */

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
export const idOf = ({ played }: NoteInView): NoteId => played[0]!;

export interface HandAction {
  id: string;
  label: string;
  /** As shown; pressed as `keys.ts` says. */
  key?: string;
  /** Null where it can not be done with these notes. */
  decide: (of: Held) => Decision | null;
}

export const onIds = (make: (part: PartId, notes: NoteId[]) => Decision) => (of: Held) => make(of.part.id, [...of.ids]);

export const pitched =
  (decide: HandAction['decide']): HandAction['decide'] =>
  (of) =>
    of.part.unpitched ? null : decide(of);

export const shifted = (semitones: number) =>
  pitched(onIds((part, notes) => ({ kind: 'shiftNotes', part, notes, semitones })));

export const movedBy = (steps: number) => (of: Held) => moveTo(of, steps * of.step);

export const lengthened = (steps: number) => pitched((of) => lengthenBy(of, steps * of.step));

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

export function cutInTwo({ part, notes }: Held): Decision | null {
  const [only] = notes;
  if (!only || notes.length > 1) return null;
  return { kind: 'cutNote', part: part.id, note: idOf(only), at: Math.round((only.start + only.end) / 2) };
}

export function join({ part, ids, notes }: Held): Decision | null {
  const keys = new Set(notes.map(({ key }) => key));
  if (ids.length < 2 || keys.size !== 1) return null;
  return { kind: 'joinNotes', part: part.id, notes: notes.map(idOf) };
}

/** Upper and lower voice change places; a third and fourth one come back to the first. */
export function otherVoice({ part, notes, ids }: Held): Decision | null {
  const [first] = notes;
  if (!first) return null;
  return { kind: 'setVoiceOf', part: part.id, notes: [...ids], voice: voiceOfStaff(first) === 1 ? 2 : 1 };
}

/** Voice of its staff, from 1. */
export function voiceOfStaff({ voice, staff }: NoteInView): number {
  return voice - (staff - 1) * VOICES_OF_A_STAFF;
}

const VOICES_OF_A_STAFF = 4;

export function otherStaff({ part, notes, ids }: Held): Decision | null {
  const [first] = notes;
  if (!first || part.clefs.length < 2) return null;
  return { kind: 'setStaffOf', part: part.id, notes: [...ids], staff: first.staff === 1 ? 2 : 1 };
}

/** Picked notes that have no place of their own are grace notes. */
export function grace({ part, notes, ids }: Held): Decision | null {
  if (ids.length === 0) return null;
  return { kind: 'setGrace', part: part.id, notes: [...ids], on: notes.length > 0 };
}

/** The next note like the last picked one, as long as it. */
export function another({ part, notes }: Held): Decision | null {
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
export function paste({ part, notes }: Held): Decision | null {
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
export function pasteMarks({ part, notes }: Held): Decision | null {
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

export const articulated =
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

export const slur =
  (on: boolean): HandAction['decide'] =>
  ({ part, notes }) => {
    const [first, last] = [notes[0], notes.at(-1)];
    return !first || !last || first.start === last.start
      ? null
      : { kind: 'setSlur', part: part.id, from: idOf(first), to: idOf(last), on };
  };

/** A sign where the first of them begins. */
export const dynamic =
  (level: Dynamic | null): HandAction['decide'] =>
  ({ part, notes: [first] }) =>
    first ? { kind: 'setDynamic', part: part.id, note: idOf(first), level } : null;

export const hairpin =
  (shape: Hairpin['kind'] | null): HandAction['decide'] =>
  ({ part, notes }) => {
    const [first, last] = [notes[0], notes.at(-1)];
    return first && last ? { kind: 'setHairpin', part: part.id, from: idOf(first), to: idOf(last), shape } : null;
  };
