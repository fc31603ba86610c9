/*
 * Which part of one music is which of the other. Those with the same id, or the only ones of one name, are; the others by
 * how many notes they would share, the most first.
 */
import type { Seconds } from '../../time';
import type { TimeFit } from './fit-time';
import type { SoundingMusic, SoundingPart } from './sounding-music';

/** Onsets are compared on a raster so coarse, and with its neighbours. */
const RASTER: Seconds = 0.12;
/** Parts share at least this much of the smaller one to be the same. */
const LEAST_SHARED = 0.3;

export type PartPair = [SoundingPart | null, SoundingPart | null];

/** @param sameIds ids mean the same on both sides @returns every part once, in order of `a`, then what only `b` has */
export function pairParts(a: SoundingMusic, b: SoundingMusic, fit: TimeFit, sameIds: boolean): PartPair[] {
  const partner = new Map<SoundingPart, SoundingPart>();
  const taken = new Set<SoundingPart>();
  const join = (one: SoundingPart, other: SoundingPart) => {
    partner.set(one, other);
    taken.add(other);
  };
  if (sameIds)
    for (const one of a.parts) {
      const other = b.parts.find((part) => part.id === one.id);
      if (other) join(one, other);
    }
  for (const { one, other, shared } of likeness(a, b, fit)) {
    const least = LEAST_SHARED * Math.min(one.notes.length, other.notes.length);
    if (!partner.has(one) && !taken.has(other) && shared >= least) join(one, other);
  }
  for (const one of a.parts) {
    const named = b.parts.filter((other) => !taken.has(other) && sameName(one, other));
    if (!partner.has(one) && named.length === 1) join(one, named[0]!);
  }
  return [
    ...a.parts.map((one): PartPair => [one, partner.get(one) ?? null]),
    ...b.parts.filter((other) => !taken.has(other)).map((other): PartPair => [null, other]),
  ];
}

const sameName = (one: SoundingPart, other: SoundingPart) =>
  one.name !== '' && one.name.toLowerCase() === other.name.toLowerCase();

interface Likeness {
  one: SoundingPart;
  other: SoundingPart;
  shared: number;
}

/** The likest first; of equally like ones, those of one name. */
function likeness(a: SoundingMusic, b: SoundingMusic, { ratio, offset }: TimeFit): Likeness[] {
  const there = new Map<number, Map<number, number>>();
  b.parts.forEach((part, j) => {
    for (const { key, onset } of part.notes) {
      const at = placeOf(key, onset);
      const here = there.get(at) ?? new Map<number, number>();
      there.set(at, here.set(j, (here.get(j) ?? 0) + 1));
    }
  });
  const all = a.parts.flatMap((one): Likeness[] => {
    const shared = new Map<number, number>();
    for (const { key, onset } of one.notes) {
      const at = placeOf(key, ratio * onset + offset);
      // A note on the next place of the raster is near enough; each counts once for each part.
      const near = new Set([at, at - 1, at + 1].flatMap((place) => [...(there.get(place)?.keys() ?? [])]));
      for (const j of near) shared.set(j, (shared.get(j) ?? 0) + 1);
    }
    return [...shared].map(([j, count]) => ({ one, other: b.parts[j]!, shared: count }));
  });
  const named = ({ one, other }: Likeness) => (sameName(one, other) ? 1 : 0);
  return all.sort((x, y) => y.shared - x.shared || named(y) - named(x));
}

/** A key and a place of the raster as one number; ten days of music have room. */
const placeOf = (key: number, onset: Seconds) => key * 2 ** 24 + Math.round(onset / RASTER);
