/*
 * Breaths: places where everybody lets go together although no rest is written.
 *
 * Takes all parts; gives the places after which all of them stop for a moment, longer than each of them usually does
 * between its notes. A long stop is a caesura.
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
  const pitched = parts.filter(
    ({ instrument, strikes }) => !instrument.unpitched && instrument.family !== 'plucked' && strikes.length > 4,
  );
  if (pitched.length < LEAST_PARTS) return [];
  const gaps = pitched.map((part) => gapsOf(part.strikes));
  const usual = gaps.map((list) => middle([...list.values()]));
  const clear = (p: number, at: WrittenUnits) => (gaps[p]!.get(at) ?? 0) >= Math.max(BREATH, usual[p]! + UNUSUAL);
  const votes = new Map<WrittenUnits, number[]>();
  gaps.forEach((list, p) => {
    for (const at of list.keys()) if (clear(p, at)) votes.set(at, [...(votes.get(at) ?? []), p]);
  });
  return [...votes]
    .filter(
      ([at, who]) =>
        who.length >= LEAST_PARTS && pitched.every(({ strikes }, p) => who.includes(p) || !soundsAt(strikes, at)),
    )
    .sort(([a], [b]) => a - b)
    .map(([at, who]) => ({
      at,
      kind: Math.min(...who.map((p) => gaps[p]!.get(at)!)) >= CAESURA ? 'caesura' : 'breath',
    }));
}

/** Whether something ends here or goes on over this place. */
function soundsAt(strikes: readonly Strike[], at: WrittenUnits): boolean {
  return strikes.some((strike) => strike.start < at && strike.end >= at);
}

/** Silence before the next strike where none is written, by the place where it falls. */
function gapsOf(strikes: readonly Strike[]): Map<WrittenUnits, Seconds> {
  const starts = new Map<WrittenUnits, Seconds>();
  for (const { start, onsetSeconds } of strikes)
    starts.set(start, Math.min(onsetSeconds, starts.get(start) ?? Infinity));
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
