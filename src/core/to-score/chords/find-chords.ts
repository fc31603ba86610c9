/*
 * Chord symbols heard in the notes.
 *
 *     notes of a beat  →  how long each of the twelve pitch classes sounds  →  the chord that fits it best
 *
 * Templates of pitch classes (Fujishima, Realtime chord recognition of musical sound, 1999), the best path through all
 * beats with a price on every change (Viterbi), lower where the meter is strong: chords change at barlines.
 */
import { chordTones, type ChordKind } from '../../score';
import { beatsOfBar, QUARTER, type Bar, type MidiKey, type WrittenUnits } from '../../time';

export interface HeardNote {
  key: MidiKey;
  start: WrittenUnits;
  end: WrittenUnits;
}

export interface HeardChord {
  at: WrittenUnits;
  /** 0–11; null: nothing sounds. */
  root: number | null;
  kind: ChordKind;
  /** Where it is another one than the root. */
  bass?: number;
}

/** Kinds that are looked for, and what a rarer one must explain more. */
const KINDS: readonly [ChordKind, number][] = [
  ['major', 0],
  ['minor', 0],
  ['dominant', 0.04],
  ['major-seventh', 0.05],
  ['minor-seventh', 0.05],
  ['half-diminished', 0.07],
  ['diminished', 0.08],
  ['diminished-seventh', 0.08],
  ['suspended-fourth', 0.12],
  ['augmented', 0.1],
];
/** What a beat loses for a tone of the chord that does not sound: the fifth may be missing. */
const MISSING = 0.14;
const MISSING_FIFTH = 0.05;
/** What the lowest note adds as a root. */
const BASS = 0.22;
/** Price of a change, in beats that fit: at a barline, in the middle of the bar, elsewhere. */
const CHANGE = { bar: 0.22, half: 0.4, beat: 0.75 };

interface Template {
  root: number;
  kind: ChordKind;
  tones: ReadonlySet<number>;
  fifth: number;
  rare: number;
}

const TEMPLATES: readonly Template[] = KINDS.flatMap(([kind, rare]) =>
  Array.from({ length: 12 }, (_, root): Template => {
    const intervals = chordTones({ kind });
    const tones = new Set(intervals.map((tone) => (root + tone) % 12));
    const fifth = intervals.find((tone) => tone >= 6 && tone <= 8) ?? 7;
    return { root, kind, tones, fifth: (root + fifth) % 12, rare };
  }),
);

/** What sounds in one beat. */
interface BeatSound {
  at: WrittenUnits;
  length: WrittenUnits;
  change: number;
  /** Share of the sound by pitch class; they add up to 1, or to 0 in silence. */
  shares: readonly number[];
  bass: number | null;
}

/** @param notes of the parts that count, sounding keys, in order of start */
export function findChords(notes: readonly HeardNote[], bars: readonly Bar[]): HeardChord[] {
  const beats = beatSounds(notes, bars);
  const path = bestPath(beats);
  const chords: HeardChord[] = [];
  let before: Template | null | undefined;
  path.forEach((template, b) => {
    if (template === before) return;
    before = template;
    chords.push(template ? withBass(template, beats, path, b) : { at: beats[b]!.at, root: null, kind: 'none' });
  });
  // Silence before the first chord needs no sign.
  return chords[0]?.root === null ? chords.slice(1) : chords;
}

function beatSounds(notes: readonly HeardNote[], bars: readonly Bar[]): BeatSound[] {
  const beats = bars.flatMap((bar) => {
    const own = beatsOfBar(bar);
    return own.map((beat, b) => ({ ...beat, change: changeAt(b, own.length) }));
  });
  let from = 0;
  return beats.map(({ start, length, change }) => {
    const end = start + length;
    while (notes[from] && notes[from]!.end <= start) from++;
    const weights = new Array<number>(12).fill(0);
    let lowest: MidiKey | null = null;
    for (let n = from; n < notes.length && notes[n]!.start < end; n++) {
      const { key, start: begins, end: ends } = notes[n]!;
      const sounds = Math.min(ends, end) - Math.max(begins, start);
      if (sounds <= 0) continue;
      weights[key % 12]! += sounds * weightOf(key);
      if (lowest === null || key < lowest) lowest = key;
    }
    const total = weights.reduce((sum, weight) => sum + weight, 0);
    return {
      at: start,
      length,
      change,
      shares: total > 0 ? weights.map((weight) => weight / total) : weights,
      bass: lowest === null ? null : lowest % 12,
    };
  });
}

/** A tune moves over its chord: low notes say more. */
function weightOf(key: MidiKey): number {
  return Math.max(0.6, Math.min(1.4, 1.4 - (key - 48) / 60));
}

function changeAt(beat: number, beats: number): number {
  if (beat === 0) return CHANGE.bar;
  return beats % 2 === 0 && beat === beats / 2 ? CHANGE.half : CHANGE.beat;
}

/** How well a chord fits a beat: what sounds of it, less what sounds beside it and what is missing. */
function fit({ shares, bass }: BeatSound, { root, tones, fifth, rare }: Template): number {
  let inside = 0;
  let missing = 0;
  for (const tone of tones) {
    inside += shares[tone]!;
    if (shares[tone]! < 0.02) missing += tone === fifth ? MISSING_FIFTH : MISSING;
  }
  return 2 * inside - 1 - missing - rare + (bass === root ? BASS : 0);
}

/** The chord of each beat; null where nothing sounds. Every change costs the same, so the best one before suffices. */
function bestPath(beats: readonly BeatSound[]): (Template | null)[] {
  const count = TEMPLATES.length;
  let scores = new Float64Array(count);
  const cameFrom: Int32Array[] = [];
  beats.forEach((beat, b) => {
    const best = scores.reduce((top, score, s) => (score > scores[top]! ? s : top), 0);
    const next = new Float64Array(count);
    const from = new Int32Array(count);
    const weight = beat.bass === null ? 0 : Math.min(2, beat.length / QUARTER);
    for (let s = 0; s < count; s++) {
      const changed = b === 0 ? scores[s]! : scores[best]! - beat.change;
      const stays = scores[s]! >= changed;
      from[s] = stays || b === 0 ? s : best;
      next[s] = (stays ? scores[s]! : changed) + weight * fit(beat, TEMPLATES[s]!);
    }
    cameFrom.push(from);
    scores = next;
  });
  let state = scores.reduce((top, score, s) => (score > scores[top]! ? s : top), 0);
  const path: (Template | null)[] = [];
  for (let b = beats.length - 1; b >= 0; b--) {
    path[b] = beats[b]!.bass === null ? null : TEMPLATES[state]!;
    state = cameFrom[b]![state]!;
  }
  return path;
}

/** A tone of the chord that lies lowest while the chord lasts is its bass. */
function withBass(
  { root, kind, tones }: Template,
  beats: readonly BeatSound[],
  path: readonly (Template | null)[],
  from: number,
): HeardChord {
  const lowest = new Map<number, WrittenUnits>();
  for (let b = from; b < path.length && path[b] === path[from]; b++) {
    const { bass, length } = beats[b]!;
    if (bass !== null) lowest.set(bass, (lowest.get(bass) ?? 0) + length);
  }
  const { at, bass } = beats[from]!;
  const all = [...lowest.values()].reduce((sum, length) => sum + length, 0);
  // Root and fifth in turn are no inversion: the bass is what the chord begins on and lies on for half of it.
  const lies = bass !== null && bass !== root && tones.has(bass) && lowest.get(bass)! * 2 >= all;
  return { at, root, kind, ...(lies && { bass }) };
}
