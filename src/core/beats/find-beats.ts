/*
 * Beats in free playing.
 *
 * Beats are struck mostly, and go on evenly mostly. A path through the onsets says which of them are beats: from one onset to
 * a later one lie one to four beats, those between are silent. It is paid for what stands out, and for going on as it went;
 * a best path is found by dynamic programming over onsets and periods. (After Dixon, Automatic extraction of tempo and beat
 * from expressive performances, 2001, and Ellis, Beat tracking by dynamic programming, 2007; from memory.)
 *
 *     onsets   x   x x x    x   x x     x
 *     beats    |   |   |    |   |       |       between the last two one is silent
 */
import { firstNotBefore, upperMedian } from '../base';
import type { Seconds } from '../time';
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
  /** The middle of the periods. */
  period: Seconds;
  /** What the path is worth a second, to compare levels. */
  worth: number;
}

/** Fastest and slowest beat. */
const SHORTEST: Seconds = 0.24;
const LONGEST: Seconds = 1.7;
/** People count at about this pace, an octave of tempo more or less (from memory of tapping studies). */
const USUAL_PERIOD: Seconds = 0.58;
/** What an uneven step costs, by the square of its octaves. */
const UNEVEN = 30;
/** Octaves of tempo up to which it does; beyond them it costs by their size. */
const BENT = 0.2;
/** What a beat on which nothing is struck costs. */
const SILENT = 0.3;
const MOST_SILENT = 3;
/** What a beat earns whatever it is on: held notes have few that stand out. */
const EARNED = 0.12;
const STATES = 24;
const ANCHORED = 4;
const AT_ANCHOR: Seconds = 0.09;

interface State {
  period: number;
  score: number;
  from: { onset: number; state: number } | null;
  /** Beats since then. */
  steps: number;
}

/** The beats of several levels of pace; the best first. Empty where there is nothing to count. */
export function findBeats(played: readonly Onset[], options: BeatOptions = {}): FoundBeats[] {
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
function withPlaced(beats: readonly Seconds[], placed: readonly Seconds[]): Seconds[] {
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
    .map((at): Onset => ({ at, accent: 0, bass: null, keys: [], drums: [], length: 0 }));
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
    const worth =
      here.accent + EARNED + (anchors.some((anchor) => Math.abs(anchor - here.at) < AT_ANCHOR) ? ANCHORED : 0);
    while (here.at - onsets[first]!.at > reach) first++;
    const list: State[] = [];
    for (let j = first; j < i; j++) {
      const gap = here.at - onsets[j]!.at;
      for (let n = 1; n <= MOST_SILENT + 1; n++) {
        const period = gap / n;
        if (period < SHORTEST || period > LONGEST) continue;
        const away = Math.log2(period / centre) / width;
        if (Math.abs(away) > 1.6) continue;
        const fixed = worth * periodWeight(period) - SILENT * (n - 1) - 0.05 * away * away * n;
        let best: State | null = null;
        states[j]!.forEach((before, s) => {
          const bend = Math.log2(period / before.period);
          const score = before.score + fixed - uneven(bend) * Math.min(1, 1.4 / n);
          if (!best || score > best.score) best = { period, score, from: { onset: j, state: s }, steps: n };
        });
        // It may begin here, at any pace.
        const begun = fixed + onsets[j]!.accent - 1.5 - 0.6 * (onsets[j]!.at - onsets[0]!.at);
        if (!best || begun > (best as State).score)
          best = { period, score: begun, from: { onset: j, state: -1 }, steps: n };
        list.push(best);
      }
    }
    states.push(list.sort((a, b) => b.score - a.score).slice(0, STATES));
  }
  return bestPath(onsets, states);
}

/** Small changes cost by their square; a tempo taken up again after a slowing costs no more than it must. */
function uneven(bend: number): number {
  const size = Math.abs(bend);
  return UNEVEN * (size < BENT ? size * size : BENT * (2 * size - BENT));
}

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
    const [late, early] = [onsets[onset]!.at, onsets[from!.onset]!.at];
    for (let k = 1; k <= n; k++) times.push(late - ((late - early) * k) / n);
    ({ onset, state } = from!);
  }
  const beats = completed(times.reverse(), onsets);
  const period = upperMedian(steps(beats));
  const prior = 0.35 * Math.log2(period / USUAL_PERIOD) ** 2;
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
