/*
 * Slurs: notes played into each other are slurred.
 *
 *     played   ====
 *                 ====      ===        →   first to third note under one slur, the fourth free
 *                    =====
 *
 * Takes the strikes of one part; gives slurs over runs of notes in which each sounds into the next. A key struck again
 * ends a slur, and so do a rest and a place where the player let go. Long runs are parted at barlines, as bows and
 * breaths are.
 */
import type { Slur } from '../../score';
import type { Seconds, WrittenUnits } from '../../time';
import { byVoice, type PlayedPart, type Strike } from './marked-part';
import type { MarkStrength } from '../../settings';

/** How far a note must sound into the next one. */
const OVERLAP: Record<MarkStrength, Seconds> = { few: 0.04, usual: 0.01, many: -0.015 };
/** Bars under one slur at most. */
const MOST_BARS = 2;

/** @param barOf index of the bar that holds a place */
export function findSlurs(
  { instrument, strikes }: PlayedPart,
  strength: MarkStrength,
  barOf: (at: WrittenUnits) => number,
): Slur[] {
  if (instrument.unpitched || instrument.family === 'plucked' || instrument.family === 'percussion') return [];
  return byVoice(strikes).flatMap((voice) =>
    runs(voice, strength)
      .flatMap((run) => atBarlines(run, barOf))
      .map((run): Slur => ({ start: run[0]!.start, end: run.at(-1)!.start, voice: run[0]!.voice })),
  );
}

function runs(voice: readonly Strike[], strength: MarkStrength): Strike[][] {
  const found: Strike[][] = [];
  let run: Strike[] = [];
  voice.forEach((strike, i) => {
    run.push(strike);
    const next = voice[i + 1];
    if (next && leadsInto(strike, next, strength)) return;
    if (run.length > 1) found.push(run);
    run = [];
  });
  return found;
}

function leadsInto(strike: Strike, next: Strike, strength: MarkStrength): boolean {
  if (next.start !== strike.end) return false;
  if (strike.releaseSeconds - next.onsetSeconds < OVERLAP[strength]) return false;
  return !strike.notes.some((note) => next.notes.some((other) => other.key === note.key));
}

/** A run over more bars than one slur covers is cut where bars begin. */
function atBarlines(run: readonly Strike[], barOf: (at: WrittenUnits) => number): Strike[][] {
  const cut: Strike[][] = [];
  let piece: Strike[] = [];
  for (const strike of run) {
    if (piece.length > 0 && barOf(strike.start) - barOf(piece[0]!.start) >= MOST_BARS) {
      cut.push(piece);
      piece = [];
    }
    piece.push(strike);
  }
  cut.push(piece);
  return cut.filter((one) => one.length > 1);
}
