/* Chord symbols as the standard counts them: root, kind, degrees, bass. */
import type { WrittenUnits } from '../time';
import type { Step } from './pitch';

/** A letter with its sharps or flats. */
export interface ChordName {
  step: Step;
  alter: number;
}

export interface ChordDegree {
  /** 9, 11, 13 … */
  value: number;
  alter: number;
  type: 'add' | 'alter' | 'subtract';
}

export interface Harmony {
  at: WrittenUnits;
  /** As written, that is transposed; null: no chord. */
  root: ChordName | null;
  kind: ChordKind;
  /** How the file prints the kind, where it says so. */
  printed?: string;
  degrees?: ChordDegree[];
  bass?: ChordName;
  /** Found but not taken yet: shown as a suggestion, never exported. */
  suggested?: true;
}

/**
 * The standard's kinds: half tones over the root, and how they are printed (common practice of lead sheets, no source).
 */
export const CHORD_KINDS = {
  major: { tones: [0, 4, 7], text: '' },
  minor: { tones: [0, 3, 7], text: 'm' },
  augmented: { tones: [0, 4, 8], text: '+' },
  diminished: { tones: [0, 3, 6], text: '°' },
  dominant: { tones: [0, 4, 7, 10], text: '7' },
  'major-seventh': { tones: [0, 4, 7, 11], text: 'maj7' },
  'minor-seventh': { tones: [0, 3, 7, 10], text: 'm7' },
  'diminished-seventh': { tones: [0, 3, 6, 9], text: '°7' },
  'augmented-seventh': { tones: [0, 4, 8, 10], text: '+7' },
  'half-diminished': { tones: [0, 3, 6, 10], text: 'ø7' },
  'major-minor': { tones: [0, 3, 7, 11], text: 'm(maj7)' },
  'major-sixth': { tones: [0, 4, 7, 9], text: '6' },
  'minor-sixth': { tones: [0, 3, 7, 9], text: 'm6' },
  'dominant-ninth': { tones: [0, 4, 7, 10, 14], text: '9' },
  'major-ninth': { tones: [0, 4, 7, 11, 14], text: 'maj9' },
  'minor-ninth': { tones: [0, 3, 7, 10, 14], text: 'm9' },
  'dominant-11th': { tones: [0, 4, 7, 10, 14, 17], text: '11' },
  'major-11th': { tones: [0, 4, 7, 11, 14, 17], text: 'maj11' },
  'minor-11th': { tones: [0, 3, 7, 10, 14, 17], text: 'm11' },
  'dominant-13th': { tones: [0, 4, 7, 10, 14, 17, 21], text: '13' },
  'major-13th': { tones: [0, 4, 7, 11, 14, 17, 21], text: 'maj13' },
  'minor-13th': { tones: [0, 3, 7, 10, 14, 17, 21], text: 'm13' },
  'suspended-second': { tones: [0, 2, 7], text: 'sus2' },
  'suspended-fourth': { tones: [0, 5, 7], text: 'sus4' },
  Neapolitan: { tones: [0, 4, 7], text: 'N' },
  Italian: { tones: [0, 4, 10], text: 'It+6' },
  French: { tones: [0, 4, 6, 10], text: 'Fr+6' },
  German: { tones: [0, 4, 7, 10], text: 'Ger+6' },
  pedal: { tones: [0], text: 'ped.' },
  power: { tones: [0, 7], text: '5' },
  Tristan: { tones: [0, 3, 6, 10], text: 'Tristan' },
  other: { tones: [0], text: '' },
  none: { tones: [], text: 'N.C.' },
} as const satisfies Record<string, { tones: readonly number[]; text: string }>;

export type ChordKind = keyof typeof CHORD_KINDS;
export const isChordKind = (name: string): name is ChordKind => Object.hasOwn(CHORD_KINDS, name);

/** Half tones of the degrees of a major scale. */
const DEGREES = [0, 2, 4, 5, 7, 9, 11] as const;

/** "B♭m7/F", "C13(♭9)", "N.C.". */
export function chordText({ root, kind, printed, degrees = [], bass }: Harmony): string {
  if (kind === 'none' || !root) return printed ?? CHORD_KINDS.none.text;
  const altered = printed === undefined ? degrees.map(degreeText).join(',') : '';
  return `${letters(root)}${printed ?? CHORD_KINDS[kind].text}${altered && `(${altered})`}${bass ? `/${letters(bass)}` : ''}`;
}

function degreeText({ value, alter, type }: ChordDegree): string {
  const name = `${signs(alter)}${value}`;
  if (type === 'subtract') return `no${value}`;
  return type === 'add' ? `add${name}` : name;
}

const letters = ({ step, alter }: ChordName) => `${step}${signs(alter)}`;
const signs = (alter: number) => (alter > 0 ? '♯'.repeat(alter) : '♭'.repeat(-alter));

/** Half tones over the root that a chord sounds, its added, altered and left out degrees counted in; rising. */
export function chordTones({ kind, degrees = [] }: Pick<Harmony, 'kind' | 'degrees'>): number[] {
  const tones = new Set<number>(CHORD_KINDS[kind].tones);
  for (const { value, alter, type } of degrees) {
    const plain = DEGREES[(value - 1) % 7]! + 12 * Math.floor((value - 1) / 7);
    const [now, lowered] = [plain + alter, plain - 1];
    if (type === 'subtract') [plain, lowered].forEach((one) => tones.delete(one));
    else if (type === 'alter') [plain, lowered].forEach((one) => tones.delete(one));
    if (type !== 'subtract') tones.add(now);
  }
  return [...tones].sort((a, b) => a - b);
}
