/*
 * Open and closed: a small circle over an open hi-hat, and a plus over the stroke that closes it again (common
 * practice).
 */
import type { DrumMap } from '../../instruments';
import type { NoteId } from '../../performance';
import type { SymbolMarks } from '../../score';
import type { PlacedNote } from '../timing/timed-note';

/** General MIDI keys. */
const CLOSED = 42;
const PEDAL = 44;
const OPEN = 46;

/**
 * @param notes of a percussion part, in order of start
 * @param map one whose open hi-hat has a head of its own needs no signs
 */
export function hiHatMarks(notes: readonly PlacedNote[], map: DrumMap): Map<NoteId, SymbolMarks> {
  const marks = new Map<NoteId, SymbolMarks>();
  if (map.get(OPEN)?.notehead !== map.get(CLOSED)?.notehead) return marks;
  let open = false;
  for (const note of notes) {
    if (note.key === OPEN) marks.set(note.id, { hiHat: 'open' });
    else if (note.key === CLOSED && open) marks.set(note.id, { hiHat: 'closed' });
    if (note.key === OPEN || note.key === CLOSED || note.key === PEDAL) open = note.key === OPEN;
  }
  return marks;
}
