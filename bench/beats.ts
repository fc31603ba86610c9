/*
 * Beats, bars and values of music played without bars: the corpora, played freely into a file of one tempo. The truth is the
 * score's own beats at the seconds they were played.
 */
import { barsOfEighths, findBars, findBeats, followBeats, onsetsOf, withTimeOf, type Onset } from '../src/core/beats';
import { performanceFromSmf, type Performance } from '../src/core/performance';
import { readSmf } from '../src/core/smf';
import { NO_FREE_TIME, NO_SETTINGS } from '../src/core/settings';
import { beatsOfBar, layBars, QUARTER, type Seconds } from '../src/core/time';
import { corpus } from './corpus';
import { toScore } from '../src/core/to-score';
import { genres } from './genres';
import { measure } from './measure';
import { seeded } from './random';
import { EXACT_TAKES, playTake, type Take } from './takes';

export const FREE_TAKES = ['lightly free', 'rubato'] as const;
export type FreeTake = (typeof FREE_TAKES)[number];

/** Jitter as of the other tables' people. */
const HAND: Take = { name: 'free', manner: { release: 0.92, spread: 6, jitter: 8, drift: 9, accents: 16 } };

export interface FreelyPlayed {
  performance: Performance;
  /** True beats, and those that begin bars, in seconds. */
  beats: Seconds[];
  downbeats: Seconds[];
  beatsPerBar: number;
  /** Of bars whose beats are not as long as each other, 5/8 and 7/8: the eighths, and how many make a bar. */
  uneven: { eighths: Seconds[]; perBar: number } | null;
}

type Piece = ReturnType<typeof corpus>[number] | ReturnType<typeof genres>[number];

/** A tempo for each beat: it wanders, breathes with phrases of eight bars, and slows at their ends in rubato. */
export const playFreely = (piece: Piece, how: FreeTake, seed: number): FreelyPlayed =>
  freed(performanceFromSmf(readSmf(playTake(piece, HAND, seed))), how, seed);

/** What was played to the file’s beats, played freely. */
export function freed(performance: Performance, how: FreeTake, seed: number): FreelyPlayed {
  const units = (performance.lastNoteEnd / performance.ticksPerQuarter) * QUARTER;
  const bars = layBars(performance.meters, Math.max(1, units));
  const beats = bars.flatMap((bar) => beatsOfBar(bar));
  const pace = paceOf(how, seed);
  const pulse = 60 / 96;
  let at = 0.4;
  let [start, length] = [0, QUARTER];
  const seconds = new Map<number, Seconds>();
  const places: { from: number; at: Seconds; perUnit: number }[] = [];
  beats.forEach((beat, i) => {
    [start, length] = [beat.start, beat.length];
    seconds.set(start, at);
    const lasts = (pulse * length * pace(i)) / QUARTER;
    places.push({ from: start, at, perUnit: lasts / length });
    at += lasts;
  });
  const toSeconds = (place: number): Seconds => {
    const here = places.findLast(({ from }) => from <= place) ?? places[0]!;
    return here.at + (place - here.from) * here.perUnit;
  };
  // Into a file of one tempo, as a recording arrives: 120, 960 ticks.
  const tick = (t: number) =>
    Math.max(0, Math.round(toSeconds((t / performance.ticksPerQuarter) * QUARTER) * 2 * performance.ticksPerQuarter));
  const free: Performance = {
    ...performance,
    meters: [],
    tracks: performance.tracks.map((track) => ({
      ...track,
      notes: track.notes.map((note) => {
        const from = tick(note.start);
        return { ...note, start: from, end: Math.max(from + 1, tick(note.end)) };
      }),
    })),
    lastNoteEnd: tick(performance.lastNoteEnd),
  };
  const last = Math.max(...free.tracks.flatMap(({ notes }) => notes.map((note) => note.start)));
  const end = last / 2 / performance.ticksPerQuarter + 0.1;
  const within = (list: Seconds[]) => list.filter((time) => time <= end);
  const usual = bars.find((one) => !one.implicit) ?? bars[0]!;
  const bar = beatsOfBar(usual);
  const eighths = () =>
    beats.flatMap(({ start, length }) =>
      Array.from({ length: (2 * length) / QUARTER }, (_, i) => toSeconds(start + (i * QUARTER) / 2)),
    );
  return {
    performance: { ...free, tempo: oneTempo(free.tempo) },
    beats: within(beats.map((beat) => seconds.get(beat.start)!)),
    downbeats: within(bars.filter((bar) => !bar.implicit).map((bar) => seconds.get(bar.start)!)),
    beatsPerBar: bar.length,
    uneven:
      new Set(bar.map(({ length }) => length)).size > 1
        ? { eighths: within(eighths()), perBar: (2 * usual.length) / QUARTER }
        : null,
  };
}

/** Bars where the true beats are known; the true eighths where beats are uneven. */
function barsFound({ beats, beatsPerBar, uneven }: FreelyPlayed, onsets: readonly Onset[]) {
  if (!uneven) {
    const bars = findBars(beats, onsets);
    return { right: bars.beatsPerBar === beatsPerBar, downbeats: bars.downbeats.map((n) => beats[n]!) };
  }
  const { eighths, perBar } = uneven;
  const bars = barsOfEighths(eighths, onsets);
  const begins = bars ? eighths.filter((_, i) => i >= bars.first && (i - bars.first) % bars.length === 0) : [];
  return { right: bars?.length === perBar, downbeats: begins };
}

const oneTempo = (tempo: Performance['tempo']): Performance['tempo'] => ({
  ...tempo,
  events: [{ tick: 0, microsecondsPerQuarter: 500_000 }],
  seconds: [0],
});

function paceOf(how: FreeTake, seed: number): (beat: number) => number {
  const random = seeded(seed);
  const drift: number[] = [];
  return (beat) => {
    while (drift.length <= beat)
      drift.push(0.9 * (drift.at(-1) ?? 0) + random.normal(how === 'rubato' ? 0.035 : 0.015));
    const phrase = Math.cos((2 * Math.PI * (beat % 32)) / 32);
    const breath = how === 'rubato' ? -0.13 * phrase : 0.03 * phrase;
    const ending = how === 'rubato' && beat % 32 > 28 ? 0.12 * ((beat % 32) - 28) : 0;
    return Math.exp(drift[beat]! + breath + ending);
  };
}

/** Share of both that are within 70 ms of each other (F-measure of the beat tracking literature, from memory). */
export function fMeasure(found: readonly Seconds[], truth: readonly Seconds[], within = 0.07): number {
  let hits = 0;
  let from = 0;
  for (const time of truth) {
    while (from < found.length && found[from]! < time - within) from++;
    if (from < found.length && Math.abs(found[from]! - time) <= within) {
      hits++;
      from++;
    }
  }
  return found.length + truth.length > 0 ? (2 * hits) / (found.length + truth.length) : 1;
}

export interface BeatFigures {
  pieces: number;
  /** As proposed; at the best of the paces that are offered; of a steady beat at the mean pace, from the first onset. */
  beats: number;
  offered: number;
  steady: number;
  /** With the true beats given, the true eighths where beats are uneven. */
  meters: number;
  downbeats: number;
  /** With even beats a bar given: written values right after beats are found, of those that were found to nine tenths. */
  values: number;
  followed: number;
  /** Written values right where a quantized version of the playing is in the job; notes of it that found their partner. */
  together: number;
  paired: number;
  /** Largest distance of a note from its second, over all pieces, in milliseconds. */
  shift: number;
}

/** @param every of the pieces only every so manieth */
export function measureBeats(how: FreeTake, seed: number, every = 1): BeatFigures {
  const figures: BeatFigures = {
    pieces: 0,
    beats: 0,
    offered: 0,
    steady: 0,
    meters: 0,
    downbeats: 0,
    values: 0,
    followed: 0,
    together: 0,
    paired: 0,
    shift: 0,
  };
  for (const [i, piece] of [...corpus(seed), ...genres(seed)].entries()) {
    if (i % every > 0) continue;
    const played = playFreely(piece, how, seed * 101 + i);
    const { performance, beats, downbeats, beatsPerBar, uneven } = played;
    const { values: together, paired } = besideQuantized(piece, performance, seed);
    figures.together += together;
    figures.paired += paired;
    const onsets = onsetsOf(performance);
    const found = findBeats(onsets);
    figures.pieces++;
    figures.beats += fMeasure(found[0]?.beats ?? [], beats);
    figures.offered += Math.max(0, ...found.map((one) => fMeasure(one.beats, beats)));
    const mean = (beats.at(-1)! - beats[0]!) / Math.max(1, beats.length - 1);
    figures.steady += fMeasure(
      beats.map((_, n) => onsets[0]!.at + n * mean),
      beats,
    );
    const bars = barsFound(played, onsets);
    figures.meters += bars.right ? 1 : 0;
    figures.downbeats += fMeasure(bars.downbeats, downbeats);
    const followed = followBeats(performance, { ...NO_FREE_TIME, beatsPerBar: uneven ? null : beatsPerBar });
    figures.shift = Math.max(figures.shift, followed?.following.largestShift ?? 0);
    if (!followed || fMeasure(found[0]?.beats ?? [], beats) < 0.9) continue;
    const { values, valued } = measure(toScore(followed.performance, NO_SETTINGS).score, piece).total;
    if (valued === 0) continue;
    figures.values += values / valued;
    figures.followed++;
  }
  figures.values /= Math.max(1, figures.followed);
  for (const field of ['beats', 'offered', 'steady', 'meters', 'downbeats', 'together', 'paired'] as const)
    figures[field] /= figures.pieces;
  return figures;
}

/** The same music quantized, as services of transcription deliver it beside the free one. */
function besideQuantized(piece: Piece, free: Performance, seed: number): { values: number; paired: number } {
  const quantized = performanceFromSmf(readSmf(playTake(piece, EXACT_TAKES[0]!, seed)));
  const two = withTimeOf(quantized, free);
  if (!two) return { values: 0, paired: 0 };
  const { values, valued } = measure(toScore(two.performance, NO_SETTINGS).score, piece).total;
  return { values: valued === 0 ? 1 : values / valued, paired: two.matched / (two.matched + two.missing) };
}

const percent = (share: number) => `${(share * 100).toFixed(1)} %`;

/** Rows of docs/accuracy.md: means over the seeds, and the largest shift. */
export function beatsTable(seeds: readonly number[]): string {
  const rows = FREE_TAKES.map((how) => {
    const measured = seeds.map((seed) => measureBeats(how, seed));
    const mean = (field: keyof BeatFigures) =>
      percent(measured.reduce((sum, figures) => sum + figures[field], 0) / measured.length);
    const shares = (['beats', 'offered', 'steady', 'meters', 'downbeats', 'values', 'paired', 'together'] as const).map(
      mean,
    );
    const shift = Math.max(...measured.map((figures) => figures.shift));
    return `| ${how} | ${shares.join(' | ')} | ${shift.toFixed(2)} ms |`;
  });
  return [
    '| playing | beats | at the best pace offered | a steady beat | beats to a bar | barlines | written values | paired with a quantized version | values then | largest shift |',
    '|---|---|---|---|---|---|---|---|---|---|',
    ...rows,
  ].join('\n');
}
