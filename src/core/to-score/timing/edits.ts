/*
 * Edits: what people changed on single notes, after the grid and before hands, voices and ends are found.
 */
import type { PlayedUnits, WrittenUnits } from '../../time';
import { absorbDoubles } from './grid';
import type { PlacedNote } from './timed-note';
import type { NoteEdit } from '../../settings';

/** @returns the notes in order of start; an edit of a note that is no longer there changes nothing */
export function applyEdits(notes: readonly PlacedNote[], edits: readonly NoteEdit[]): PlacedNote[] {
  if (edits.length === 0) return [...notes];
  return absorbDoubles(edits.reduce<PlacedNote[]>((list, edit) => applied(list, edit), [...notes]));
}

function applied(notes: PlacedNote[], edit: NoteEdit): PlacedNote[] {
  const at = notes.findIndex((note) => note.id === edit.note || note.absorbed.includes(edit.note));
  const note = notes[at];
  if (!note) return notes;
  switch (edit.kind) {
    case 'move':
      return notes.with(at, moved(note, Math.max(0, note.start + edit.by)));
    case 'shift':
      return notes.with(at, { ...note, key: Math.min(127, Math.max(0, note.key + edit.by)) });
    case 'join': {
      const other = notes.find((candidate) => candidate.id === edit.with);
      if (!other || other === note) return notes;
      const joined = {
        ...note,
        meantEnd: other.meantEnd,
        release: sounding(note, other.release, other.start),
        absorbed: [...note.absorbed, other.id, ...other.absorbed],
      };
      return notes.with(at, joined).filter((candidate) => candidate !== other);
    }
    case 'cut': {
      if (edit.at <= note.start) return notes;
      const length = edit.at - note.start;
      if (note.onset + length >= note.release) return notes;
      const first = { ...note, release: note.onset + length, meantEnd: edit.at };
      const second = { ...note, start: edit.at, onset: note.onset + length };
      return [...notes.slice(0, at), first, second, ...notes.slice(at + 1)];
    }
  }
}

/** The whole note at another place: what the file says of its times no longer holds. */
function moved({ meant: _meant, meantEnd, ...note }: PlacedNote, start: WrittenUnits): PlacedNote {
  return { ...note, start, ...(meantEnd !== undefined && { meantEnd: meantEnd + start - note.start }) };
}

/** Release of a note that goes on as another one, measured from its own onset. */
function sounding(note: PlacedNote, release: PlayedUnits, start: WrittenUnits): PlayedUnits {
  return Math.max(note.release, release, note.onset + (start - note.start));
}
