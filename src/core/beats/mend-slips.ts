/*
 * A beat too many or too few where the playing slows: all bars after it would begin a beat beside where they do. It shows
 * as one bar of another length among bars of the same; where as many beats as the others have go nearly as well between its
 * barlines, it has those.
 *
 *     beats    |   |   |   |  |    |    |    |     |  | | | |   |   |   |
 *     bars     4               4                   5            4
 *     mended   |   |   |   |  |    |    |    |     |   |    |    |   |   |   |
 */
import { firstNotBefore } from '../base';
import type { Seconds } from '../time';
import { bendCost, EARNED, misfit, MOST_SILENT, SILENT } from './beat-costs';
import { featuresOf } from './beat-features';
import type { Onset } from './onsets';
import { bestWay } from './part-beats';

/** What other beats may cost more than those that were found. */
const DEARER = 2.5;
/** A beat is struck by an onset this near. */
const STRUCK: Seconds = 0.05;
/** A bar of more is left as it is. */
const MOST_ONSETS = 80;
/** Ways to each place that are kept. */
const KEPT = 6;

/** Beats, and where one more or one less was counted than is there now. */
export interface Mended {
  beats: Seconds[];
  slips: Slip[];
}

export interface Slip {
  /** The downbeat of its bar. */
  at: Seconds;
  was: 'too many' | 'too few';
}

/**
 * @param length beats of a bar
 * @param tapped beats that were tapped: bars that hold one stay as they are
 * @returns as many beats in each bar as in the others where it was a slip
 */
export function mendSlips(
  beats: readonly Seconds[],
  onsets: readonly Onset[],
  length: number,
  tapped: readonly Seconds[] = [],
): Mended {
  // In bars of two an odd one says little.
  const usual = length === 2 ? 4 : length;
  const { downbeats } = bestWay(featuresOf(beats, onsets), [usual, usual - 1, usual + 1]);
  const sizes = downbeats.map((bar, i) => (downbeats[i + 1] ?? bar) - bar);
  const mended: Mended = { beats: beats.slice(0, downbeats[0]), slips: [] };
  downbeats.forEach((bar, i) => {
    const end = downbeats[i + 1] ?? beats.length;
    const slip = sizes[i - 1] === usual && sizes[i + 1] === usual && Math.abs(sizes[i]! - usual) === 1;
    const said = tapped.some((at) => at >= beats[bar]! - STRUCK && at < (beats[end] ?? Infinity) - STRUCK);
    const instead = slip && !said ? evened(beats, bar, end, usual, onsets) : null;
    mended.beats.push(...(instead ?? beats.slice(bar, end)));
    if (instead) mended.slips.push({ at: beats[bar]!, was: end - bar > usual ? 'too many' : 'too few' });
  });
  return mended;
}

/** So many beats from one beat to another; null where those that are there go better. */
function evened(
  beats: readonly Seconds[],
  bar: number,
  end: number,
  count: number,
  onsets: readonly Onset[],
): Seconds[] | null {
  const [first, last] = [onsetAt(onsets, beats[bar]!), onsetAt(onsets, beats[end]!)];
  if (first === null || last === null || last - first > MOST_ONSETS) return null;
  const span = { first, last, before: beats[bar]! - beats[bar - 1]!, after: beats[end + 1]! - beats[end]! };
  const wanted = cheapestWay(onsets, span, count);
  const found = cheapestWay(onsets, span, end - bar);
  if (!wanted || (found && wanted.cost > found.cost + DEARER)) return null;
  return [beats[bar]!, ...wanted.beats.slice(0, -1)];
}

function onsetAt(onsets: readonly Onset[], time: Seconds): number | null {
  const first = firstNotBefore(onsets, time - STRUCK, ({ at }) => at);
  return onsets[first] && onsets[first].at <= time + STRUCK ? first : null;
}

interface Span {
  /** Onsets that are downbeats. */
  first: number;
  last: number;
  /** Periods of the beats before and after. */
  before: Seconds;
  after: Seconds;
}

interface Way {
  cost: number;
  period: Seconds;
  /** After the first one. */
  beats: Seconds[];
}

/** The cheapest way over so many beats, as of the costs of a whole path; null where there is none. */
function cheapestWay(onsets: readonly Onset[], { first, last, before, after }: Span, count: number): Way | null {
  // By onset and by the beats that were counted until there.
  const ways = new Map<string, Way[]>([[`${first} 0`, [{ cost: 0, period: before, beats: [] }]]]);
  for (let to = first + 1; to <= last; to++)
    for (let from = first; from < to; from++)
      for (let counted = 0; counted < count; counted++)
        for (const way of ways.get(`${from} ${counted}`) ?? [])
          for (let n = 1; n <= Math.min(MOST_SILENT + 1, count - counted); n++) {
            if ((to === last) !== (counted + n === count)) continue;
            keep(ways, `${to} ${counted + n}`, stride(onsets, way, { from, to, n, pace: before }));
          }
  const ends = (ways.get(`${last} ${count}`) ?? []).map((way) => ({
    ...way,
    cost: way.cost + bendCost(after, way.period, before, 1),
  }));
  return ends.sort((a, b) => a.cost - b.cost)[0] ?? null;
}

/** A way, longer by a stride of some beats. */
function stride(
  onsets: readonly Onset[],
  way: Way,
  { from, to, n, pace }: { from: number; to: number; n: number; pace: Seconds },
): Way {
  const period = (onsets[to]!.at - onsets[from]!.at) / n;
  const paid = SILENT * (n - 1) + misfit(onsets, from, to, period) + bendCost(period, way.period, pace, n);
  const beats = Array.from({ length: n }, (_, i) => onsets[from]!.at + (i + 1) * period);
  return { cost: way.cost + paid - EARNED - onsets[to]!.accent, period, beats: [...way.beats, ...beats] };
}

function keep(ways: Map<string, Way[]>, place: string, way: Way): void {
  const there = [...(ways.get(place) ?? []), way].sort((a, b) => a.cost - b.cost).slice(0, KEPT);
  ways.set(place, there);
}
