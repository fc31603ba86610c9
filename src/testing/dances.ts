import type { Performance } from '../core/performance';
import { performanceOf, tempo, type HandNote } from './music';

/* Music in bars of every kind, in a file of one tempo that states no meter. */

/** Bars of a dance. */
export const BARS = 24;

/** A dance at 200 eighths a minute: a bass and a chord on each beat, a tune that fills some of them. */
export function danceNotes(groups: readonly number[], { pickup = 0, bars = BARS } = {}): HandNote[] {
  const notes: HandNote[] = [];
  let at = pickup / 2;
  for (let n = 0; n < pickup; n++) notes.push({ key: 74, at: n / 2, length: 0.45 });
  for (let bar = 0; bar < bars; bar++)
    groups.forEach((group, i) => {
      const root = [43, 48, 50][(bar + i) % 3]!;
      notes.push({ key: i === 0 ? root - 12 : root, at, length: group / 2 - 0.05 });
      notes.push({ key: root + 16, at, length: group / 2 - 0.05 });
      const filled = (bar * 7 + i) % 3 > 0;
      for (let n = 0; n < (filled ? group : 1); n++)
        notes.push({ key: 67 + ((bar * 5 + n * 2 + i) % 9), at: at + n / 2, length: 0.45 });
      at += group / 2;
    });
  return notes;
}

/**
 * A waltz, a march or a cue in quarters: a bass on the first beat, chords on the others.
 * @param lengths of bars in beats, in turn
 * @param leant the first beat is louder
 */
export function quarterNotes(
  lengths: readonly number[],
  { pickup = 0, leant = false, bars = BARS }: { pickup?: number; leant?: boolean; bars?: number } = {},
): HandNote[] {
  const notes: HandNote[] = pickup > 0 ? [{ key: 62, at: 0, length: 0.9 }] : [];
  let at = pickup;
  for (let bar = 0; bar < bars; bar++) {
    const root = [43, 48, 50, 43][bar % 4]!;
    const length = lengths[bar % lengths.length]!;
    notes.push({ key: root, at, length: 1, velocity: leant ? 100 : 80 });
    for (let beat = 1; beat < length; beat++)
      notes.push(...[16, 19, 24].map((above) => ({ key: root + above, at: at + beat, length: 0.8, velocity: 80 })));
    at += length;
  }
  return notes;
}

/** A dance as of {@link danceNotes}, read from a file that says a tempo and no meter. */
export const dance = (...args: Parameters<typeof danceNotes>): Performance =>
  performanceOf([{ name: 'Accordion', notes: danceNotes(...args) }], [tempo(0, 100)]);
