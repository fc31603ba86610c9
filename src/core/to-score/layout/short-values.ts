/*
 * Short values: "sixteenth, sixteenth rest" again and again is what a sequencer has, and an eighth with a dot what a
 * copyist writes.
 *
 *     ended     x. x. x. x.  (sixteenths with rests)      xx x.  (in a line that plays its longer values out)
 *     written   x' x' x' x'  (eighths, staccato)          as it is: there a short one is meant
 *
 * Takes the ended notes of one voice; gives the same notes with ends that leave no rest of a sixteenth or less. It does
 * so only in a voice that lets go early as a habit: where most eighths and quarters fill the time to the next onset, a
 * short note is believed. What is written much longer than it sounds gets a staccato dot, so that the score still plays
 * it short. Common practice, no source.
 */
import { noteValue } from '../../score';
import { lastNotAfter, QUARTER, type WrittenUnits } from '../../time';
import type { BeatLine } from '../timing/beats';
import type { EndedNote } from './durations';

const SIXTEENTH: WrittenUnits = QUARTER / 4;
const EIGHTH: WrittenUnits = QUARTER / 2;
/** From this share of eighths and quarters on that fill their time, short ones are meant. */
const PLAYS_OUT = 0.4;
const ENOUGH = 4;
/** Nothing longer than this comes of a short note. */
const LONGEST: WrittenUnits = QUARTER;
/** Written this much longer than it ended, a note gets its dot. */
const DOT_FROM = 1.4;

export interface Feel {
  /** Whether a beat (by index) is not divided as a tuplet. */
  isPlain: (beat: number) => boolean;
  /** Whether eighths swing in a beat: the long one is let go early by custom, and no sixteenth is meant by it. */
  swings: (beat: number) => boolean;
}

/** @param notes of one voice, in order of start */
export function withPlainValues(notes: readonly EndedNote[], line: BeatLine, { isPlain, swings }: Feel): EndedNote[] {
  const chords = chordsOf(notes);
  if (chords.length === 0) return [...notes];
  const believed = playsOut(chords);
  return chords.flatMap(({ notes: chord, start, end, next }) => {
    if (chord.some((note) => note.byHand?.end !== undefined)) return chord;
    if (believed && !swings(lastNotAfter(line.starts, start))) return chord;
    const beat = line.beats[lastNotAfter(line.starts, start)]!;
    const longer = plainEnd(start, end, next, beat.start + beat.length);
    const beats = [start, longer - 1].map((at) => lastNotAfter(line.starts, at));
    if (longer === end || !beats.every(isPlain)) return chord;
    const short = longer - start >= DOT_FROM * (end - start);
    return chord.map((note): EndedNote => ({ ...note, end: longer, ...(short && { short: true }) }));
  });
}

interface EndedChord {
  notes: EndedNote[];
  start: WrittenUnits;
  end: WrittenUnits;
  next: WrittenUnits;
}

function chordsOf(notes: readonly EndedNote[]): EndedChord[] {
  const chords: EndedChord[] = [];
  for (const note of notes) {
    const last = chords.at(-1);
    if (last?.start === note.start) {
      last.notes.push(note);
      continue;
    }
    if (last) last.next = note.start;
    chords.push({ notes: [note], start: note.start, end: note.end, next: Infinity });
  }
  return chords;
}

/**
 * Most values of an eighth to a quarter last until the next onset; where there are hardly any of those, most of all
 * values.
 */
function playsOut(chords: readonly EndedChord[]): boolean {
  const upToQuarter = chords.filter(({ start, next }) => next - start <= QUARTER);
  const longer = upToQuarter.filter(({ start, next }) => next - start >= EIGHTH);
  const telling = longer.length >= ENOUGH ? longer : upToQuarter;
  const out = telling.filter(({ end, next }) => end === next).length;
  return telling.length < ENOUGH || out >= PLAYS_OUT * telling.length;
}

/**
 * The first end within the beat that leaves no rest of a sixteenth or less, if a plain value reaches it; failing that
 * the next eighth, so that a short rest stands on the beat; the end as it is otherwise.
 */
function plainEnd(start: WrittenUnits, end: WrittenUnits, next: WrittenUnits, beatEnd: WrittenUnits): WrittenUnits {
  const onEighths = Math.ceil(end / EIGHTH) * EIGHTH;
  // What ends on an eighth shows the beat; carried over it, it would read worse.
  if (end >= next || end % EIGHTH === 0) return end;
  const written = [onEighths, next, onEighths + EIGHTH].filter(
    (longer) =>
      longer > end && longer <= Math.min(next, beatEnd) && longer - start <= LONGEST && noteValue(longer - start, 1),
  );
  return written.find((longer) => !leavesShortRest(longer, next)) ?? (written.includes(onEighths) ? onEighths : end);
}

/** The rest between here and the next onset begins or ends beside the eighths, or is itself a sixteenth or less. */
function leavesShortRest(end: WrittenUnits, next: WrittenUnits): boolean {
  if (end === next) return false;
  return end % EIGHTH !== 0 || next - end <= SIXTEENTH;
}
