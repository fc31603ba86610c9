import type { Seconds, WrittenUnits } from '../../time';
import type { BeatLine } from './beats';
import type { TimedNote } from './timed-note';

/** Notes of one part that were struck together, as one onset. */
export interface Strike {
  at: number;
  /** The file has it exactly here. */
  meant: boolean;
  notes: TimedNote[];
}

const STRUCK_TOGETHER: Seconds = 0.024;

/** @param believed whether what the file has exactly at a place stays there: not where somebody set another grid */
export function gatherStrikes(
  notes: readonly TimedNote[],
  line: BeatLine,
  believed: (at: number) => boolean,
): Strike[] {
  const strikes: Strike[] = [];
  const exact = new Map<WrittenUnits, Strike>();
  const sorted = [...notes].sort((a, b) => a.onset - b.onset);
  let lastSeconds = -Infinity;
  for (const note of sorted) {
    if (note.meant !== undefined && believed(note.meant)) {
      const strike = exact.get(note.meant);
      if (strike) strike.notes.push(note);
      else {
        const made = { at: note.meant, meant: true, notes: [note] };
        exact.set(note.meant, made);
        strikes.push(made);
      }
      lastSeconds = -Infinity;
      continue;
    }
    const strike = strikes.at(-1);
    // Nobody strikes a key twice in so short a time: the same key again is the same note from another source.
    const together = strike && note.onsetSeconds - lastSeconds < STRUCK_TOGETHER;
    lastSeconds = note.onsetSeconds;
    if (together) {
      strike.notes.push(note);
      strike.at += (note.onset - strike.at) / strike.notes.length;
    } else strikes.push({ at: note.onset, meant: false, notes: [note] });
  }
  const last = line.beats.at(-1)!;
  const end = last.start + last.length;
  for (const strike of strikes) strike.at = Math.min(Math.max(0, strike.at), end);
  return strikes.sort((a, b) => a.at - b.at);
}
