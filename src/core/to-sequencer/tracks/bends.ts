/*
 * Pitch bend: quarter tones, and slides from one note to the next.
 *
 * A channel bends as a whole: what sounds together and is not bent alike is on two tracks.
 */
import type { Semitones, WrittenUnits } from '../../time';
import { QUARTER } from '../../time';
import type { PerformedNote } from '../playing/perform';
import type { Glides } from '../../settings';

export interface BendPoint {
  at: WrittenUnits;
  /** From the key that was struck. */
  by: Semitones;
}

export interface Bends {
  /** How far the wheel has to reach, up and down. */
  range: Semitones;
  points: BendPoint[];
}

/** What a synthesizer takes the wheel to reach unless it is told (General MIDI 1). */
export const USUAL_RANGE: Semitones = 2;
const STEP: WrittenUnits = QUARTER / 16;

function slides({ sound: { glide } }: PerformedNote, glides: Glides): boolean {
  return glide !== undefined && (glides === 'bend' || (glides === 'as-written' && glide.kind === 'slide'));
}

/** Whether a note needs the wheel. */
export function isBent(note: PerformedNote, glides: Glides): boolean {
  return note.sound.cents !== 0 || slides(note, glides);
}

/** Whether a note that is bent sounds together with one that is not, so that one wheel would bend both. */
export function bendsAgainst(notes: readonly PerformedNote[], glides: Glides): boolean {
  const needs = notes.map((note) => ({ note, bent: isBent(note, glides) })).sort((a, b) => a.note.start - b.note.start);
  const until = { bent: -Infinity, plain: -Infinity };
  for (const { note, bent } of needs) {
    // Slurred notes may overlap a little without being a chord.
    const others = bent ? until.plain : until.bent;
    if (others - note.start > (note.end - note.start) / 2) return true;
    const own = bent ? 'bent' : 'plain';
    until[own] = Math.max(until[own], note.end);
  }
  return false;
}

/** @returns null where nothing is bent */
export function bendsOf(notes: readonly PerformedNote[], glides: Glides): Bends | null {
  if (!notes.some((note) => isBent(note, glides))) return null;
  const points: BendPoint[] = [];
  let now: Semitones = 0;
  const say = (at: WrittenUnits, by: Semitones) => {
    if (by !== now) points.push({ at, by });
    now = by;
  };
  for (const note of [...notes].sort((a, b) => a.start - b.start || a.key - b.key)) {
    const own = note.sound.cents / 100;
    say(note.start, own);
    if (!slides(note, glides)) continue;
    const half = note.start + (note.end - note.start) / 2;
    const steps = Math.max(1, Math.floor((note.end - half) / STEP));
    const way = note.sound.glide!.to - note.key - own;
    for (let i = 1; i <= steps; i++) say(half + ((note.end - half) * (i - 1)) / steps, own + (way * i) / steps);
  }
  const last = notes.reduce((latest, note) => Math.max(latest, note.end), 0);
  say(last, 0);
  return { range: Math.max(USUAL_RANGE, ...points.map(({ by }) => Math.ceil(Math.abs(by)))), points };
}

/** 14 bits, 8192 in the middle. */
export function bendValue(by: Semitones, range: Semitones): number {
  return Math.max(0, Math.min(16383, Math.round(8192 + (by / range) * 8191)));
}
