/*
 * Written pitch: what a transposing part prints.
 *
 * Takes a part's transposition and the score's concert keys; gives the diatonic steps of the transposition and the
 * written signatures. Where the plain interval would lead to more than six sharps or flats, the enharmonic neighbour is
 * written (never seven sharps where five flats do).
 */
import { transpositionSteps } from '../../instruments';
import { pitchAtFifths, type Pitch } from '../../score';
import type { MidiKey, Semitones } from '../../time';

export interface WrittenTransposition {
  semitones: Semitones;
  /** Diatonic steps, written minus sounding. */
  steps: number;
  /** Written minus sounding on the line of fifths. */
  fifths: number;
}

const MOST_ACCIDENTALS = 6;

/** @param concertKeys signatures of the piece, each once or weighted by repetition */
export function writtenTransposition(semitones: Semitones, concertKeys: readonly number[]): WrittenTransposition {
  const options = [0, 1, -1].map((shift) => {
    const steps = transpositionSteps(semitones) + shift;
    return { semitones, steps, fifths: 7 * semitones - 12 * steps };
  });
  const cost = (fifths: number) =>
    concertKeys.reduce((sum, key) => sum + Math.max(0, Math.abs(key + fifths) - MOST_ACCIDENTALS) * 10, 0);
  return options.reduce((a, b) => (cost(b.fifths) < cost(a.fifths) ? b : a));
}

/** @param place of the sounding name on the line of fifths */
export function writtenPitch(key: MidiKey, place: number, transposition: WrittenTransposition): Pitch {
  let written = place + transposition.fifths;
  // Triple accidentals do not exist; the enharmonic name does.
  while (written > 19) written -= 12;
  while (written < -15) written += 12;
  return pitchAtFifths(key + transposition.semitones, written);
}

/** The place on the line of fifths that names a key and lies nearest to another place. */
export function nearestPlace(key: MidiKey, to: number): number {
  // A fifth is seven semitones, and seven times seven is one, modulo twelve.
  const place = ((key * 7) % 12) + 0;
  return place + 12 * Math.round((to - place) / 12);
}
