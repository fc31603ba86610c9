/*
 * What two hands can hold of a whole score: the highest and the lowest line stay, what lies between is thinned.
 *
 *     flute    E6                 right   E6          the melody stays
 *     horns    C5 G4      →               G5          out of reach of both hands: an octave nearer
 *     strings  E4 C4              left    C4          C and E are there already: what is out of reach is left away
 *     bass     C3                         C3          the bass stays
 */
import { highest, lowest } from '../base';
import type { Pitch, ScoreSound } from '../score';
import { QUARTER, type MidiKey, type Semitones, type WrittenUnits } from '../time';

/** A sound to be played by one of the hands. */
export interface HandSound {
  start: WrittenUnits;
  end: WrittenUnits;
  key: MidiKey;
  /** Sounding. */
  pitch: Pitch;
}

/** What a hand reaches: a ninth; five fingers (common practice, no source). */
const REACH: Semitones = 14;
const FINGERS = 5;
/** More notes in a hand are hard to read, and double others mostly. */
const FULL = 4;

/** @param sounds of all parts, at sounding pitch @returns in order of start, then key */
export function fitToHands(sounds: readonly Pick<ScoreSound, keyof HandSound>[]): HandSound[] {
  const kept: HandSound[] = [];
  let held: HandSound[] = [];
  for (const struck of struckTogether(sounds)) {
    const at = struck[0]!.start;
    // A key that is struck again was let go before.
    for (const sound of held) if (struck.some(({ key }) => key === sound.key)) sound.end = Math.min(sound.end, at);
    held = held.filter(({ end }) => end > at);
    const played = asOneChord(fitted(struck, held));
    kept.push(...played);
    held.push(...played);
  }
  return kept.filter(({ start, end }) => end > start).sort((a, b) => a.start - b.start || a.key - b.key);
}

/** Sounds that start as one, each key once and as long as its longest. */
function struckTogether(sounds: readonly Pick<ScoreSound, keyof HandSound>[]): HandSound[][] {
  const byStart = new Map<WrittenUnits, Map<MidiKey, HandSound>>();
  for (const { start, end, key, pitch } of sounds) {
    const there = byStart.get(start) ?? new Map<MidiKey, HandSound>();
    byStart.set(start, there);
    const same = there.get(key);
    if (same) same.end = Math.max(same.end, end);
    else there.set(key, { start, end, key, pitch });
  }
  return [...byStart].sort(([a], [b]) => a - b).map(([, keys]) => [...keys.values()].sort((a, b) => a.key - b.key));
}

/** What of the struck notes is played while others are held; held ones between them are let go where they are in the way. */
function fitted(struck: readonly HandSound[], held: readonly HandSound[]): HandSound[] {
  let chosen = [...struck];
  let down = [...held];
  const dropped: HandSound[] = [];
  while (!playable([...chosen, ...down])) {
    const inner = leastMissed(chosen, down);
    if (inner) {
      chosen = chosen.filter((sound) => sound !== inner);
      dropped.push(inner);
      continue;
    }
    const [oldest] = [...down].sort((a, b) => a.start - b.start);
    if (!oldest) break;
    oldest.end = struck[0]!.start;
    down = down.filter((sound) => sound !== oldest);
  }
  // What was missed most comes back first: where it was, or nearer.
  for (const sound of dropped.reverse()) {
    const others = [...chosen, ...down];
    const back = playable([...others, sound]) ? sound : withinReach(sound, others);
    if (back) chosen.push(back);
  }
  return chosen;
}

/** An inner note ends with the outer one next to it where they hardly differ: one chord, not two voices. */
function asOneChord(struck: readonly HandSound[]): HandSound[] {
  const sorted = [...struck].sort((a, b) => a.key - b.key);
  const [bottom, top] = [sorted[0], sorted.at(-1)];
  return sorted.map((sound) => {
    if (!bottom || !top) return sound;
    const outer = top.key - sound.key <= sound.key - bottom.key ? top : bottom;
    return Math.abs(outer.end - sound.end) <= QUARTER ? { ...sound, end: outer.end } : sound;
  });
}

const keysOf = (sounds: readonly HandSound[]) => sounds.map(({ key }) => key).sort((a, b) => a - b);

/** Some place parts the keys into two hands. */
function playable(sounds: readonly HandSound[]): boolean {
  const keys = keysOf(sounds);
  const fits = (hand: readonly MidiKey[], most: number) =>
    hand.length <= most && (hand.length === 0 || hand.at(-1)! - hand[0]! <= REACH);
  return Array.from({ length: keys.length + 1 }, (_, i) => i).some(
    (i) => fits(keys.slice(0, i), FULL) && fits(keys.slice(i), FINGERS),
  );
}

/** An inner note of those struck: one that is doubled in an octave before others, then the one farthest from both hands. */
function leastMissed(struck: readonly HandSound[], held: readonly HandSound[]): HandSound | null {
  const all = [...struck, ...held];
  const [top, bottom] = [highest(keysOf(all)), lowest(keysOf(all))];
  const inner = struck.filter(({ key }) => key !== top && key !== bottom);
  const doubled = (key: MidiKey) => all.some((other) => other.key !== key && (other.key - key) % 12 === 0);
  const worth = ({ key }: HandSound) => (doubled(key) ? 0 : 100) - Math.min(top - key, key - bottom);
  return inner.reduce<HandSound | null>((least, one) => (least && worth(least) <= worth(one) ? least : one), null);
}

/** The sound some octaves nearer to one of the hands, where its pitch class would be missing otherwise. */
function withinReach(sound: HandSound, others: readonly HandSound[]): HandSound | null {
  const keys = keysOf(others);
  if (keys.some((key) => (key - sound.key) % 12 === 0)) return null;
  const [top, bottom] = [highest(keys), lowest(keys)];
  const octaves = [1, -1, 2, -2, 3, -3, 4, -4];
  for (const by of octaves) {
    const key = sound.key + 12 * by;
    if (key >= top || key <= bottom) continue;
    const moved = { ...sound, key, pitch: { ...sound.pitch, octave: sound.pitch.octave + by } };
    if (playable([...others, moved])) return moved;
  }
  return null;
}
