import type { ScoreNote, SymbolMarks } from '../score';
import type { MidiKey, Semitones, WrittenUnits } from '../time';
import type { Colour, MarkElement, ReadElement } from './elements';

/** Where in the standard's <notations> a sign stands; null: there by itself. In the order they are written. */
export const MARK_GROUPS = ['ornaments', 'technical', 'articulations', null] as const;
export type MarkGroup = (typeof MARK_GROUPS)[number];

/** One note of a symbol as it is about to be played; times on the played time line. */
export interface Sounding {
  start: WrittenUnits;
  end: WrittenUnits;
  key: MidiKey;
  marks: SymbolMarks;
  /** Place in its chord, from 0 the lowest, and how many notes the chord has. */
  inChord: number;
  chordSize: number;
  /** Half tones up and down to the neighbours in the key. */
  upper: Semitones;
  lower: Semitones;
  /** Written units that a second takes where it stands. */
  aSecond: WrittenUnits;
  /** Flags of its value: a tremolo's strokes come on top. */
  flags: number;
  /** What a tuplet makes of its values: 2/3 in a triplet. */
  ratio: number;
  /** The first of two alternating symbols: the keys of the second, and where both end. */
  alternates?: { keys: MidiKey[]; until: WrittenUnits };
}

/** What is played for a note. */
export interface Stretch {
  start: WrittenUnits;
  end: WrittenUnits;
  key: MidiKey;
}

/** A kind of sign on a note: how it is written, read and played. */
export interface NoteMark {
  group: MarkGroup;
  /** Written at further notes of a chord too, not at its first alone. */
  everyNote?(note: ScoreNote): boolean;
  /** None where the symbol does not have it. @param note it is written at */
  elements(marks: SymbolMarks, colour: Colour, note?: ScoreNote): MarkElement[];
  /** By name of the element: what it puts on the note. */
  read: Readonly<Record<string, (marks: SymbolMarks, element: ReadElement, unpitched: boolean) => void>>;
  /** What is played instead of the note; null: it sounds as it stands. None for signs that are not played out. */
  play?(note: Sounding): Stretch[] | null;
}
