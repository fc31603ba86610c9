/*
 * Keys: which key the music is in, bar by bar.
 *
 * Takes sounding notes of all pitched parts with their written times; gives a key for each bar. Each bar's pitch
 * classes, weighted by length, are compared with the profiles of the 24 keys; a hidden Markov chain over the bars keeps
 * a key until there is reason to leave it. Profiles: Temperley (2001), The Cognition of Basic Musical Structures, from
 * memory.
 */
import { QUARTER, type Bar, type MidiKey, type WrittenUnits } from '../../time';
import type { ScoreKey } from '../../score';

export interface SoundingNote {
  key: MidiKey;
  start: WrittenUnits;
  end: WrittenUnits;
}

export interface BarKey {
  fifths: number;
  mode: 'major' | 'minor';
}

const MAJOR = [5, 2, 3.5, 2, 4.5, 4, 2, 4.5, 2, 3.5, 1.5, 4];
const MINOR = [5, 2, 3.5, 4.5, 2, 4, 2, 4.5, 3.5, 2, 1.5, 4];
const LEAVING = 6;
const PER_FIFTH = 0.7;
/** What a signature that somebody set is worth in each bar, and its mode. */
const STATED = 1.2;
const STATED_MODE = 0.2;
/** A bar full of notes says no more than this many quarter notes' worth. */
const MOST_WEIGHT = 6;

interface KeyState extends BarKey {
  tonic: number;
  logProfile: number[];
}

const STATES: readonly KeyState[] = (['major', 'minor'] as const).flatMap((mode) =>
  Array.from({ length: 12 }, (_, tonic) => {
    const profile = mode === 'major' ? MAJOR : MINOR;
    const total = profile.reduce((a, b) => a + b, 0);
    return {
      mode,
      tonic,
      fifths: signatureOf(tonic, mode),
      logProfile: Array.from({ length: 12 }, (_, pc) => Math.log(profile[(pc - tonic + 12) % 12]! / total)),
    };
  }),
);

/** Signature of a key by its tonic's pitch class; G flat rather than F sharp, B rather than C flat. */
function signatureOf(tonic: number, mode: 'major' | 'minor'): number {
  const major = mode === 'major' ? tonic : (tonic + 3) % 12;
  const fifths = (major * 7) % 12;
  return fifths > 5 ? fifths - 12 : fifths;
}

/** Pitch class of a key's tonic. */
export function tonicOf(key: BarKey): number {
  const major = (((key.fifths * 7) % 12) + 12) % 12;
  return key.mode === 'major' ? major : (major + 9) % 12;
}

/**
 * The key of each bar. Bars without notes take the key around them.
 *
 * @param stated signatures that somebody set: in case of doubt the music is in them
 */
export function keysOfBars(
  notes: readonly SoundingNote[],
  bars: readonly Bar[],
  stated: readonly ScoreKey[] = [],
): BarKey[] {
  const weights = pitchClassWeights(notes, bars);
  let costs = STATES.map(() => 0);
  const from: number[][] = [];
  weights.forEach((weight, bar) => {
    const total = weight.reduce((a, b) => a + b, 0);
    const scale = total > 0 ? Math.min(1, MOST_WEIGHT / total) : 0;
    const back: number[] = [];
    costs = STATES.map((state, s) => {
      let best = Infinity;
      STATES.forEach((other, o) => {
        const cost = costs[o]! + (bar === 0 || o === s ? 0 : LEAVING + PER_FIFTH * fifthsApart(state, other));
        if (cost < best) {
          best = cost;
          back[s] = o;
        }
      });
      const set = stated.findLast((key) => key.bar <= bar);
      const bonus =
        set && (set.fifths - state.fifths) % 12 === 0 ? STATED + (set.mode === state.mode ? STATED_MODE : 0) : 0;
      return best - bonus - scale * weight.reduce((sum, w, pc) => sum + w * state.logProfile[pc]!, 0);
    });
    from.push(back);
  });
  let state = costs.indexOf(Math.min(...costs));
  const path: BarKey[] = [];
  for (let bar = bars.length - 1; bar >= 0; bar--) {
    path[bar] = { fifths: STATES[state]!.fifths, mode: STATES[state]!.mode };
    state = from[bar]![state]!;
  }
  return path;
}

function fifthsApart(a: BarKey, b: BarKey): number {
  const apart = Math.abs(a.fifths - b.fifths) % 12;
  return Math.min(apart, 12 - apart) + (a.mode === b.mode ? 0 : 1);
}

/** Quarter notes that each pitch class sounds in each bar. */
export function pitchClassWeights(notes: readonly SoundingNote[], bars: readonly Bar[]): number[][] {
  const weights = bars.map(() => Array<number>(12).fill(0));
  let bar = 0;
  for (const note of [...notes].sort((a, b) => a.start - b.start)) {
    while (bar + 1 < bars.length && bars[bar + 1]!.start <= note.start) bar++;
    for (let b = bar; b < bars.length && bars[b]!.start < note.end; b++) {
      const within = Math.min(note.end, bars[b]!.start + bars[b]!.length) - Math.max(note.start, bars[b]!.start);
      // Long notes count more, but a held bass must not drown the rest.
      weights[b]![note.key % 12]! += Math.min(within / QUARTER, 2);
    }
  }
  return weights;
}

/** The key that holds in most bars. */
export function usualKey(barKeys: readonly BarKey[]): BarKey {
  const count = new Map<number, number>();
  for (const key of barKeys) count.set(key.fifths, (count.get(key.fifths) ?? 0) + 1);
  const fifths = [...count].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 0;
  return barKeys.find((key) => key.fifths === fifths) ?? { fifths: 0, mode: 'major' };
}
