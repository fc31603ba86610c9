/* Names of pitches and keys as people say them, in the language that is spoken; what files have is another matter. */
import { say } from '../words';
import { lineOfFifths, type Pitch } from './pitch';

const lists = new Map<string, readonly string[]>();

/** The words of a text; the same text is taken apart once. */
function wordsOf(text: string): readonly string[] {
  const known = lists.get(text) ?? text.split(' ');
  lists.set(text, known);
  return known;
}

/** Its list begins with F double flat. */
const FIRST_PLACE = -15;
const nameAt = (place: number): string => wordsOf(say('score.namesOnTheLineOfFifths'))[place - FIRST_PLACE] ?? '';

/** "A♭ major" for four flats, major; German "As-Dur". */
export function keyName({ fifths, mode }: { fifths: number; mode: 'major' | 'minor' }): string {
  if (mode === 'major') return say('score.majorKey', { tonic: nameAt(fifths) });
  return say('score.minorKey', { tonic: wordsOf(say('score.tonicsOfMinorKeys'))[fifths + 7] ?? '' });
}

/** "B♭4", German "B4". */
export const pitchName = (pitch: Pitch): string => `${nameWithoutOctave(pitch)}${pitch.octave}`;

export const nameWithoutOctave = (pitch: Pick<Pitch, 'step' | 'alter'>): string => nameAt(lineOfFifths(pitch));

/** C, C♯, D, E♭ … B on the line of fifths. */
const USUAL_PLACES = [0, 7, 2, -3, 4, -1, 6, 1, -4, 3, -2, 5];

/** A key number as people say it where no spelling is meant: 60 → C4. */
export function keyInWords(key: number): string {
  return `${nameAt(USUAL_PLACES[key % 12]!)}${Math.floor(key / 12) - 1}`;
}

/** The key that "C4", "f#3" or "E♭5" names, or "H4" where that is said, or a plain number; null for what is none. */
export function keyOfWords(text: string): number | null {
  if (/^\d{1,3}$/.test(text)) return Number(text) <= 127 ? Number(text) : null;
  const [, name = '', octave] = /^(\p{L}[^-\d]*)(-?\d)$/u.exec(text.trim()) ?? [];
  const place = placeSpoken(name) ?? placeInSigns(name);
  if (place === null) return null;
  const [step, alter] = [FROM_C[(((place + 1) % 7) + 7) % 7]!, Math.floor((place + 1) / 7)];
  const key = (Number(octave) + 1) * 12 + step + alter;
  return key >= 0 && key <= 127 ? key : null;
}

/** Semitones from C of F, C, G, D, A, E and B. */
const FROM_C = [5, 0, 7, 2, 9, 4, 11];

function placeSpoken(name: string): number | null {
  const at = wordsOf(say('score.namesOnTheLineOfFifths')).findIndex((one) => one.toLowerCase() === name.toLowerCase());
  return at < 0 ? null : at + FIRST_PLACE;
}

/** As everywhere: a letter, and a sign behind it. */
function placeInSigns(name: string): number | null {
  const match = /^([A-Ga-g])([#♯b♭]?)$/.exec(name);
  if (!match) return null;
  const sign = { '': 0, '#': 7, '♯': 7, b: -7, '♭': -7 }[match[2]!]!;
  return 'FCGDAEB'.indexOf(match[1]!.toUpperCase()) - 1 + sign;
}
