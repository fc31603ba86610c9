import type { ReadElement } from '../../marks';
import type { Clef } from '../../instruments';
import type {
  BarSigns,
  BeatValue,
  Grace,
  HarmonicNote,
  Harmony,
  Lyric,
  NoteType,
  Pitch,
  SwingMark,
  SymbolMarks,
  TupletBracket,
} from '../../score';
import type { Meter, WrittenUnits } from '../../time';

/*
 * A score as its file lays it out: part by part and measure by measure, places still counted from the measure's start,
 * before bars of all parts are made one and voices are filled.
 */

export interface RawNote {
  at: WrittenUnits;
  duration: WrittenUnits;
  /** As the file names it. */
  voice: string;
  staff: number;
  chord: boolean;
  /** Of a grace note: how it is written and played. */
  grace: Omit<Grace, 'notes' | 'type'> | null;
  cue: boolean;
  /** Not printed. */
  hidden: boolean;
  rest: boolean;
  wholeBarRest: boolean;
  /** As written; for unpitched notes the place on the staff. */
  pitch: Pitch | null;
  unpitched: boolean;
  instrument: string | null;
  type: NoteType | null;
  dots: number;
  tuplet: { actual: number; normal: number; normalType: NoteType | null } | null;
  /** A bracket of the outermost tuplet begins or ends here. */
  tupletStarts: boolean;
  tupletStops: boolean;
  /** Brackets inside the outermost one. */
  nested: TupletBracket[];
  tieFromLast: boolean;
  tieToNext: boolean;
  ringing: boolean;
  /** Above the half tone of its pitch. */
  cents: number;
  /** 1–127, where the file says so. */
  velocity: number | null;
  notehead: string | null;
  harmonic: HarmonicNote | null;
  fingering: { string: number; fret: number } | null;
  marks: SymbolMarks;
  slurs: { number: string; type: 'start' | 'stop' }[];
  lyrics: Lyric[];
  line: number;
}

export type RawDirection = { at: WrittenUnits; staff: number } & (
  | { kind: 'tempo'; bpm: number; words?: string; shown: boolean }
  | { kind: 'tempo-words'; words: string }
  | { kind: 'modulation'; before: BeatValue; after: BeatValue; bpm: number | null }
  | { kind: 'words'; words: string }
  | { kind: 'marker'; text: string; rehearsal: boolean }
  /** What `core/marks` reads. */
  | { kind: 'line'; element: ReadElement }
  | { kind: 'swing'; ratio: number; unit: SwingMark['unit'] }
  | { kind: 'program'; program: number }
  | { kind: 'harmony'; harmony: Omit<Harmony, 'at'> }
);

/** Signs of the form that stand between the notes of a measure, until it is known how long the measure is. */
export interface PlacedSign {
  at: WrittenUnits;
  sign: 'segno' | 'coda' | 'fine';
  name: true | string;
}

export interface RawMeasure {
  number: string;
  implicit: boolean;
  /** How far its longest voice reaches. */
  reach: WrittenUnits;
  meter: Meter | null;
  /** No meter from here on (senza misura). */
  free: boolean;
  keys: { fifths: number; mode: 'major' | 'minor'; at: WrittenUnits }[];
  clefs: { staff: number; clef: Clef; at: WrittenUnits }[];
  /** Written minus sounding, where it changes. */
  transposition: { semitones: number; steps: number } | null;
  staves: number | null;
  staffLines: number | null;
  /** The staff that shows strings and frets. */
  tablatureStaff: number | null;
  tuning: number[] | null;
  capo: number | null;
  signs: BarSigns;
  /** Signs that stand neither at its beginning nor at its end. */
  inside: PlacedSign[];
  /** Signs that stand at its end and belong to the bar after it. */
  nextSigns: BarSigns;
  /** It begins a new line or page. */
  breaks: 'line' | 'page' | null;
  notes: RawNote[];
  directions: RawDirection[];
  /**
   * From here on (or from the next bar on: `after`) it is written as a sign that repeats so many bars before it; 0: no longer. For one staff, or (null)
   * for all.
   */
  repeats: { bars: number; staff: number | null; after?: true }[];
  line: number;
}

export interface RawInstrument {
  name: string;
  /** The standard's sound id. */
  sound: string | null;
  unpitchedKey: number | null;
  program: number | null;
}

export interface RawPart {
  id: string;
  name: string;
  abbreviation: string;
  sound: string | null;
  solo: boolean;
  channel: number | null;
  program: number | null;
  /** MIDI keys and names of unpitched instruments, and programs of pitched ones, by the id of the instrument. */
  instruments: Map<string, RawInstrument>;
  measures: RawMeasure[];
}

export interface RawScore {
  title: string;
  composer: string;
  rights: string;
  parts: RawPart[];
}
