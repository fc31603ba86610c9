import type { Beat, WrittenUnits } from '../../time';
import { isStruckAgain } from './doubles';
import type { Strike } from './strikes';

export interface BeatFit {
  division: number;
  /** Misfit and places, without habit and change. */
  cost: number;
  places: WrittenUnits[];
  /** No division of the whole beat holds what the file has exactly. */
  parted?: true;
}

/** How a beat is divided; where not all of its parts may be struck, those that may, from 0. */
export interface Way {
  division: number;
  slots?: readonly number[];
}

/** Twelfths of a beat: three in the time of two in one half, two in the other. */
const HALVES = 12;
const TRIPLET_HALVES: readonly Way[] = [
  { division: HALVES, slots: [0, 2, 4, 6, 9, 12] },
  { division: HALVES, slots: [0, 3, 6, 8, 10, 12] },
];
const FEWEST_IN_HALVES = 4;

/** Nats against one place for two onsets: of the same key, and of one line. */
const SAME_KEY_AGAIN = 9;
export const TWO_AT_ONCE = 5;
/** … of an instrument that plays several at once. */
const CHORD_APART = 0.4;

/** A triplet in one half of the beat, where enough is struck to tell. */
export function tripletHalves(beat: Beat, strikes: readonly Strike[]): readonly Way[] {
  if (beat.compound || strikes.length < FEWEST_IN_HALVES) return [];
  return Number.isInteger(beat.length / HALVES) ? TRIPLET_HALVES : [];
}

/** Nats for two strikes on one place: dear where one hand would strike a key twice. */
export function onOnePlace(a: Strike, b: Strike, otherwise: number): number {
  return b.notes.some((note) => a.notes.some((other) => isStruckAgain(other, note))) ? SAME_KEY_AGAIN : otherwise;
}

/** Each strike to its nearest place, with what that costs. */
export function fitBeat(
  strikes: readonly Strike[],
  beat: Beat,
  { division, slots }: Way,
  { jitter, melodic }: { jitter: number; melodic: boolean },
): BeatFit {
  const unit = beat.length / division;
  const used = new Uint8Array(division + 1);
  const places: WrittenUnits[] = [];
  let cost = 0;
  let last: Strike | null = null;
  let lastSlot = -1;
  for (const strike of strikes) {
    let slot = Math.round((strike.at - beat.start) / unit);
    slot = Math.max(0, Math.min(division, slot));
    if (slots) slot = nearestOf(slots, (strike.at - beat.start) / unit);
    const place = strike.meant ? strike.at : beat.start + slot * unit;
    const away = (strike.at - place) / jitter;
    cost += Math.min(away * away * 0.5, 18);
    if (slot === lastSlot && last && !(strike.meant && last.meant)) {
      cost += onOnePlace(last, strike, melodic ? TWO_AT_ONCE : CHORD_APART);
    }
    used[slot] = 1;
    places.push(place);
    last = strike;
    lastSlot = slot;
  }
  // Every place says whether it is struck or not: fine divisions with most places empty are not believed.
  for (let slot = 1; slot < division; slot++) if (!slots || slots.includes(slot)) cost += used[slot] ? 0.55 : 0.75;
  if (!used[0]) cost += 0.5;
  return { division, cost, places };
}

const nearestOf = (slots: readonly number[], at: number): number =>
  slots.reduce((best, slot) => (Math.abs(slot - at) < Math.abs(best - at) ? slot : best));
