/*
 * Measures what makes a page: keys, names of notes, clefs, repeats. Scores are performed and converted without a
 * decision.
 */
import { performanceFromSmf } from '../src/core/performance';
import { type Fold, type Score } from '../src/core/score';
import { readSmf } from '../src/core/smf';
import { barLength } from '../src/core/time';
import { toScore } from '../src/core/to-score';
import { corpus } from './corpus';
import { measure, percent } from './measure';
import { MECHANICAL, perform, type Manner } from './performer';
import { chromaticScores } from './progressions';
import { seeded } from './random';
import type { TrueNote, TruePart, TrueScore } from './true-score';
import { NO_SETTINGS } from '../src/core/settings';

/** Without a key signature in the file, as real files come. */
function converted(score: TrueScore, manner: Partial<Manner>, seed: number): Score {
  const players = score.parts.map((part, p) => ({
    trackName: part.name,
    channel: p + 1 > 9 ? p + 2 : p + 1,
    program: null,
    manner: { ...MECHANICAL, ...manner },
  }));
  return toScore(
    performanceFromSmf(
      readSmf(perform(score, players, { ticksPerQuarter: 480, format: 1, key: null, random: seeded(seed) })),
    ),
    NO_SETTINGS,
  ).score;
}

/** Two scores one after the other, in one meter. */
function after(a: TrueScore, b: TrueScore): TrueScore {
  const later = (note: TrueNote): TrueNote => ({ ...note, start: note.start + a.length, end: note.end + a.length });
  return {
    ...a,
    parts: a.parts.map((part, p): TruePart => ({ ...part, notes: [...part.notes, ...b.parts[p]!.notes.map(later)] })),
    length: a.length + b.length,
  };
}

/** Signatures: whole pieces in one key, and pieces that change it in the middle; share of bars under the right one. */
export function measureKeys(seeds: readonly number[]): {
  pieces: number;
  piecesRight: number;
  bars: number;
  barsRight: number;
  changing: number;
  changingRight: number;
} {
  const sum = { pieces: 0, piecesRight: 0, bars: 0, barsRight: 0, changing: 0, changingRight: 0 };
  for (const seed of seeds) {
    const scores = corpus(seed).filter((score) => score.kind !== 'drums and bass');
    for (const score of scores) {
      const { keys } = converted(score, { jitter: 10 }, seed);
      sum.pieces++;
      if (keys.length === 1 && keys[0]!.fifths === score.key.fifths) sum.piecesRight++;
    }
    const simple = scores.filter((score) => score.kind === 'slow strings');
    for (const a of simple)
      for (const b of simple) {
        if (a === b || a.key.fifths === b.key.fifths) continue;
        const { keys, bars } = converted(after(a, b), { jitter: 10 }, seed);
        const middle = a.length / barLength(a.meters[0]!);
        const right = bars.filter(
          (bar) => keys.findLast((key) => key.bar <= bar.index)!.fifths === (bar.index < middle ? a : b).key.fifths,
        ).length;
        sum.bars += bars.length;
        sum.barsRight += right;
        sum.changing++;
        if (right === bars.length) sum.changingRight++;
      }
  }
  return sum;
}

export function measureChromatic(): {
  notes: number;
  right: number;
  byName: Map<string, [right: number, notes: number]>;
} {
  const byName = new Map<string, [number, number]>();
  for (const score of chromaticScores()) {
    const { total } = measure(converted(score, {}, 1), score);
    const name = score.title.split(',')[0]!;
    const [right, notes] = byName.get(name) ?? [0, 0];
    byName.set(name, [right + total.spelled, notes + total.pitched]);
  }
  const sums = [...byName.values()];
  return {
    byName,
    right: sums.reduce((sum, [right]) => sum + right, 0),
    notes: sums.reduce((sum, [, notes]) => sum + notes, 0),
  };
}

/**
 * Cello lines that stay low for sixteen bars and above B3 for sixteen: a copyist writes those in tenor clef. Share of
 * bars in the right clef.
 */
export function measureClefs(seeds: readonly number[]): { bars: number; right: number } {
  let bars = 0;
  let right = 0;
  for (const seed of seeds) {
    const [low, other] = corpus(seed).filter((score) => score.kind === 'slow strings');
    if (!low || !other) continue;
    const cello = low.parts[2]!;
    const lift = (note: TrueNote): TrueNote => {
      const octaves = Math.max(0, Math.ceil((58 - note.key) / 12));
      return { ...note, key: note.key + 12 * octaves, pitch: { ...note.pitch, octave: note.pitch.octave + octaves } };
    };
    const high: TrueScore = { ...other, parts: [{ ...other.parts[2]!, notes: other.parts[2]!.notes.map(lift) }] };
    const result = converted(after({ ...low, parts: [cello] }, high), { jitter: 10 }, seed);
    const [part] = result.parts;
    const middle = low.length / barLength(low.meters[0]!);
    result.bars.forEach((bar) => {
      const clef = part!.clefChanges.findLast((change) => change.bar <= bar.index)?.clef ?? 'bass';
      bars++;
      if (bar.index < middle ? clef === 'bass' : clef !== 'bass') right++;
    });
  }
  return { bars, right };
}

/** A stretch of a score played again, perhaps with another last bar; what is found is compared with what was done. */
export function measureRepeats(
  seeds: readonly number[],
  jitter: number,
): { wanted: number; found: number; false: number; plain: number } {
  const sum = { wanted: 0, found: 0, false: 0, plain: 0 };
  for (const seed of seeds) {
    corpus(seed).forEach((score, i) => {
      const bar = barLength(score.meters[0]!);
      const random = seeded(seed * 17 + i);
      const cut = (from: number, to: number, part: TruePart) =>
        part.notes
          .filter((note) => note.start >= from * bar && note.start < to * bar)
          .map((note) => ({ ...note, start: note.start - from * bar, end: Math.min(note.end, to * bar) - from * bar }));
      const length = 4 + Math.floor(random.between(0, 5));
      const ending = i % 2;
      // A tie over the seam would not be folded.
      const pieces: [number, number][] =
        i % 3 === 2
          ? [[0, 16]]
          : [
              [0, 4],
              [4, 4 + length - ending],
              [14, 14 + ending],
              [4, 4 + length - ending],
              [15, 15 + ending],
              [12, 16],
            ];
      let at = 0;
      const parts = score.parts.map((part): TruePart => ({ ...part, notes: [] }));
      for (const [from, to] of pieces) {
        score.parts.forEach((part, p) =>
          parts[p]!.notes.push(
            ...cut(from, to, part).map((note) => ({ ...note, start: note.start + at * bar, end: note.end + at * bar })),
          ),
        );
        at += to - from;
      }
      const truth = { ...score, parts, length: at * bar };
      const players = parts.map((part, p) => ({
        trackName: part.name,
        channel: p + 1,
        program: null,
        manner: { ...MECHANICAL, jitter, swing: score.swing },
      }));
      const { repeats } = toScore(
        performanceFromSmf(
          readSmf(perform(truth, players, { ticksPerQuarter: 480, format: 1, key: score.key, random })),
        ),
        NO_SETTINGS,
      );
      if (pieces.length === 1) {
        sum.plain++;
        sum.false += repeats.length;
        return;
      }
      sum.wanted++;
      const right = repeats.some(
        (one: Fold) =>
          one.from <= 4 && one.from + one.length >= 4 + length - ending && one.length === length && one.times === 2,
      );
      if (right) sum.found++;
      sum.false += repeats.length - Number(right);
    });
  }
  return sum;
}

if (process.argv[1]?.endsWith('page.ts')) {
  const keys = measureKeys([1, 2]);
  console.log(
    'keys',
    percent(keys.piecesRight, keys.pieces),
    'changing',
    percent(keys.barsRight, keys.bars),
    percent(keys.changingRight, keys.changing),
    keys.changing,
  );
  const chromatic = measureChromatic();
  console.log('chromatic', percent(chromatic.right, chromatic.notes));
  for (const [name, [right, notes]] of chromatic.byName) console.log('  ', name, percent(right, notes));
  const clefs = measureClefs([1, 2, 3]);
  console.log('clefs', percent(clefs.right, clefs.bars));
  for (const jitter of [0, 12]) console.log('repeats', jitter, measureRepeats([1, 2], jitter));
}
