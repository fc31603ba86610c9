/*
 * Chords that are found in music whose chords are known: progressions in all keys, written as block chords, broken
 * chords, alternating basses and with a tune over them.
 */
import { chordTones, type ChordKind } from '../src/core/score';
import { layBars, QUARTER, type MidiKey } from '../src/core/time';
import { findChords, type HeardNote } from '../src/core/to-score/chords/find-chords';
import { seeded } from './random';

interface TrueChord {
  root: number;
  kind: ChordKind;
}

/** Degrees in half tones over the key's first; common progressions of songs and of harmony textbooks, from memory. */
const PROGRESSIONS: readonly (readonly [number, ChordKind][])[] = [
  [
    [0, 'major'],
    [5, 'major'],
    [7, 'dominant'],
    [0, 'major'],
  ],
  [
    [2, 'minor-seventh'],
    [7, 'dominant'],
    [0, 'major-seventh'],
    [9, 'minor-seventh'],
  ],
  [
    [0, 'minor'],
    [8, 'major'],
    [3, 'major'],
    [10, 'major'],
  ],
  [
    [0, 'minor'],
    [5, 'minor'],
    [2, 'half-diminished'],
    [7, 'dominant'],
    [0, 'minor'],
  ],
  [
    [0, 'major'],
    [11, 'diminished-seventh'],
    [0, 'major'],
    [9, 'minor'],
    [2, 'dominant'],
    [7, 'major'],
  ],
  [
    [0, 'major'],
    [0, 'augmented'],
    [5, 'major'],
    [7, 'suspended-fourth'],
    [7, 'major'],
  ],
];
const STYLES = ['block', 'broken', 'alternating bass', 'with a tune'] as const;
type Style = (typeof STYLES)[number];

const BAR = 4 * QUARTER;

function played({ root, kind }: TrueChord, bar: number, style: Style, next: () => number): HeardNote[] {
  const tones = chordTones({ kind }).map((tone) => 60 + ((root + tone) % 12));
  const bass = 36 + root;
  const at = (key: MidiKey, beat: number, length: number): HeardNote => ({
    key,
    start: bar * BAR + beat * QUARTER,
    end: bar * BAR + (beat + length) * QUARTER,
  });
  if (style === 'block') return [at(bass, 0, 4), ...tones.map((key) => at(key, 0, 4))];
  if (style === 'broken') {
    const order = [bass, ...tones, ...tones.slice(0, -1).reverse()];
    return Array.from({ length: 8 }, (_, i) => at(order[i % order.length]!, i / 2, 0.5));
  }
  const fifth = bass + (chordTones({ kind }).find((tone) => tone >= 6 && tone <= 8) ?? 7) - 12;
  const oompah = [0, 1, 2, 3].flatMap((beat) =>
    beat % 2 === 0 ? [at(beat === 0 ? bass : fifth, beat, 1)] : tones.map((key) => at(key, beat, 1)),
  );
  if (style === 'alternating bass') return oompah;
  // A tune of chord tones on the strong beats and neighbours between them.
  const tune = [0, 1, 2, 3].map((beat) => {
    const tone = 12 + tones[Math.floor(next() * tones.length)]!;
    return at(beat % 2 === 0 ? tone : tone + (next() < 0.5 ? 1 : -2), beat, 1);
  });
  return [...oompah, ...tune];
}

export interface ChordScore {
  style: Style;
  /** Share of the time under the right root and kind, and under the right root. */
  right: number;
  root: number;
}

/** @param seeds one performance of every progression in twelve keys for each */
export function chordScores(seeds: readonly number[]): ChordScore[] {
  return STYLES.map((style) => {
    let [time, right, root] = [0, 0, 0];
    for (const seed of seeds) {
      const { next } = seeded(seed);
      for (const progression of PROGRESSIONS)
        for (let key = 0; key < 12; key++) {
          const truth = progression.map(([degree, kind]): TrueChord => ({ root: (key + degree) % 12, kind }));
          const bars = layBars([{ at: 0, beats: 4, beatType: 4 }], BAR * truth.length);
          const notes = truth.flatMap((chord, b) => played(chord, b, style, next)).sort((a, b) => a.start - b.start);
          const found = findChords(notes, bars);
          for (let beat = 0; beat < 4 * truth.length; beat++) {
            const wanted = truth[Math.floor(beat / 4)]!;
            const heard = found.findLast(({ at }) => at <= beat * QUARTER);
            time++;
            if (heard?.root === wanted.root) root++;
            if (heard?.root === wanted.root && heard.kind === wanted.kind) right++;
          }
        }
    }
    return { style, right: right / time, root: root / time };
  });
}
