import { instrumentById } from '@/core/instruments';
import { diatonicNumber, pitchKey, STEPS, type Pitch } from '@/core/score';
import type { MidiKey } from '@/core/time';

/* From places on a staff to pitches: what the hand drags and points at. */

const SHARPS = ['F', 'C', 'G', 'D', 'A', 'E', 'B'];

/** How a signature alters a step. @param fifths sharps (negative: flats) */
function alterIn(fifths: number, step: Pitch['step']): number {
  const at = SHARPS.indexOf(step);
  if (fifths > 0) return at < fifths ? 1 : 0;
  return 6 - at < -fifths ? -1 : 0;
}

/** The pitch on a place of the staff, as the signature has it. @param place steps above C of octave 0 */
export function pitchOn(place: number, fifths: number): Pitch {
  const step = STEPS[((place % 7) + 7) % 7]!;
  return { step, octave: Math.floor(place / 7), alter: alterIn(fifths, step) };
}

/** Signature of a part in a bar, as it is printed. */
export function signatureOf(
  { writtenKeys }: { writtenKeys: readonly number[] },
  keys: readonly { bar: number }[],
  bar: number,
): number {
  return writtenKeys[keys.findLastIndex((key) => key.bar <= bar)] ?? 0;
}

/** Semitones by which a note moves that goes so many places up the staff. */
export function semitonesFor(pitch: Pitch, places: number, fifths: number): number {
  return places === 0 ? 0 : pitchKey(pitchOn(diatonicNumber(pitch) + places, fifths)) - pitchKey(pitch);
}

/** The place in the middle of a staff by its clef, as steps above C of octave 0. */
const MIDDLE: Record<string, number> = {
  treble: 34,
  bass: 22,
  alto: 28,
  tenor: 26,
  percussion: 34,
  'treble-8vb': 27,
  'treble-8va': 41,
  'bass-8vb': 15,
  soprano: 32,
  'mezzo-soprano': 30,
  baritone: 24,
  'baritone-c': 24,
  'french-violin': 36,
};

export function middleOf(clef: string | undefined): number {
  return MIDDLE[clef ?? 'treble'] ?? 34;
}

/** As it sounds, of a part's instrument. */
export function soundingKey(pitch: Pitch, instrument: string): MidiKey {
  return pitchKey(pitch) - instrumentById(instrument).transposition;
}
