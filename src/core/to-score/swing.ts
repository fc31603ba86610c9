/*
 * Swing: eighths played long and short, written evenly.
 *
 *     played   |x     x  |x     x  |       long to short 2 : 1
 *     written  |x   x   |x   x   |        even eighths, and “Swing” above the first bar
 *
 * Takes the onsets of all parts with their leads taken out; gives the ratio when the off-beats of the piece lie late, and
 * neither even eighths nor triplets are played beside them. The ratio is the median of what was played. Ratios between
 * 1.4 and 3.5 count as swing (common practice, no source).
 */
import type { PlayedUnits } from '../time';
import { QUARTER } from '../time';
import { beatIndexAt, type BeatLine } from './beats';
import type { TimedNote } from './timed-note';

export interface Swing {
  /** Long to short eighth; 1 is even. */
  ratio: number;
  /** 0–1 */
  confidence: number;
  /** Set by a person. */
  pinned: boolean;
  /** Off-beats looked at, and second notes of triplets beside them. */
  offBeats: number;
  triplets: number;
}

export const EVEN: Swing = { ratio: 1, confidence: 1, pinned: false, offBeats: 0, triplets: 0 };

const LEAST_RATIO = 1.4;
const MOST_RATIO = 3.5;
/** Fewer off-beats than this say nothing. */
const LEAST_WITNESSES = 12;
/** Up to this share of triplets and early sixteenths the piece still swings. */
const MOST_OTHERS = 0.18;
/** Off-beats of one kind spread no wider than this many times the notes on the beat; even and late ones together do. */
const MOST_SPREAD = 1.7;
const LEAST_SPREAD = 0.02;

/** Where the off-beat lies in its quarter, as a share, for a ratio. */
const turnOf = (ratio: number) => ratio / (1 + ratio);

/** @param parts notes by part @param pin a ratio somebody set */
export function findSwing(parts: readonly (readonly TimedNote[])[], line: BeatLine, pin: number | undefined): Swing {
  if (pin !== undefined) return { ...EVEN, ratio: pin, pinned: true };
  const offBeats: number[] = [];
  const onBeats: number[] = [];
  let triplets = 0;
  for (const notes of parts) {
    for (const note of notes) {
      const beat = line.beats[beatIndexAt(line, note.onset)]!;
      if (beat.length !== QUARTER || beat.compound) continue;
      const share = (note.onset - beat.start) / beat.length;
      if (share >= 0.42 && share < 0.84) offBeats.push(share);
      else if (share > 0.2 && share < 0.42) triplets++;
      else if (share <= 0.16) onBeats.push(share);
      else if (share >= 0.84) onBeats.push(share - 1);
    }
  }
  const even = { ...EVEN, offBeats: offBeats.length, triplets };
  if (offBeats.length < LEAST_WITNESSES) return even;
  const turn = median(offBeats);
  const ratio = turn / (1 - turn);
  const others = triplets / (offBeats.length + triplets);
  const spread = deviation(offBeats, turn) / Math.max(LEAST_SPREAD, deviation(onBeats, 0));
  if (ratio < LEAST_RATIO || ratio > MOST_RATIO || others > MOST_OTHERS || spread > MOST_SPREAD) return even;
  const confidence = Math.min(1, (1 - others / MOST_OTHERS) * 0.5 + Math.min(1, offBeats.length / 40) * 0.5);
  return { ...even, ratio: nearUsual(ratio), confidence };
}

/** Median distance from a place: jitter, whatever its outliers. */
function deviation(shares: readonly number[], from: number): number {
  return median(shares.map((share) => Math.abs(share - from)));
}

/** A machine's two to one is two to one, whatever its ticks were rounded to. */
function nearUsual(ratio: number): number {
  return Math.abs(ratio - 2) < 0.02 ? 2 : ratio;
}

/** The note where it would lie if its eighths were even. Only quarters swing; beats of other length stay. */
export function withoutSwing(note: TimedNote, swing: Swing, line: BeatLine): TimedNote {
  if (swing.ratio === 1) return note;
  return { ...note, onset: evened(note.onset, swing, line), release: evened(note.release, swing, line) };
}

function evened(at: PlayedUnits, { ratio }: Swing, line: BeatLine): PlayedUnits {
  return warp(at, line, turnOf(ratio), 0.5);
}

/** Where a written place sounds. */
export function swung(at: number, { ratio }: Pick<Swing, 'ratio'>, line: Pick<BeatLine, 'beats' | 'starts'>): PlayedUnits {
  return ratio === 1 ? at : warp(at, line, 0.5, turnOf(ratio));
}

function warp(at: PlayedUnits, line: Pick<BeatLine, 'beats' | 'starts'>, from: number, to: number): PlayedUnits {
  const beat = line.beats[beatIndexAt(line as BeatLine, Math.max(0, at))]!;
  if (beat.length !== QUARTER || beat.compound) return at;
  const share = (at - beat.start) / beat.length;
  if (share <= 0 || share >= 1) return at;
  return beat.start + beat.length * (share <= from ? (share / from) * to : to + ((share - from) / (1 - from)) * (1 - to));
}

function median(values: number[]): number {
  values.sort((a, b) => a - b);
  return values[values.length >> 1] ?? 0;
}
