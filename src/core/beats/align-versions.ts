/*
 * Two versions of one music note against note: the one has the places, the other the times.
 *
 *     written   |x     x  x  x     |x           places in bars
 *     played     .  x     x x   x   . x         seconds
 *
 * Chords are aligned by dynamic programming over both sequences (Needleman & Wunsch 1970; for music Dannenberg 1984, from
 * memory) in a band around equal progress; then each note finds its partner of the same key where the chords about it
 * say that it was played.
 */
import { firstNotBefore, groupBy, median } from '../base';
import { lastNotAfter, type MidiKey, type Seconds, type WrittenUnits } from '../time';

export interface PlacedKey {
  at: WrittenUnits;
  key: MidiKey;
}

export interface TimedKey {
  at: Seconds;
  key: MidiKey;
}

export interface Alignment {
  /** Index of the played note behind each written one, or -1. */
  partner: Int32Array;
  /** The clock over the places, rising in both; at least two. */
  clock: { places: WrittenUnits[]; seconds: Seconds[] };
  /** Share of the written notes that have a partner. */
  share: number;
}

/** Notes no further apart are one chord, however it was rolled. */
const TOGETHER: Seconds = 0.04;
/** Of equal progress so much either side is looked at, in chords. */
const NARROWEST_BAND = 80;
const BAND_SHARE = 0.2;
const GAP = -0.35;
/** A partner is looked for so far around the time the chords say. */
const WINDOW: Seconds = 0.4;
/** A chord this unlike its partner says nothing about the clock. */
const ALIKE = 0.5;

interface Chord {
  at: number;
  keys: Set<MidiKey>;
}

/** @returns null where hardly anything is common */
export function alignVersions(written: readonly PlacedKey[], played: readonly TimedKey[]): Alignment | null {
  const places = chordsOf(written, 0);
  const times = chordsOf(played, TOGETHER);
  if (places.length < 2 || times.length < 2) return null;
  const clock = clockOf(places, times, alignChords(places, times));
  if (clock.places.length < 2) return null;
  const partner = partners(written, played, clock);
  const found = partner.reduce((sum, one) => sum + Number(one >= 0), 0);
  return { partner, clock, share: found / written.length };
}

/** When a place comes; before the first and after the last one the pace there goes on. */
export function secondsAtPlace({ places, seconds }: Alignment['clock'], at: WrittenUnits): Seconds {
  const i = Math.min(lastNotAfter(places, at), places.length - 2);
  const share = (at - places[i]!) / (places[i + 1]! - places[i]!);
  return seconds[i]! + share * (seconds[i + 1]! - seconds[i]!);
}

function chordsOf(notes: readonly { at: number; key: MidiKey }[], together: number): Chord[] {
  const chords: Chord[] = [];
  for (const { at, key } of [...notes].sort((a, b) => a.at - b.at)) {
    const last = chords.at(-1);
    if (last && at - last.at <= together) last.keys.add(key);
    else chords.push({ at, keys: new Set([key]) });
  }
  return chords;
}

function likeness(a: Chord, b: Chord): number {
  let common = 0;
  for (const key of a.keys) if (b.keys.has(key)) common++;
  return common / Math.max(a.keys.size, b.keys.size);
}

/** @returns pairs of indexes, rising in both */
function alignChords(a: readonly Chord[], b: readonly Chord[]): [number, number][] {
  const band = Math.ceil(Math.max(NARROWEST_BAND, BAND_SHARE * Math.max(a.length, b.length)));
  const width = 2 * band + 1;
  const first = (i: number) => Math.round((i * b.length) / a.length) - band;
  const cost = new Float32Array((a.length + 1) * width).fill(-Infinity);
  // 1: both go on, 2: the written one alone, 3: the played one alone.
  const step = new Uint8Array(cost.length);
  const cell = (i: number, j: number) => {
    const column = j - first(i);
    return column < 0 || column >= width || j < 0 || j > b.length ? -1 : i * width + column;
  };
  for (let i = 0; i <= a.length; i++)
    for (let j = Math.max(0, first(i)); j <= Math.min(b.length, first(i) + width - 1); j++) {
      const here = cell(i, j);
      if (i === 0 && j === 0) cost[here] = 0;
      const take = (from: number, gain: number, kind: number) => {
        if (from >= 0 && cost[from]! + gain > cost[here]!) {
          cost[here] = cost[from]! + gain;
          step[here] = kind;
        }
      };
      if (i > 0) take(cell(i - 1, j), GAP, 2);
      // What was played before anything that is written costs nothing, nor what comes after.
      if (j > 0) take(cell(i, j - 1), i === 0 || i === a.length ? 0 : GAP, 3);
      if (i > 0 && j > 0) {
        const alike = likeness(a[i - 1]!, b[j - 1]!);
        if (alike > 0) take(cell(i - 1, j - 1), alike, 1);
      }
    }
  const pairs: [number, number][] = [];
  for (let i = a.length, j = b.length; i > 0 || j > 0;) {
    const kind = step[cell(i, j)];
    if (kind === 1) pairs.push([--i, --j]);
    else if (kind === 2) i--;
    else if (kind === 3) j--;
    else break;
  }
  return pairs.reverse();
}

/** Anchors whose neighbours agree with them. */
function clockOf(a: readonly Chord[], b: readonly Chord[], pairs: readonly [number, number][]): Alignment['clock'] {
  const anchors = pairs
    .filter(([i, j]) => likeness(a[i]!, b[j]!) >= ALIKE)
    .map(([i, j]) => ({ place: a[i]!.at, seconds: b[j]!.at }));
  const kept = anchors.filter(({ place, seconds }, n) => {
    const near = anchors.slice(Math.max(0, n - NEIGHBOURS), n + NEIGHBOURS + 1).filter((one) => one.place !== place);
    if (near.length < 3) return true;
    const pace = median(paces(near));
    const expected = median(near.map((one) => one.seconds + (place - one.place) * pace));
    return Math.abs(seconds - expected) <= Math.max(WINDOW, 6 * TOGETHER);
  });
  const rising = kept.filter(({ place, seconds }, n) => {
    const before = kept[n - 1];
    return !before || (place > before.place && seconds > before.seconds);
  });
  return { places: rising.map(({ place }) => place), seconds: rising.map(({ seconds }) => seconds) };
}

const NEIGHBOURS = 4;

function paces(anchors: readonly { place: number; seconds: number }[]): number[] {
  return anchors.slice(1).map(({ place, seconds }, n) => (seconds - anchors[n]!.seconds) / (place - anchors[n]!.place));
}

function partners(written: readonly PlacedKey[], played: readonly TimedKey[], clock: Alignment['clock']): Int32Array {
  const partner = new Int32Array(written.length).fill(-1);
  const byKey = groupBy(
    played.map((note, index) => ({ ...note, index })),
    ({ key }) => key,
  );
  for (const list of byKey.values()) list.sort((x, y) => x.at - y.at);
  const taken = new Set<number>();
  const inOrder = written.map((note, i) => ({ ...note, i })).sort((x, y) => x.at - y.at);
  for (const { at, key, i } of inOrder) {
    const expected = secondsAtPlace(clock, at);
    const list = byKey.get(key) ?? [];
    let best = -1;
    let least: Seconds = WINDOW;
    for (let n = firstNotBefore(list, expected - WINDOW, (one) => one.at); n < list.length; n++) {
      const { at: time, index } = list[n]!;
      if (time > expected + WINDOW) break;
      if (taken.has(index) || Math.abs(time - expected) >= least) continue;
      [best, least] = [index, Math.abs(time - expected)];
    }
    if (best < 0) continue;
    taken.add(best);
    partner[i] = best;
  }
  return partner;
}
