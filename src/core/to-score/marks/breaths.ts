/*
 * Breaths: places where everybody lets go together although no rest is written.
 *
 * Takes all parts; gives the places after which all of them stop for a moment, longer than each of them usually does between
 * its notes. A long stop is a caesura.
 */
import { QUARTER, type Seconds, type WrittenUnits } from '../../time';
import type { PlayedPart, Strike } from './marked-part';

const BREATH: Seconds = 0.14;
const CAESURA: Seconds = 0.6;
const LEAST_PARTS = 2;
/** A gap this much longer than a part's usual one is meant. */
const UNUSUAL: Seconds = 0.09;

export interface Breath {
  /** Where the notes end after which it stands. */
  at: WrittenUnits;
  kind: 'breath' | 'caesura';
}

export function findBreaths(parts: readonly PlayedPart[]): Breath[] {
  const pitched = parts.filter(({ instrument, strikes }) => !instrument.unpitched && instrument.family !== 'plucked' && strikes.length > 4);
  if (pitched.length < LEAST_PARTS) return [];
  const gaps = pitched.map((part) => gapsOf(part.strikes));
  const usual = gaps.map((list) => middle([...list.values()]));
  const ends = pitched.map(({ strikes }) => new Set(strikes.map((strike) => strike.end)));
  const places = [...new Set(gaps.flatMap((list) => [...list.keys()]))].sort((a, b) => a - b);
  return places.flatMap((at): Breath[] => {
    const sounding = pitched.map((_, p) => p).filter((p) => ends[p]!.has(at) || pitched[p]!.strikes.some((strike) => strike.start < at && strike.end > at));
    if (sounding.length < LEAST_PARTS) return [];
    const let_go = sounding.map((p) => gaps[p]!.get(at)).filter((gap) => gap !== undefined);
    if (let_go.length < sounding.length) return [];
    const clear = sounding.every((p) => gaps[p]!.get(at)! >= BREATH && gaps[p]!.get(at)! - usual[p]! >= UNUSUAL);
    return clear ? [{ at, kind: Math.min(...let_go) >= CAESURA ? 'caesura' : 'breath' }] : [];
  });
}

/** Silence before the next strike where none is written, by the place where it falls. */
function gapsOf(strikes: readonly Strike[]): Map<WrittenUnits, Seconds> {
  const starts = new Map<WrittenUnits, Seconds>();
  for (const { start, onsetSeconds } of strikes) starts.set(start, Math.min(onsetSeconds, starts.get(start) ?? Infinity));
  const gaps = new Map<WrittenUnits, Seconds>();
  for (const strike of strikes) {
    const next = starts.get(strike.end);
    if (next === undefined || strike.end - strike.start < QUARTER / 2) continue;
    gaps.set(strike.end, Math.min(gaps.get(strike.end) ?? Infinity, next - strike.releaseSeconds));
  }
  return gaps;
}

function middle(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[sorted.length >> 1] ?? 0;
}
