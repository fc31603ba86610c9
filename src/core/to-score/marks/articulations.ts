/*
 * Staccato and accents.
 *
 * Takes the strikes of one part; gives the places of the marks. A note is staccato when it sounds for much less than it
 * is written, in a part that does not play everything so. A note is accented when it is struck much harder than those
 * around it.
 */
import type { Seconds } from '../../time';
import { byVoice, type PlayedPart, type Strike } from './marked-part';
import type { MarkStrength } from '../../settings';

const SHORT: Record<MarkStrength, number> = { few: 0.38, usual: 0.5, many: 0.62 };
/** Longer than this nobody hears as short. */
const SHORT_AT_MOST: Seconds = 0.4;
const PEAK: Record<MarkStrength, number> = { few: 30, usual: 20, many: 13 };
const PEAK_SPREADS = 3.2;
const AROUND = 4;

/** @param secondsOf how long a strike is written */
export function findStaccato(
  { instrument, strikes }: PlayedPart,
  strength: MarkStrength,
  secondsOf: (strike: Strike) => Seconds,
): Strike[] {
  // Plucked and struck sounds die away by themselves.
  if (instrument.unpitched || instrument.family === 'plucked' || instrument.family === 'percussion') return [];
  return strikes.filter((strike) => {
    if (strike.notes.some((note) => note.ornament)) return false;
    const sounding = strike.releaseSeconds - strike.onsetSeconds;
    return sounding < SHORT[strength] * secondsOf(strike) && sounding <= SHORT_AT_MOST;
  });
}

export function findAccents({ strikes }: PlayedPart, strength: MarkStrength): Strike[] {
  return byVoice(strikes).flatMap((voice) =>
    voice.filter((strike, i) => {
      const near = [...voice.slice(Math.max(0, i - AROUND), i), ...voice.slice(i + 1, i + 1 + AROUND)].map(
        ({ velocity }) => velocity,
      );
      if (near.length < AROUND) return false;
      const usual = middle(near);
      const spread = middle(near.map((velocity) => Math.abs(velocity - usual))) / 0.6745;
      return (
        strike.velocity - usual >= Math.max(PEAK[strength], PEAK_SPREADS * spread) &&
        Math.max(...near) < strike.velocity - PEAK[strength] / 2
      );
    }),
  );
}

function middle(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[sorted.length >> 1]!;
}
