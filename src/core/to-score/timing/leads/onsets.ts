/* The onsets of a track as the search for its lead weighs them. */
import type { PlayedUnits, Seconds } from '../../../time';
import { beatIndexAt, type BeatLine } from '../beats';
import type { TimedNote } from '../timed-note';
import { LEADS } from './tuning';

export interface Onset {
  beat: number;
  at: PlayedUnits;
  release: PlayedUnits;
  seconds: Seconds;
  /** Long notes stand on strong places: how much the strength of its place counts. */
  weight: number;
  /** Let go well before the next onset. */
  detached: boolean;
}

/** One onset for notes struck together, in the order of time; of a long track some stretches, spread over the piece. */
export function distinctOnsets(notes: readonly TimedNote[], line: BeatLine): Onset[] {
  return spread(allOnsets(notes, line));
}

function allOnsets(notes: readonly TimedNote[], line: BeatLine): Onset[] {
  const onsets: Onset[] = [];
  for (const note of [...notes].sort((a, b) => a.onset - b.onset)) {
    const last = onsets.at(-1);
    if (last && note.onsetSeconds - last.seconds < LEADS.togetherWithin) continue;
    if (last) {
      last.weight = weightOf(note.onset - last.at, line, last.beat);
      last.detached = last.release - last.at < LEADS.detached * (note.onset - last.at);
    }
    onsets.push({
      beat: beatIndexAt(line, note.onset),
      at: note.onset,
      release: note.release,
      seconds: note.onsetSeconds,
      weight: 1,
      detached: true,
    });
  }
  return onsets;
}

function spread(onsets: Onset[]): Onset[] {
  if (onsets.length <= LEADS.mostOnsets) return onsets;
  const length = LEADS.mostOnsets / LEADS.stretches;
  const between = (onsets.length - length) / (LEADS.stretches - 1);
  return Array.from({ length: LEADS.stretches }, (_, i) => Math.round(i * between)).flatMap((from) =>
    onsets.slice(from, from + length),
  );
}

/** By the time to the next onset, in beats. */
function weightOf(interval: number, line: BeatLine, beat: number): number {
  return 0.6 + 0.7 * Math.min(2, interval / line.beats[beat]!.length);
}

export const areDetached = (onsets: readonly Onset[]) =>
  onsets.filter(({ detached }) => detached).length > LEADS.detachedShare * onsets.length;

/** The usual time from one onset to the next: the median; infinite where there is one onset only. */
export function usualDistance(onsets: readonly Onset[]): Seconds {
  const distances = onsets.slice(1).map(({ seconds }, i) => seconds - onsets[i]!.seconds);
  return distances.sort((a, b) => a - b)[distances.length >> 1] ?? Infinity;
}
