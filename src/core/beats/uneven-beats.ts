/*
 * Bars of five and seven, counted in beats of two and three: such beats are not as long as each other, so that no even beat
 * fits. Even is the pulse below them, and what stands out on it comes back after five or seven.
 *
 *     pulses      x . . x .  x . . x .  x . . x .      x stands out
 *     beats       |     |    |     |    |     |        3 + 2, 3 + 2 …
 *
 * Which bars: the place within five or seven must tell far more than that within any even bar (`pulses.ts`). Lengths, price
 * of a slip and thresholds are our own.
 */
import { upperMedian } from '../base';
import type { Seconds } from '../time';
import { findBars } from './find-bars';
import type { Onset } from './onsets';
import { pulsesBelow, type Pulse } from './pulses';
import { tellingOf } from './telling';
import type { FoundBeats, Uneven } from './track-beats';

const UNEVEN_BARS = [5, 7] as const;
type Length = (typeof UNEVEN_BARS)[number];
/** Bars that pulses could be counted in otherwise. */
const EVEN_BARS = [2, 3, 4, 6, 8] as const;
/** Each way a bar is counted in twos and threes. */
const GROUPS: Readonly<Record<Length, readonly (readonly number[])[]>> = {
  5: [
    [3, 2],
    [2, 3],
  ],
  7: [
    [2, 2, 3],
    [3, 2, 2],
    [2, 3, 2],
  ],
};
const SLOWEST_PULSE: Seconds = 0.5;
/** What the place within a bar must tell, and how much more than places within even bars do. */
const TELLING = 0.24;
const TELLS_MORE = 0.22;
/** So much more a beat of three may stand out than the one that begins the bar. */
const LONGER = 0.75;

/** Five or seven, where the place within so many pulses tells far more than that within even bars; and how much. */
export function unevenLength(marks: readonly number[]): { length: Length; tells: number } | null {
  const even = Math.max(...EVEN_BARS.map((length) => tellingOf(marks, length)));
  return UNEVEN_BARS.reduce<{ length: Length; tells: number } | null>((best, length) => {
    const tells = tellingOf(marks, length);
    return tells > TELLING && tells - even > TELLS_MORE && tells > (best?.tells ?? 0) ? { length, tells } : best;
  }, null);
}

/** @param levels even beats of several paces, the best first; @returns null where the music is counted evenly */
export function unevenBeats(levels: readonly FoundBeats[], onsets: readonly Onset[]): FoundBeats | null {
  let found: { pulse: Pulse; length: Length; tells: number } | null = null;
  for (const pulse of pulsesBelow(levels, onsets, SLOWEST_PULSE)) {
    const bars = unevenLength(pulse.marks);
    if (bars && bars.tells > (found?.tells ?? 0)) found = { pulse, ...bars };
  }
  return found && grouped(found.pulse, found.length, onsets);
}

function grouped({ level, marks }: Pulse, length: Length, onsets: readonly Onset[]): FoundBeats {
  const pulses = level.beats;
  // Where a pulse slipped, a bar is one shorter or longer.
  const uneven = unevenBars(pulses, marks, onsets, [length, length - 1, length + 1]);
  const beats = beatsOfGroups(uneven);
  const periods = beats.slice(1).map((beat, i) => beat - beats[i]!);
  return { beats, period: upperMedian(periods), worth: level.worth, uneven };
}

/** @param lengths of bars, the usual one first */
export function unevenBars(
  pulses: Seconds[],
  marks: readonly number[],
  onsets: readonly Onset[],
  lengths: readonly [Length, ...number[]],
): Uneven {
  const { downbeats, evidence } = findBars(pulses, onsets, [], lengths);
  return { pulses, ...begunAtOnce(marks, downbeats, groupsOf(marks, downbeats, lengths[0])), evidence };
}

/** How much a place within the bars stands out on average. */
function standsOut(marks: readonly number[], downbeats: readonly number[], place: number): number {
  return downbeats.reduce((sum, first) => sum + (marks[first + place] ?? 0), 0) / Math.max(1, downbeats.length);
}

/** The twos and threes whose first pulses stand out most. */
function groupsOf(marks: readonly number[], downbeats: readonly number[], length: Length): readonly number[] {
  const of = (groups: readonly number[]) =>
    beginsOf(groups).reduce((sum, place) => sum + standsOut(marks, downbeats, place), 0) / groups.length;
  return [...GROUPS[length]].sort((a, b) => of(b) - of(a))[0]!;
}

/**
 * A beat of three is longer and stands out for that alone: where the music begins with another beat that stands out nearly
 * as much, that one begins the bars.
 */
function begunAtOnce(
  marks: readonly number[],
  downbeats: readonly number[],
  groups: readonly number[],
): Pick<Uneven, 'groups' | 'downbeats'> {
  const [first = 0] = downbeats;
  const length = groups.reduce((sum, group) => sum + group, 0);
  const turn = beginsOf(groups).findIndex(
    (place) =>
      first + place - length >= 0 &&
      first + place - length < Math.min(...groups) &&
      standsOut(marks, downbeats, place) > standsOut(marks, downbeats, 0) - LONGER,
  );
  if (turn < 0) return { groups: [...groups], downbeats: [...downbeats] };
  const place = beginsOf(groups)[turn]!;
  return {
    groups: [...groups.slice(turn), ...groups.slice(0, turn)],
    downbeats: [first - length, ...downbeats].map((bar) => bar + place).filter((pulse) => pulse < marks.length),
  };
}

/** Where the groups of a bar begin: 0, 3. */
function beginsOf(groups: readonly number[]): number[] {
  let at = 0;
  return groups.map((group) => (at += group) - group);
}

/** The pulses that begin groups; those before the first bar are the end of one. */
function beatsOfGroups({ pulses, groups, downbeats }: Uneven): Seconds[] {
  const length = groups.reduce((sum, group) => sum + group, 0);
  const begins = beginsOf(groups);
  const first = downbeats[0] ?? 0;
  return [first - length, ...downbeats].flatMap((bar, i) => {
    // Where a pulse slipped, a bar is one shorter or longer.
    const end = downbeats[i] ?? Infinity;
    return begins.flatMap((place) => (bar + place < end ? (pulses[bar + place] ?? []) : []));
  });
}
