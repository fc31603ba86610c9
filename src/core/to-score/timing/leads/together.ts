/*
 * Whether parts fit each other: how many onsets of a track fall together with onsets of others, at every offset around it.
 * A lead that is there makes them fall together more, and better than any other offset does; in a rhythm that repeats each
 * beat (off-beat chords over a bass) several offsets do so equally, and the file is believed.
 */
import type { Seconds } from '../../../time';
import type { Onset } from './onsets';
import { LEADS } from './tuning';

export interface Together {
  /** Onsets that can be heard together with others at all. */
  witnessed: number;
  /** How many fall together where the track is moved by so much. */
  at: (lead: Seconds) => number;
}

/** @param others onsets of other tracks where they belong, in seconds, in rising order */
export function togetherWith(onsets: readonly Onset[], others: Float64Array): Together {
  const near = onsets.filter(({ seconds }) => distanceTo(others, seconds) <= LEADS.around);
  const known = new Map<number, number>();
  return {
    witnessed: near.length,
    at: (lead) => {
      const key = Math.round(lead * 1000);
      const count =
        known.get(key) ??
        near.reduce((sum, { seconds }) => sum + (distanceTo(others, seconds + lead) < LEADS.togetherWithin ? 1 : 0), 0);
      known.set(key, count);
      return count;
    },
  };
}

export interface Company {
  /** Share of the onsets that fall together more with the lead taken out than without it. */
  gain: number;
  /** Nats by which they fall together better than at any other offset that is no larger. */
  unique: number;
}

/** What a lead does for falling together; null where there is too little to hear it by. @param base what is no lead */
export function companyOf(together: Together, lead: Seconds, base: Seconds): Company | null {
  if (together.witnessed < LEADS.leastWitnessed) return null;
  // Leads are found on a raster: its neighbours are the same offset.
  const near = (offset: Seconds) =>
    Math.max(together.at(offset - LEADS.step), together.at(offset), together.at(offset + LEADS.step));
  const here = near(lead);
  let elsewhere = 0;
  const far = Math.min(LEADS.around, LEADS.asLarge * Math.abs(lead - base));
  for (let offset = base - far; offset <= base + far; offset += LEADS.step)
    if (Math.abs(offset - lead) > LEADS.apart) elsewhere = Math.max(elsewhere, together.at(offset));
  return {
    gain: (here - near(base)) / together.witnessed,
    unique: LEADS.together * (here - elsewhere),
  };
}

function distanceTo(sorted: Float64Array, at: Seconds): Seconds {
  let low = 0;
  let high = sorted.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (sorted[middle]! < at) low = middle + 1;
    else high = middle;
  }
  return Math.min(Math.abs((sorted[low] ?? Infinity) - at), Math.abs((sorted[low - 1] ?? -Infinity) - at));
}
