import { QUARTER, type WrittenUnits } from '../time';
import type { NoteType } from './score';

export const NOTE_TYPES: readonly NoteType[] = [
  'breve',
  'whole',
  'half',
  'quarter',
  'eighth',
  '16th',
  '32nd',
  '64th',
  '128th',
];

/** Undotted length of a note type. */
export function typeLength(type: NoteType): WrittenUnits {
  return (8 * QUARTER) / 2 ** NOTE_TYPES.indexOf(type);
}

/** Length of a note type with its dots; 0 dots for the plain one. */
export function valueLength(type: NoteType, dots: number): WrittenUnits {
  return typeLength(type) * (2 - 1 / 2 ** dots);
}

export interface NoteValue {
  type: NoteType;
  dots: number;
  length: WrittenUnits;
}

/** Every length that one symbol can have with up to two dots, longest first. */
const VALUES: readonly NoteValue[] = NOTE_TYPES.flatMap((type) =>
  [0, 1, 2].map((dots) => ({ type, dots, length: valueLength(type, dots) })),
)
  .filter(({ length }) => Number.isInteger(length))
  .sort((a, b) => b.length - a.length);

const byLength = new Map(VALUES.map((value) => [value.length, value]));

/** The single symbol of exactly this length, if there is one. */
export function noteValue(length: WrittenUnits, mostDots = 2): NoteValue | null {
  const value = byLength.get(length);
  return value && value.dots <= mostDots ? value : null;
}
