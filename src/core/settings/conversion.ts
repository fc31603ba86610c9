import type { BarSpan } from './bar-span';
import { NO_CASTING_SETTINGS, type CastingSettings } from './casting';
import type { NoteId, PartId, TrackId } from '../base';
import type { Clef, DrumSound } from '../instruments';
import type { Articulation, Dynamic, Fold, Hairpin, MarkClass, ScoreKey, Tablature } from '../score';
import type { FreeTime } from './free-time';
import type { TimeLineEdit } from '../performance';
import type { TextEncoding } from '../smf';
import { QUARTER, type MidiKey, type Milliseconds, type WrittenUnits } from '../time';

/** Smallest plain note value a part may use. */
export const SMALLEST_VALUES = ['quarter', 'eighth', '16th', '32nd'] as const;
export type SmallestValue = (typeof SMALLEST_VALUES)[number];

export const VALUE_LENGTH: Record<SmallestValue, WrittenUnits> = {
  quarter: QUARTER,
  eighth: QUARTER / 2,
  '16th': QUARTER / 4,
  '32nd': QUARTER / 8,
};

/** Tuplets that are only looked for where somebody asks for them. */
export const FURTHER_TUPLETS = [5, 7, 9] as const;
export type FurtherTuplet = (typeof FURTHER_TUPLETS)[number];

export interface GridPin {
  smallest: SmallestValue;
  /** Triplets and sextuplets may be used. */
  triplets: boolean;
  also: readonly FurtherTuplet[];
  /** The whole part when absent. */
  bars?: BarSpan;
}

export const LENGTHS = ['read', 'played'] as const;
/** Short notes written longer with a dot where that reads better, or as long as they were played. */
export type Lengths = (typeof LENGTHS)[number];

export interface LengthChoice {
  as: Lengths;
  /** The whole part when absent. */
  bars?: BarSpan;
}

/** A change to single notes, made after the grid: by played note. */
export type NoteEdit =
  | { kind: 'move'; note: NoteId; by: WrittenUnits }
  /** The second is the first one going on. */
  | { kind: 'join'; note: NoteId; with: NoteId }
  /** Struck again at a place of its own. */
  | { kind: 'cut'; note: NoteId; at: WrittenUnits }
  /** Sounds so many semitones higher. */
  | { kind: 'shift'; note: NoteId; by: number }
  /** Is written up to a place; the whole chord with it, since notes of one stem have one length. */
  | { kind: 'end'; note: NoteId; at: WrittenUnits }
  | { kind: 'remove'; note: NoteId }
  /** A new note, or one of another part. */
  | ({ kind: 'add' } & AddedNote)
  /** Stands in a voice of its staff, from 1; on a staff of its part, from 1. */
  | { kind: 'voice'; note: NoteId; voice: number }
  | { kind: 'staff'; note: NoteId; staff: number }
  /** Is a grace note of the note after it; or, once it is one, a note of its own before that. */
  | { kind: 'grace'; note: NoteId; on: boolean };

/** A note somebody put into a part. */
export interface AddedNote {
  /** From FIRST_ADDED on for a new one; its own, where it was played in another part. */
  note: NoteId;
  start: WrittenUnits;
  end: WrittenUnits;
  key: MidiKey;
  velocity: number;
}

/** Ids of notes that were never played; no file has so many. */
export const FIRST_ADDED: NoteId = 2 ** 40;

export const MARK_USES = ['off', 'suggest', 'on'] as const;
export type MarkUse = (typeof MARK_USES)[number];

/** How much it takes before a mark is found. */
export const MARK_STRENGTHS = ['few', 'usual', 'many'] as const;
export type MarkStrength = (typeof MARK_STRENGTHS)[number];

/** Chord symbols found in the notes. */
export interface ChordSymbolRule {
  use: MarkUse;
  /** Whose notes are read; null: of all parts. */
  from: PartId | null;
  /** Over which part they stand; null: the top one. */
  over: PartId | null;
}

/** What the lead sheet and the piano reduction are made of; what is null is left to the engine. */
export interface ExtractSettings {
  /** Whose tune the lead sheet has. */
  melody: PartId | null;
  /** Whose notes the piano plays; those of all pitched parts when null. */
  reduced: readonly PartId[] | null;
}

/** What to do with a class of marks, in the whole part or in some bars. */
export interface MarkRule {
  mark: MarkClass;
  use: MarkUse;
  strength: MarkStrength;
  bars?: BarSpan;
}

/**
 * What is done with a class of marks as long as nobody has decided: found marks are suggested, but a drum kit gets no
 * dynamics from its strokes, which are louder and softer within every bar (common practice, no source).
 */
export function usualMarkUse(mark: MarkClass, instrument: string): MarkUse {
  return instrument === 'drum-kit' && (mark === 'dynamics' || mark === 'hairpins') ? 'off' : 'suggest';
}

/** Marks that people set or took away by hand, in the order they did. */
export type MarkEdit =
  | { kind: 'articulation'; note: NoteId; articulation: Articulation; on: boolean }
  | { kind: 'slur'; from: NoteId; to: NoteId; on: boolean }
  /** Instead of what stands where the note begins; null and nothing take it away. */
  | { kind: 'dynamic'; note: NoteId; level: Dynamic | null }
  | { kind: 'hairpin'; from: NoteId; to: NoteId; shape: Hairpin['kind'] | null }
  | { kind: 'words'; note: NoteId; words: string }
  /** Articulations and slurs of a bar go to every bar of the same rhythm. */
  | { kind: 'pattern'; bar: number; to: BarSpan };

/** Names of notes: of some notes, or of all black keys in some bars. */
export type SpellingChoice =
  | { kind: 'notes'; part: PartId; notes: readonly NoteId[]; prefer: 'sharps' | 'flats' }
  | { kind: 'bars'; part: PartId | null; bars: BarSpan; prefer: 'sharps' | 'flats' };

/** Which drum map a percussion part is read by. */
export interface DrumMapChoice {
  name: string;
  sounds: readonly DrumSound[];
}

export const MARKER_STYLES = ['auto', 'rehearsal', 'text'] as const;
export type MarkerStyle = (typeof MARKER_STYLES)[number];

/** Which tempo changes are printed; all are played. */
export const TEMPO_PRINTS = ['all', 'sections', 'first', 'none'] as const;
export type TempoPrint = (typeof TEMPO_PRINTS)[number];

export const ANEW_ASPECTS = ['spelling', 'transposition', 'percussion'] as const;
/** A side of a received score that is written by the engine instead of being kept. */
export type AnewAspect = (typeof ANEW_ASPECTS)[number];

/** What people decided; everything absent is decided by the engine. All of it comes from the ledger. */
export interface ConversionSettings extends CastingSettings {
  title?: string;
  /** By part, in the order they were set: a later one counts before an earlier one. */
  grids: Record<PartId, readonly GridPin[]>;
  edits: Record<PartId, readonly NoteEdit[]>;
  /** Gaps closed up to this value. */
  closeGaps: Record<PartId, SmallestValue>;
  /** What becomes of short notes, in the order it was set: a later one counts before an earlier one. */
  lengths: Record<PartId, readonly LengthChoice[]>;
  /** Parts that are written as another one where they double it; a part that is its own model follows nobody. */
  doubles: Record<PartId, PartId>;
  /** Lowest key of the upper staff. */
  handSplits: Record<PartId, MidiKey>;
  /** Parts that keep their first clef throughout. */
  fixedClefs: Record<PartId, true>;
  /** Voices a staff at most. */
  voices: Record<PartId, number>;
  /** Milliseconds a track was played ahead of the beat. */
  leads: Record<TrackId, Milliseconds>;
  /** Parts in which nothing becomes a trill, tremolo, grace note or arpeggio. */
  plain: Record<PartId, true>;
  /** Long to short eighth (or sixteenth); a ratio of 1 keeps what was played. */
  swing?: SwingSettings;
  /** In which the texts of the files are to be read; guessed for each file when absent. */
  encoding?: TextEncoding;
  /** Tracks split by channel. */
  splits: Record<TrackId, true>;
  /** Percussion tracks split by what is struck. */
  soundSplits: Record<TrackId, true>;
  /** Tracks split by program. */
  programSplits: Record<TrackId, true>;
  /** Bars after the start of the first original at which a further one begins, by its number from 2. */
  offsets: Record<number, number>;
  /** Concert key of the whole piece, in sharps (negative: flats). */
  key?: { fifths: number; mode: 'major' | 'minor' };
  /** Signatures set at single bars; those found elsewhere stay. */
  keyChanges: readonly ScoreKey[];
  spellings: readonly SpellingChoice[];
  /** Clef of each staff from the start, by part and staff number. */
  clefs: Record<PartId, Readonly<Record<number, Clef>>>;
  /** Parts without 8va and 8vb. */
  plainOctaves: Record<PartId, true>;
  drumMaps: Record<PartId, DrumMapChoice>;
  /** Keys of a percussion part that mean another key of its map. */
  drumKeys: Record<PartId, Readonly<Record<number, MidiKey>>>;
  tablatures: Record<PartId, Tablature>;
  marks: Record<PartId, readonly MarkRule[]>;
  markEdits: Record<PartId, readonly MarkEdit[]>;
  /** Stretches written once with repeat signs. */
  folds: readonly Fold[];
  /** Parts in which equal bars are written as repeat signs. */
  barRepeats: Record<PartId, true>;
  composer?: string;
  markerStyle: MarkerStyle;
  /** Lines and pages of a received score begin where they did. */
  keepBreaks: boolean;
  chordSymbols: ChordSymbolRule;
  extracts: ExtractSettings;
  /** What of a received score is written anew; null means all parts. */
  anew: readonly { aspect: AnewAspect; part: PartId | null }[];
  /**
   * The original whose playing the others have: their bars and values, its times. 0 for none; null takes that of the MIDI
   * beside a score.
   */
  timeFrom: number | null;
  /** Where the file's own bars are none: null believes the file. */
  freeTime: FreeTime | null;
  /** What was mended on the time line, in order. */
  timeLine: readonly TimeLineEdit[];
  /** Words of tempo that were set; the file's own stand beside them. */
  tempoWords: readonly { at: WrittenUnits; words: string }[];
  tempoPrint: TempoPrint;
  /** How far printed tempos may be from the played ones; 0 prints every one that lasts. */
  tempoTolerance: Milliseconds;
}

/** Where nothing was chosen for a part: always the same list. */
export const NO_CHOICES: readonly never[] = [];

export const NO_SETTINGS: ConversionSettings = {
  ...NO_CASTING_SETTINGS,
  plain: {},
  grids: {},
  edits: {},
  closeGaps: {},
  lengths: {},
  doubles: {},
  handSplits: {},
  fixedClefs: {},
  voices: {},
  leads: {},
  splits: {},
  soundSplits: {},
  programSplits: {},
  offsets: {},
  keyChanges: [],
  spellings: [],
  clefs: {},
  plainOctaves: {},
  drumMaps: {},
  drumKeys: {},
  tablatures: {},
  marks: {},
  markEdits: {},
  folds: [],
  barRepeats: {},
  markerStyle: 'auto',
  keepBreaks: false,
  chordSymbols: { use: 'off', from: null, over: null },
  extracts: { melody: null, reduced: null },
  anew: [],
  timeFrom: null,
  freeTime: null,
  timeLine: [],
  tempoWords: [],
  tempoPrint: 'all',
  tempoTolerance: 0,
};

export const SWING_UNITS = ['eighth', '16th'] as const;

export type SwingUnit = (typeof SWING_UNITS)[number];

export interface SwingSettings {
  ratio: number;
  unit: SwingUnit;
}
