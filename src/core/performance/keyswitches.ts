/*
 * Keys that look like keyswitches: keys that choose a sample player's technique and must never be printed.
 *
 * Found where most notes of a track lie in its instrument's range and a few keys lie clearly outside, apart from the
 * music, one at a time, held while it plays or right before a note.
 */
import type { Instrument } from '../instruments';
import type { MidiKey } from '../time';
import type { PlayedNote } from './performance';

const MOST_SWITCHES = 16;
/** A switch lies at least this far from what is played, and outside the range by as much. */
const APART = 3;
const LARGEST_SHARE = 0.34;

/** Keys that look like switches, lowest first; empty when none do. */
export function findKeyswitches(
  notes: readonly PlayedNote[],
  instrument: Pick<Instrument, 'id' | 'range' | 'unpitched'>,
  ticksPerQuarter: number,
): MidiKey[] {
  if (instrument.unpitched || instrument.id === 'unknown') return [];
  const [low, high] = instrument.range;
  const outside = notes.filter(({ key }) => key < low - APART + 1 || key > high + APART - 1);
  if (outside.length === 0 || outside.length > LARGEST_SHARE * notes.length) return [];
  const music = notes.filter(({ key }) => key >= low - APART + 1 && key <= high + APART - 1);
  const lowest = music.reduce((a, note) => Math.min(a, note.key), 127);
  const highest = music.reduce((a, note) => Math.max(a, note.key), 0);
  const keys = [...new Set(outside.map(({ key }) => key))].sort((a, b) => a - b);
  if (keys.length > MOST_SWITCHES) return [];
  // All on one side, as a block of keys, clear of the music.
  const below = keys.every((key) => key <= lowest - APART);
  const above = keys.every((key) => key >= highest + APART);
  if (!below && !above) return [];
  if (keys.at(-1)! - keys[0]! > 24) return [];
  return severalAtOnce(outside) || !goWithMusic(outside, music, ticksPerQuarter) ? [] : keys;
}

/** A switch is held while the music plays or comes right before a note; a note of a line has its place to itself. */
function goWithMusic(outside: readonly PlayedNote[], music: readonly PlayedNote[], ticksPerQuarter: number): boolean {
  const soon = ticksPerQuarter / 3;
  const goes = outside.filter((one) =>
    music.some((note) => {
      const both = Math.min(note.end, one.end) - Math.max(note.start, one.start);
      return both > (one.end - one.start) / 2 || (note.start >= one.start && note.start <= one.start + soon);
    }),
  );
  return goes.length >= 0.8 * outside.length;
}

/** Switches come one at a time. */
function severalAtOnce(notes: readonly PlayedNote[]): boolean {
  const starts = new Map<number, number>();
  for (const { start } of notes) starts.set(start, (starts.get(start) ?? 0) + 1);
  return [...starts.values()].filter((count) => count > 1).length > notes.length / 8;
}
