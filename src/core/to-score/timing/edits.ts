/*
 * Edits: what people changed on single notes, after the grid and before hands, voices and ends are found.
 */
import type { NoteEdit } from '../../settings';
import { QUARTER, type PlayedUnits, type Seconds, type WrittenUnits } from '../../time';
import { absorbDoubles } from './doubles';
import type { PlacedNote, TimedNote } from './timed-note';

/** A grace note that becomes a note of its own takes so much before its main note. */
const OUT_OF_GRACE: WrittenUnits = QUARTER / 4;

/** Of the piece. */
interface Extent {
  /** Where its last bar ends: nothing is written beyond. */
  end: WrittenUnits;
  /** When a written place sounds. */
  clock: (at: WrittenUnits) => Seconds;
}

/** @returns the notes in order of start; an edit of a note that is no longer there changes nothing */
export function applyEdits(notes: readonly PlacedNote[], edits: readonly NoteEdit[], extent: Extent): PlacedNote[] {
  if (edits.length === 0) return [...notes];
  return absorbDoubles(edits.reduce<PlacedNote[]>((list, edit) => applied(list, edit, extent), [...notes]));
}

function applied(notes: PlacedNote[], edit: NoteEdit, extent: Extent): PlacedNote[] {
  if (edit.kind === 'add') return withAdded(notes, edit, extent);
  if (edit.kind === 'grace' && !edit.on) return outOfGrace(notes, edit.note);
  const at = notes.findIndex((note) => note.id === edit.note || note.absorbed.includes(edit.note));
  const note = notes[at];
  if (!note) return notes;
  switch (edit.kind) {
    case 'move':
      return notes.with(at, moved(note, within(note.start + edit.by, extent)));
    case 'shift':
      return notes.with(at, { ...note, key: Math.min(127, Math.max(0, note.key + edit.by)) });
    case 'join':
      return joined(notes, at, edit.with);
    case 'cut':
      return cut(notes, at, edit.at);
    case 'end':
      return edit.at > note.start ? notes.with(at, endingAt(note, Math.min(edit.at, extent.end))) : notes;
    case 'remove':
      return notes.toSpliced(at, 1);
    case 'voice':
      return notes.with(at, { ...note, byHand: { ...note.byHand, voice: edit.voice } });
    case 'staff':
      return notes.with(at, { ...note, byHand: { ...note.byHand, staff: edit.staff } });
    case 'grace':
      return intoGrace(notes, at);
  }
}

/** The last place a note can begin on leaves it a sixteenth. */
function within(place: WrittenUnits, { end }: Extent): WrittenUnits {
  return Math.max(0, Math.min(place, end - QUARTER / 4));
}

/** The whole note at another place: what the file says of its times no longer holds. */
function moved({ meant: _meant, meantEnd, byHand, ...note }: PlacedNote, start: WrittenUnits): PlacedNote {
  const by = start - note.start;
  return {
    ...note,
    start,
    ...(meantEnd !== undefined && { meantEnd: meantEnd + by }),
    ...(byHand && { byHand: { ...byHand, ...(byHand.end !== undefined && { end: byHand.end + by }) } }),
  };
}

function endingAt({ meantEnd: _meantEnd, ...note }: PlacedNote, end: WrittenUnits): PlacedNote {
  return { ...note, release: note.onset + (end - note.start), byHand: { ...note.byHand, end } };
}

function joined(notes: PlacedNote[], at: number, which: number): PlacedNote[] {
  const note = notes[at]!;
  const other = notes.find((candidate) => candidate.id === which);
  if (!other || other === note) return notes;
  const both = {
    ...note,
    meantEnd: other.meantEnd,
    release: sounding(note, other.release, other.start),
    absorbed: [...note.absorbed, other.id, ...other.absorbed],
  };
  return notes.with(at, both).filter((candidate) => candidate !== other);
}

/** Release of a note that goes on as another one, measured from its own onset. */
function sounding(note: PlacedNote, release: PlayedUnits, start: WrittenUnits): PlayedUnits {
  return Math.max(note.release, release, note.onset + (start - note.start));
}

/** Struck again at a place inside its length. */
function cut(notes: PlacedNote[], at: number, place: WrittenUnits): PlacedNote[] {
  const note = notes[at]!;
  const length = place - note.start;
  if (length <= 0 || note.onset + length >= note.release) return notes;
  const first = { ...note, release: note.onset + length, meantEnd: place };
  const second = { ...note, start: place, onset: note.onset + length };
  return [...notes.slice(0, at), first, second, ...notes.slice(at + 1)];
}

function withAdded(
  notes: PlacedNote[],
  { note: id, start, end: wanted, key, velocity }: Extract<NoteEdit, { kind: 'add' }>,
  { end: last, clock }: Extent,
): PlacedNote[] {
  const end = Math.min(wanted, last);
  if (start >= end) return notes;
  const added: PlacedNote = {
    id,
    key,
    velocity,
    start,
    onset: start,
    release: end,
    onsetSeconds: clock(start),
    releaseSeconds: clock(end),
    absorbed: [],
    byHand: { end },
  };
  const rest = notes.filter((note) => note.id !== id);
  const next = rest.findIndex((note) => note.start > start);
  return next < 0 ? [...rest, added] : rest.toSpliced(next, 0, added);
}

/** The note goes before the nearest key of what is struck next; without anything after it, it stays. */
function intoGrace(notes: PlacedNote[], at: number): PlacedNote[] {
  const note = notes[at]!;
  const following = notes.filter(({ start }) => start > note.start);
  const next = following.reduce((least, { start }) => Math.min(least, start), Infinity);
  const main = following
    .filter(({ start }) => start === next)
    .reduce<PlacedNote | null>((best, one) => (best && distance(best, note) <= distance(one, note) ? best : one), null);
  if (!main) return notes;
  const graces = [...(main.ornament?.graces ?? []), note];
  const behind = [...(main.behind ?? []), note.id, ...note.absorbed, ...(note.behind ?? [])];
  const graced: PlacedNote = { ...main, ornament: { ...main.ornament, graces }, behind };
  return notes.map((one) => (one === main ? graced : one)).filter((one) => one !== note);
}

const distance = (a: TimedNote, b: TimedNote) => Math.abs(a.key - b.key);

/** The grace note takes its time before its main note. */
function outOfGrace(notes: PlacedNote[], id: number): PlacedNote[] {
  const at = notes.findIndex(({ ornament }) => ornament?.graces?.some((grace) => grace.id === id));
  const main = notes[at];
  if (!main) return notes;
  const { graces = [], ...others } = main.ornament!;
  const left = graces.filter((grace) => grace.id !== id);
  const ornament = { ...others, ...(left.length > 0 && { graces: left }) };
  const { ornament: _ornament, ...plain } = main;
  const before = graces.length - graces.findIndex((grace) => grace.id === id);
  const start = main.start - before * OUT_OF_GRACE;
  if (start < 0) return notes;
  const own: PlacedNote = {
    ...graces.find((grace) => grace.id === id)!,
    start,
    onset: start,
    release: start + OUT_OF_GRACE,
    absorbed: [],
    byHand: { end: start + OUT_OF_GRACE },
  };
  const rest: PlacedNote = {
    ...plain,
    ...(Object.keys(ornament).length > 0 && { ornament }),
    behind: main.behind?.filter((one) => one !== id),
  };
  return [...notes.with(at, rest), own];
}
