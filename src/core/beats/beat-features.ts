/* What each beat is like: how much stands out on it, and what is struck within it. */
import { firstNotBefore } from '../base';
import type { Seconds } from '../time';
import type { Onset } from './onsets';

/** What makes a beat stand out. */
const WEIGHTS = { accent: 0.2, loud: 0.5, moves: 0.1, harmony: 1.1, long: 1.2, bass: 0.8 };
/** General MIDI percussion: bass drums begin, crashes announce, snares answer. */
const KIT: Readonly<Record<number, number>> = { 35: 0.9, 36: 0.9, 49: 1.4, 57: 1.4, 38: -1.2, 40: -1.2, 39: -1.2 };

export interface BeatFeature {
  /** How much it stands out, told against those about it. */
  mark: number;
  /** How loudly it is struck, as of {@link Onset.loud}; null where nothing is struck. */
  loud: number | null;
  /** Accents of the beat and of what lies between it and the next. */
  pattern: number[];
}

/** Parts of a beat that are looked at. */
const PARTS = 4;

/** What begins on a beat. */
interface Struck {
  accent: number;
  loud: number | null;
  long: number;
  kit: number;
  bass: number | null;
  pattern: number[];
}

/** What each beat is like. */
export function featuresOf(beats: readonly Seconds[], onsets: readonly Onset[]): BeatFeature[] {
  const profiles = beats.map((beat, i) => profile(onsets, beat, beats[i + 2] ?? beat + 2 * pace(beats, i)));
  const struck = struckOn(beats, onsets);
  const strengths = struck.map(({ accent, loud, long, kit }, i) => {
    const before = profiles[i - 2];
    const harmony = before ? apart(before, profiles[i]!) : 0;
    const { bass, moves } = bassAt(struck, i);
    return (
      WEIGHTS.accent * accent +
      WEIGHTS.loud * (loud ?? 0) +
      WEIGHTS.bass * bass +
      WEIGHTS.moves * moves +
      WEIGHTS.harmony * harmony +
      WEIGHTS.long * long +
      kit
    );
  });
  return strengths.map((strength, i) => {
    const about = strengths.slice(Math.max(0, i - 8), i + 9);
    const mean = about.reduce((sum, x) => sum + x, 0) / about.length;
    const spread = Math.sqrt(about.reduce((sum, x) => sum + (x - mean) ** 2, 0) / about.length);
    return { mark: (strength - mean) / (spread + 0.2), loud: struck[i]!.loud, pattern: struck[i]!.pattern };
  });
}

function struckOn(beats: readonly Seconds[], onsets: readonly Onset[]): Struck[] {
  let first = 0;
  return beats.map((beat, i) => {
    const period = pace(beats, i);
    while (onsets[first] && onsets[first]!.at < beat - period / 6) first++;
    const found: Struck = {
      accent: -0.8,
      loud: null,
      long: 0,
      kit: 0,
      bass: null,
      pattern: Array<number>(PARTS).fill(-0.3),
    };
    for (let k = first; onsets[k] && onsets[k]!.at < beat + period * (1 - 1 / 6); k++) {
      const { at, accent, loud, bass, drums, length } = onsets[k]!;
      const part = Math.min(PARTS - 1, Math.max(0, Math.round(((at - beat) / period) * PARTS)));
      found.pattern[part] = Math.max(found.pattern[part]!, accent + 0.3);
      if (part > 0) continue;
      found.kit += drums.reduce((sum, key) => sum + (KIT[key] ?? 0), 0);
      found.accent = Math.max(found.accent, accent);
      found.loud = Math.max(found.loud ?? loud, loud);
      found.long = Math.max(found.long, Math.min(2, length / period));
      if (bass !== null) found.bass = Math.min(found.bass ?? 127, bass);
    }
    return found;
  });
}

/** How far below its neighbours a beat reaches, in octaves up to one and a half; and whether the bass has moved. */
function bassAt(struck: readonly Struck[], i: number): { bass: number; moves: number } {
  const own = struck[i]!.bass;
  if (own === null) return { bass: 0, moves: 0 };
  const beside = [struck[i - 1]?.bass ?? null, struck[i + 1]?.bass ?? null].filter((bass) => bass !== null);
  const depth = beside.length > 0 ? (Math.min(...beside) - own) / 12 : 0;
  const last = struck.slice(Math.max(0, i - 8), i).findLast(({ bass }) => bass !== null)?.bass ?? null;
  const moves = own < 60 && (last === null || own % 12 !== last % 12) ? 1 : 0;
  return { bass: Math.max(0, Math.min(1.5, depth)), moves };
}

const pace = (beats: readonly Seconds[], i: number): Seconds =>
  beats[i + 1] !== undefined ? beats[i + 1]! - beats[i]! : beats[i]! - (beats[i - 1] ?? beats[i]! - 0.5);

/** Which pitch classes sound between two times, by how long. */
function profile(onsets: readonly Onset[], from: Seconds, to: Seconds): number[] {
  const classes = Array<number>(12).fill(0);
  const first = firstNotBefore(onsets, from - 0.06, ({ at }) => at);
  for (let k = first; onsets[k] && onsets[k]!.at < to - 0.06; k++)
    for (const key of onsets[k]!.keys) classes[key % 12]! += Math.min(onsets[k]!.length, to - from);
  return classes;
}

/** 0 for the same harmony, 1 for nothing in common. */
function apart(a: readonly number[], b: readonly number[]): number {
  const norm = (x: readonly number[]) => Math.sqrt(x.reduce((sum, y) => sum + y * y, 0));
  const size = norm(a) * norm(b);
  return size > 0 ? 1 - a.reduce((sum, x, i) => sum + x * b[i]!, 0) / size : 0;
}
