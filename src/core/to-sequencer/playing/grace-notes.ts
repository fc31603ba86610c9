/*
 * Grace notes: where their time comes from.
 *
 *     with a stroke, or a run     before the beat, over the end of what came before
 *     one without a stroke        on the beat, with its own value, up to half of the note's (an appoggiatura)
 *     steal-time in the file      as that says
 *     after the note              from its end
 *
 * Practice of ornament tables, from memory.
 */
import { typeLength, type Grace } from '../../score';
import { QUARTER, type WrittenUnits } from '../../time';
import type { PerformedNote } from './perform';
import type { Sound } from './sounds';

const STEP: WrittenUnits = QUARTER / 8;
/** They are played a little softer. */
const SOFTER = 6;

/** @returns the note with what is left of its time, and its grace notes */
export function graceNotes(
  note: PerformedNote,
  previous: Sound | null,
): { main: PerformedNote; graces: PerformedNote[] } {
  const { graces = [], gracesAfter = [] } = note.sound.marks;
  if (graces.length === 0 && gracesAfter.length === 0) return { main: note, graces: [] };
  const main = { ...note };
  const played: PerformedNote[] = [];
  if (graces.length > 0) {
    const onBeat = timeOnTheBeat(graces, note);
    const time = onBeat ?? timeBefore(graces, note, previous);
    const from = onBeat === null && note.start >= time ? note.start - time : note.start;
    // At the very beginning they take it from their note.
    if (from === note.start) main.start += time;
    played.push(...inOrder(graces, from, time, note));
  }
  if (gracesAfter.length > 0) {
    const time = Math.min(STEP * gracesAfter.length, (main.end - main.start) / 2);
    main.end -= time;
    played.push(...inOrder(gracesAfter, main.end, time, note));
  }
  return { main, graces: played };
}

/** Time that they take from their note; null: they come before it. */
function timeOnTheBeat(graces: readonly Grace[], { start, end }: PerformedNote): WrittenUnits | null {
  const [first] = graces;
  const { steals } = first!;
  if (steals?.from === 'after') return ((end - start) * steals.percent) / 100;
  if (steals || graces.length > 1 || first!.slash || typeLength(first!.type) < QUARTER / 2) return null;
  return Math.min(typeLength(first!.type), (end - start) / 2);
}

function timeBefore(graces: readonly Grace[], note: PerformedNote, previous: Sound | null): WrittenUnits {
  const { steals } = graces[0]!;
  if (steals && previous) return ((previous.end - previous.start) * steals.percent) / 100;
  return Math.min(STEP, note.start / graces.length || STEP) * graces.length;
}

function inOrder(
  graces: readonly Grace[],
  from: WrittenUnits,
  time: WrittenUnits,
  note: PerformedNote,
): PerformedNote[] {
  const step = time / graces.length;
  return graces.flatMap(({ notes }, i) =>
    notes.map(({ key }) => ({
      ...note,
      start: from + i * step,
      end: from + (i + 1) * step,
      key,
      velocity: Math.max(1, note.velocity - SOFTER),
    })),
  );
}
