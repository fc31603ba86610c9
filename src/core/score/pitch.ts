import type { MidiKey } from '../time';

export type Step = 'C' | 'D' | 'E' | 'F' | 'G' | 'A' | 'B';

/** A spelled pitch. Octave 4 begins at middle C. */
export interface Pitch {
  step: Step;
  /** −2 double flat … 2 double sharp */
  alter: number;
  octave: number;
}

export const STEPS: readonly Step[] = ['C', 'D', 'E', 'F', 'G', 'A', 'B'];
const STEP_SEMITONES = [0, 2, 4, 5, 7, 9, 11];

export function pitchKey(pitch: Pitch): MidiKey {
  return (pitch.octave + 1) * 12 + STEP_SEMITONES[STEPS.indexOf(pitch.step)]! + pitch.alter;
}

/** Steps above C of octave 0, so that neighbours on the staff differ by 1. */
export function diatonicNumber(pitch: Pitch): number {
  return pitch.octave * 7 + STEPS.indexOf(pitch.step);
}

/*
 * Line of fifths: … B♭ −2, F −1, C 0, G 1, D 2 … (Temperley 2001 and earlier theory). A name is a place on it.
 */
const FIFTHS_OF_STEP: Record<Step, number> = { F: -1, C: 0, G: 1, D: 2, A: 3, E: 4, B: 5 };

export function lineOfFifths(pitch: Pick<Pitch, 'step' | 'alter'>): number {
  return FIFTHS_OF_STEP[pitch.step] + 7 * pitch.alter;
}

/** The name at a place on the line of fifths. */
export function nameAtFifths(place: number): { step: Step; alter: number } {
  const alter = Math.floor((place + 1) / 7);
  const step = (['F', 'C', 'G', 'D', 'A', 'E', 'B'] as const)[(((place + 1) % 7) + 7) % 7]!;
  return { step, alter };
}

/** The key spelled with the name at `place`. @throws RangeError when that name is another pitch class */
export function pitchAtFifths(key: MidiKey, place: number): Pitch {
  const { step, alter } = nameAtFifths(place);
  const natural = key - alter;
  const octave = Math.floor(natural / 12) - 1;
  if (((natural % 12) + 12) % 12 !== STEP_SEMITONES[STEPS.indexOf(step)])
    throw new RangeError(`key ${key} has no name at ${place} on the line of fifths`);
  return { step, alter, octave };
}
