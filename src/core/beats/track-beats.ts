/*
 * Even beats in free playing.
 *
 * Beats are struck mostly, and go on evenly mostly. A path through the onsets says which of them are beats: from one onset to
 * a later one lie one to four beats, those between are silent. It is paid for what stands out, for going on as it went or as
 * it went before a slowing, and for what lies between beats lying on parts of them; a best path is found by dynamic programming over
 * onsets and periods. (After Dixon, Automatic extraction of tempo and beat from expressive performances, 2001, and Ellis,
 * Beat tracking by dynamic programming, 2007; from memory.)
 *
 *     onsets   x   x x x    x   x x     x
 *     beats    |   |   |    |   |       |       between the last two one is silent
 */
import { firstNotBefore, upperMedian } from '../base';
import type { Seconds } from '../time';
import { bendCost, EARNED, misfit, MOST_SILENT, SILENT } from './beat-costs';
import type { Onset } from './onsets';

export interface BeatOptions {
  /** Beats that were tapped one after the other: nearly where they are, and as long as they are. */
  anchors?: readonly Seconds[];
  /** Single beats that were set right: exactly where they are. */
  placed?: readonly Seconds[];
  /** The period is sought about this one; found when absent. */
  period?: Seconds;
}

export interface FoundBeats {
  /** Rising. */
  beats: Seconds[];
  /** Where beats are of two and three pulses: those, which are even. */
  uneven?: Uneven;
  /** The middle of the periods. */
  period: Seconds;
  /** What the path is worth a second, to compare levels. */
  worth: number;
}

/** Even pulses below beats of uneven length. */
export interface Uneven {
  pulses: Seconds[];
  /** Pulses of each beat of a bar: 3 + 2. */
  groups: number[];
  /** Indexes of the pulses that begin a bar, rising. */
  downbeats: number[];
  /** How clear the bars are, as of {@link FoundBars.evidence}. */
  evidence: number;
}

/** Fastest and slowest beat. */
const SHORTEST: Seconds = 0.24;
const LONGEST: Seconds = 1.7;
/** People count at about this pace, an octave of tempo more or less (from memory of tapping studies). */
const USUAL_PERIOD: Seconds = 0.58;
/** How fast the pace one comes back to follows the beats. */
const FOLLOWS = 0.12;
/** What it costs to be far from the pace that is tried, and one that people seldom count at. */
const OFF_CENTRE = 0.087;
const UNUSUAL = 0.6;
const STATES = 24;
const ANCHORED = 4;
const AT_ANCHOR: Seconds = 0.09;

interface State {
  period: Seconds;
  /** The pace one comes back to: a slow mean of the periods. */
  pace: Seconds;
  score: number;
  from: { onset: number; state: number };
  /** Beats since then. */
  steps: number;
}

/** Even beats of several levels of pace; the best first. Empty where there is nothing to count. */
export function trackBeats(played: readonly Onset[], options: BeatOptions = {}): FoundBeats[] {
  const { anchors = [], placed = [], period } = options;
  const known = [...anchors, ...placed];
  const onsets = withAnchors(played, known);
  if (onsets.length < 4) return [];
  const tapped = anchors.length >= 2 ? upperMedian(steps(anchors)) : undefined;
  const centre = period ?? tapped;
  const centres = centre ? [centre] : [0.33, 0.46, USUAL_PERIOD, 0.8, 1.1];
  const found = centres.flatMap((one) => track(onsets, one, centre !== undefined, known) ?? []);
  const different: FoundBeats[] = [];
  for (const one of found.sort((a, b) => b.worth - a.worth))
    if (!different.some((other) => Math.abs(Math.log2(other.period / one.period)) < 0.15)) different.push(one);
  return different.map((one) => ({ ...one, beats: withPlaced(one.beats, placed) }));
}

/** The beat next to a place that was set is there. */
export function withPlaced(beats: readonly Seconds[], placed: readonly Seconds[]): Seconds[] {
  const moved = [...beats];
  for (const at of placed) {
    const next = firstNotBefore(moved, at, (beat) => beat);
    const nearest = next > 0 && (next === moved.length || at - moved[next - 1]! < moved[next]! - at) ? next - 1 : next;
    const [before, after] = [moved[nearest - 1] ?? -Infinity, moved[nearest + 1] ?? Infinity];
    if (at > before && at < after) moved[nearest] = at;
  }
  return moved;
}

const steps = (times: readonly Seconds[]) => times.slice(1).map((time, i) => time - times[i]!);

/** Beats that are known count, also where nothing is struck. */
function withAnchors(onsets: readonly Onset[], anchors: readonly Seconds[]): Onset[] {
  const silent = anchors
    .filter((anchor) => !onsets.some(({ at }) => Math.abs(at - anchor) < AT_ANCHOR))
    .map((at): Onset => ({ at, accent: 0, loud: 0, bass: null, keys: [], drums: [], length: 0 }));
  return [...onsets, ...silent].sort((a, b) => a.at - b.at);
}

function track(
  onsets: readonly Onset[],
  centre: Seconds,
  known: boolean,
  anchors: readonly Seconds[],
): FoundBeats | null {
  const width = known ? 0.25 : 0.5;
  const states: State[][] = [];
  let first = 0;
  const reach = LONGEST * (MOST_SILENT + 1);
  for (let i = 0; i < onsets.length; i++) {
    const here = onsets[i]!;
    const anchored = anchors.some((anchor) => Math.abs(anchor - here.at) < AT_ANCHOR);
    const worth = here.accent + EARNED + (anchored ? ANCHORED : 0);
    while (here.at - onsets[first]!.at > reach) first++;
    const list: State[] = [];
    for (let j = first; j < i; j++)
      for (let n = 1; n <= MOST_SILENT + 1; n++) {
        const period = (here.at - onsets[j]!.at) / n;
        const away = Math.log2(period / centre) / width;
        if (period < SHORTEST || period > LONGEST || Math.abs(away) > 1.6) continue;
        const earned = worth * periodWeight(period);
        const paid = SILENT * (n - 1) + OFF_CENTRE * away * away * n + misfit(onsets, j, i, period);
        const begins = onsets[j]!.accent - 1.5 - 0.6 * (onsets[j]!.at - onsets[0]!.at);
        list.push(bestStep(states[j]!, { onset: j, period, n, gain: earned - paid, begins }));
      }
    states.push(list.sort((a, b) => b.score - a.score).slice(0, STATES));
  }
  return bestPath(onsets, states);
}

interface Stride {
  /** Where it comes from. */
  onset: number;
  period: Seconds;
  /** Beats it takes. */
  n: number;
  gain: number;
  /** What it is worth to begin there, at any pace. */
  begins: number;
}

/** The best way to a beat from the states of an earlier one. */
function bestStep(from: readonly State[], { onset, period, n, gain, begins }: Stride): State {
  let best: State = { period, pace: period, score: begins + gain, from: { onset, state: -1 }, steps: n };
  for (const [state, before] of from.entries()) {
    // The states are in order: none after this one is worth more, however evenly it goes on.
    if (before.score + gain <= best.score) break;
    const score = before.score + gain - bendCost(period, before.period, before.pace, n);
    if (score > best.score)
      best = { period, pace: followed(before.pace, period, n), score, from: { onset, state }, steps: n };
  }
  return best;
}

/** The pace after a stride of so many beats. */
const followed = (pace: Seconds, period: Seconds, beats: number): Seconds =>
  pace * (period / pace) ** Math.min(1, FOLLOWS * beats);

/** Slow beats may earn as much in the same time as fast ones. */
const periodWeight = (period: Seconds) => Math.sqrt(period / USUAL_PERIOD);

function bestPath(onsets: readonly Onset[], states: readonly State[][]): FoundBeats | null {
  const end = onsets.at(-1)!.at;
  let best: { onset: number; state: number; score: number } | null = null;
  states.forEach((list, onset) =>
    list.forEach(({ score }, state) => {
      // What is left uncounted at the end is paid for.
      const whole = score - 0.6 * (end - onsets[onset]!.at);
      if (!best || whole > best.score) best = { onset, state, score: whole };
    }),
  );
  const last = best as { onset: number; state: number; score: number } | null;
  if (!last) return null;
  const times: Seconds[] = [onsets[last.onset]!.at];
  for (let { onset, state } = last; state >= 0;) {
    const { from, steps: n } = states[onset]![state]!;
    const [late, early] = [onsets[onset]!.at, onsets[from.onset]!.at];
    for (let k = 1; k <= n; k++) times.push(late - ((late - early) * k) / n);
    ({ onset, state } = from);
  }
  const beats = completed(times.reverse(), onsets);
  const period = upperMedian(steps(beats));
  const prior = UNUSUAL * Math.log2(period / USUAL_PERIOD) ** 2;
  return { beats, period, worth: last.score / Math.max(1, end - onsets[0]!.at) - prior };
}

/** On to the first and the last onset at the pace that is there. */
function completed(beats: readonly Seconds[], onsets: readonly Onset[]): Seconds[] {
  const [first, last] = [onsets[0]!.at, onsets.at(-1)!.at];
  const all = [...beats];
  const begin = all[1]! - all[0]!;
  while (all[0]! - begin > first - AT_ANCHOR) all.unshift(all[0]! - begin);
  const end = all.at(-1)! - all.at(-2)!;
  while (all.at(-1)! + end < last + AT_ANCHOR) all.push(all.at(-1)! + end);
  return all;
}
