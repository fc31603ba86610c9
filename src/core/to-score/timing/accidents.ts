/*
 * Places finer than a thirty-second that a file has exactly and nobody meant: a lone note eight ticks before its beat, a chord
 * spread by a few ticks. Such a place needs neighbours that use it, as a run or a tuplet has.
 *
 *     ticks   0 40        96 …      a lone strike on a 24th of its beat: played, not drawn
 *             0 8 16 (held)         a spread chord
 *             0 12 24 36 48 …       a run: kept
 */
import { groupBy } from '../../base';
import type { PlayedNote } from '../../performance';
import { QUARTER, type Ticks, type WrittenUnits } from '../../time';
import { beatIndexAt, type BeatLine } from './beats';

/** Parts of a beat that stand by themselves: thirty-seconds of a quarter, and their triplets. */
const COARSE = [1, 2, 3, 4, 6, 8, 12];
/** Tuplets that need most of their notes. */
const TUPLETS = [5, 7, 9, 10, 14];
const LEAST_IN_TUPLET = 3;
/** So many strikes at one distance are a run. */
const LEAST_IN_RUN = 4;
/** Notes of a spread chord follow each other no later. */
const SPREAD: WrittenUnits = QUARTER / 10;

interface Strike {
  tick: Ticks;
  place: WrittenUnits;
  /** Until when one of its notes sounds. */
  until: Ticks;
  fine: boolean;
}

/** @param places exact ones by tick, of one track @returns those that were meant */
export function withoutAccidents(
  places: ReadonlyMap<Ticks, WrittenUnits>,
  notes: readonly PlayedNote[],
  line: BeatLine,
): ReadonlyMap<Ticks, WrittenUnits> {
  const isFine = (place: WrittenUnits) => !isPlain(place, line);
  if (![...places.values()].some(isFine)) return places;
  const until = new Map<Ticks, Ticks>();
  for (const { start, end } of notes) until.set(start, Math.max(until.get(start) ?? 0, end));
  const strikes = [...places]
    .map(([tick, place]): Strike => ({ tick, place, until: until.get(tick) ?? tick, fine: isFine(place) }))
    .sort((a, b) => a.tick - b.tick);
  const dropped = new Set([...loneStrikes(strikes, line), ...spreadChords(strikes, line)]);
  return new Map([...places].filter(([tick]) => !dropped.has(tick)));
}

/** Fine places that no run and no tuplet uses. */
function loneStrikes(strikes: readonly Strike[], line: BeatLine): Ticks[] {
  const byBeat = groupBy(strikes, ({ place }) => beatIndexAt(line, place));
  return strikes.flatMap((strike, s) => {
    if (!strike.fine) return [];
    const alike = byBeat.get(beatIndexAt(line, strike.place))!.filter(({ fine }) => fine);
    const tuplet = TUPLETS.some(
      (division) => alike.filter(({ place }) => isOn(place, division, line)).length >= LEAST_IN_TUPLET,
    );
    return tuplet || isInRun(strikes, s) ? [] : [strike.tick];
  });
}

/** It and its neighbours follow each other at one distance, each let go before the next but one. */
function isInRun(strikes: readonly Strike[], at: number): boolean {
  const distances = [strikes[at + 1], strikes[at - 1]].flatMap((other) =>
    other ? [Math.abs(other.place - strikes[at]!.place)] : [],
  );
  return distances.some((distance) => {
    let [first, last] = [at, at];
    const follows = (a: Strike | undefined, b: Strike | undefined) =>
      a !== undefined && b !== undefined && b.place - a.place === distance && a.until <= b.tick + (b.tick - a.tick) / 2;
    while (follows(strikes[first - 1], strikes[first])) first--;
    while (follows(strikes[last], strikes[last + 1])) last++;
    return last - first + 1 >= LEAST_IN_RUN;
  });
}

/** All but the first of several strikes close together that sound on together, one of them on a fine place. */
function spreadChords(strikes: readonly Strike[], line: BeatLine): Ticks[] {
  const spread = SPREAD / line.unitsPerTick;
  const dropped: Ticks[] = [];
  for (let first = 0; first < strikes.length;) {
    let last = first;
    while (strikes[last + 1] && strikes[last + 1]!.tick - strikes[last]!.tick <= spread) last++;
    const chord = strikes.slice(first, last + 1);
    const end = chord.at(-1)!.tick;
    const held = chord.every(({ until }) => until > end + spread);
    if (chord.length > 1 && held && chord.some(({ fine }) => fine))
      dropped.push(...chord.slice(1).map(({ tick }) => tick));
    first = last + 1;
  }
  return dropped;
}

/** On a thirty-second or the like, of its beat or, whatever the beat is, of a quarter. */
function isPlain(place: WrittenUnits, line: BeatLine): boolean {
  return COARSE.some((division) => isOn(place, division, line) || (inBeat(place, line) * division) % QUARTER === 0);
}

function isOn(place: WrittenUnits, division: number, line: BeatLine): boolean {
  return (inBeat(place, line) * division) % line.beats[beatIndexAt(line, place)]!.length === 0;
}

const inBeat = (place: WrittenUnits, line: BeatLine) => place - line.beats[beatIndexAt(line, place)]!.start;
