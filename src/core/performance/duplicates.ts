import { secondsAtTick, type Milliseconds, type Semitones } from '../time';
import type { Performance, PlayedNote, PlayedTrack, TrackId } from './performance';

/** One track plays what an earlier one plays. */
export interface Duplicate {
  of: TrackId;
  exact: boolean;
  /** How much higher than the other, in whole octaves of 12. */
  transposed: Semitones;
  /** How much later, typically. */
  later: Milliseconds;
}

const CLOSE = 0.05;
const LARGEST_SHIFT = 0.12;
const ENOUGH = 0.95;
const LEAST_NOTES = 4;

/** Tracks that double an earlier one: the same notes, perhaps octaves apart or a few milliseconds later. */
export function findDuplicates(performance: Performance): Map<TrackId, Duplicate> {
  const found = new Map<TrackId, Duplicate>();
  const earlier: { track: PlayedTrack; line: Line }[] = [];
  for (const track of performance.tracks) {
    if (track.notes.length < LEAST_NOTES) continue;
    const line = lineOf(track.notes, performance);
    for (const other of earlier) {
      const duplicate = compare(line, other.line);
      if (!duplicate) continue;
      found.set(track.id, { of: other.track.id, ...duplicate });
      break;
    }
    if (!found.has(track.id)) earlier.push({ track, line });
  }
  return found;
}

interface Line {
  /** In order of onset, then key. */
  seconds: Float64Array;
  keys: Uint8Array;
  meanKey: number;
}

function lineOf(notes: readonly PlayedNote[], { tempo }: Performance): Line {
  const sorted = [...notes].sort((a, b) => a.start - b.start || a.key - b.key);
  return {
    seconds: Float64Array.from(sorted, (note) => secondsAtTick(tempo, note.start)),
    keys: Uint8Array.from(sorted, (note) => note.key),
    meanKey: sorted.reduce((sum, note) => sum + note.key, 0) / sorted.length,
  };
}

function compare(line: Line, other: Line): Omit<Duplicate, 'of'> | null {
  const count = line.keys.length;
  if (Math.abs(count - other.keys.length) > 0.05 * count) return null;
  const transposed = Math.round((line.meanKey - other.meanKey) / 12) * 12;
  if (Math.abs(line.meanKey - other.meanKey - transposed) > 0.6) return null;
  let matched = 0;
  let exact = count === other.keys.length;
  const shifts: number[] = [];
  let from = 0;
  for (let i = 0; i < count; i++) {
    while (from < other.keys.length && other.seconds[from]! < line.seconds[i]! - LARGEST_SHIFT) from++;
    for (let j = from; j < other.keys.length && other.seconds[j]! <= line.seconds[i]! + LARGEST_SHIFT; j++) {
      if (other.keys[j]! + transposed !== line.keys[i]) continue;
      const shift = line.seconds[i]! - other.seconds[j]!;
      shifts.push(shift);
      matched++;
      if (shift !== 0) exact = false;
      break;
    }
    // Most pairs of tracks have nothing in common: give up early.
    if (i === 40 && matched < 20) return null;
  }
  if (matched < ENOUGH * Math.max(count, other.keys.length)) return null;
  shifts.sort((a, b) => a - b);
  const typical = shifts[shifts.length >> 1]!;
  const together = shifts.filter((shift) => Math.abs(shift - typical) <= CLOSE).length;
  if (together < ENOUGH * matched) return null;
  return { exact: exact && transposed === 0, transposed, later: Math.round(typical * 1000) };
}
