/*
 * Beats that were counted beside themselves: where a riff is struck after each beat, by several players, the pace is found
 * and every beat lies where the riff does. Long notes begin on beats (Lerdahl and Jackendoff, A generative theory of tonal
 * music, 1983, metrical preference rule 5; from memory): a tune that is held says where they are.
 *
 *     riff     . x . x . x . x
 *     tune     x - - - x - - -
 *     found      |   |   |   |
 *     meant    |   |   |   |
 */
import { firstNotBefore, upperMedian } from '../base';
import type { Seconds } from '../time';
import type { Onset } from './onsets';
import type { FoundBeats } from './track-beats';

/** Places within a beat that beats may have been meant at. */
const QUARTERS = 4;
/** An onset further from one, in quarters of a beat, lies on none. */
const BESIDE = 0.35;
/** Longer notes say no more, in beats. */
const LONGEST = 2;
/** How much more must be held from another place: in ragtime hardly less is held from off the beat than from on it. */
const CLEARLY = 1.5;
/** A beat that was moved lies on an onset that is so near, in beats. */
const NEAR = 0.12;

/** The beats, or those a quarter, half or three quarters later where far more is held from there. */
export function begunByLongNotes(found: FoundBeats, onsets: readonly Onset[]): FoundBeats {
  const held = heldFrom(found.beats, onsets);
  const most = held.reduce((best, amount, place) => (amount > held[best]! ? place : best), 0);
  return most > 0 && held[most]! > CLEARLY * held[0]! ? moved(found, most / QUARTERS, onsets) : found;
}

/** How long is held what begins on each quarter of a beat, all in all, in beats. */
function heldFrom(beats: readonly Seconds[], onsets: readonly Onset[]): number[] {
  const held = Array<number>(QUARTERS).fill(0);
  for (let i = 0; i + 1 < beats.length; i++) {
    const length = beats[i + 1]! - beats[i]!;
    const first = firstNotBefore(onsets, beats[i]! - length / (2 * QUARTERS), ({ at }) => at);
    for (let k = first; onsets[k]; k++) {
      const place = ((onsets[k]!.at - beats[i]!) / length) * QUARTERS;
      if (place >= QUARTERS - 0.5) break;
      if (Math.abs(place - Math.round(place)) > BESIDE) continue;
      held[Math.round(place)]! += Math.min(LONGEST, onsets[k]!.length / length);
    }
  }
  return held;
}

function moved(found: FoundBeats, by: number, onsets: readonly Onset[]): FoundBeats {
  const { beats } = found;
  const last = beats.at(-1)! - beats.at(-2)!;
  const later = beats.map((beat, i) => {
    const length = (beats[i + 1] ?? beat + last) - beat;
    return onsetNear(onsets, beat + by * length, NEAR * length);
  });
  const before = later[0]! - (beats[1]! - beats[0]!);
  if (before >= onsets[0]!.at - NEAR * last) later.unshift(onsetNear(onsets, before, NEAR * last));
  while (later.at(-1)! > onsets.at(-1)!.at + NEAR * last) later.pop();
  return { ...found, beats: later, period: upperMedian(later.slice(1).map((beat, i) => beat - later[i]!)) };
}

/** The nearest onset within reach of a time, or the time itself. */
function onsetNear(onsets: readonly Onset[], time: Seconds, reach: Seconds): Seconds {
  let [nearest, away] = [time, reach];
  for (let k = firstNotBefore(onsets, time - reach, ({ at }) => at); onsets[k] && onsets[k]!.at <= time + reach; k++) {
    const off = Math.abs(onsets[k]!.at - time);
    if (off < away) [nearest, away] = [onsets[k]!.at, off];
  }
  return nearest;
}
