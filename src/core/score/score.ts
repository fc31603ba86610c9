import type { PartId } from '../base';
import type { Clef, InstrumentId } from '../instruments';
import type { Bar, Bpm, Meter, MidiKey, Semitones, WrittenUnits } from '../time';
import type { BarSigns, PartLines } from './marks';
import type { Harmony } from './harmony';
import type { Pitch } from './pitch';

/**
 * Music as it is written: parts, bars, voices, symbols. Every symbol is one glyph with its stem and dots; a longer
 * sound is several symbols tied. All times are written units.
 */
export interface Score {
  title: string;
  composer: string;
  rights: string;
  bars: Bar[];
  /** Repeats, endings and jumps by bar index; empty for music written out. */
  signs: Record<number, BarSigns>;
  /** Concert keys; the first one at bar 0. */
  keys: ScoreKey[];
  tempos: TempoMark[];
  markers: Marker[];
  /** Where values begin to be played long and short, and where they are even again; in order. */
  swing: SwingMark[];
  parts: Part[];
  /** Where a score that was read begins a new line or page, by bar index. */
  breaks?: Readonly<Record<number, 'line' | 'page'>>;
}

/** From a bar on, values of a kind are played long and short. */
export interface SwingMark {
  /** Bar index. */
  bar: number;
  /** Long to short; 1 is even again. */
  ratio: number;
  unit: 'eighth' | '16th';
}

export interface ScoreKey {
  /** Bar index where the signature stands. */
  bar: number;
  /** From the start of the bar; none: at its barline. */
  at?: WrittenUnits;
  fifths: number;
  mode: 'major' | 'minor';
}

/** A note value as a metronome mark shows it. */
export interface BeatValue {
  type: NoteType;
  dots: number;
}

export interface TempoMark {
  at: WrittenUnits;
  /** Quarter notes a minute, for playback. */
  bpm: Bpm;
  /** What a metronome mark says where it is not quite what is played. */
  printed?: Bpm;
  /** "Allegro", "rit." */
  words?: string;
  /** The new tempo is said by the old one: the value before lasts as long as the value after (metric modulation). */
  equals?: { before: BeatValue; after: BeatValue };
  /** Printed as a metronome mark; the steps of a gradual change are only played. */
  shown: boolean;
}

export interface Marker {
  at: WrittenUnits;
  text: string;
  /** A letter or number to find one's place by, in a box; otherwise words above the system. */
  rehearsal: boolean;
}

export type { PartId };

export interface Part extends PartTransposition {
  id: PartId;
  name: string;
  abbreviation: string;
  instrument: InstrumentId;
  /** Where the player reads in another transposition from then on (a doubling), in order of bar. */
  transpositionChanges?: TranspositionChange[];
  /** Clef at the start of each staff, top first. */
  clefs: Clef[];
  /** In order of bar. */
  clefChanges: ClefChange[];
  unpitched: boolean;
  /** What an unpitched part strikes. */
  struck: { key: MidiKey; name: string }[];
  /** One player, where a section is usual too. */
  solo: boolean;
  /** 1–16; 10 for unpitched parts */
  channel: number;
  /** General MIDI, 1–128 */
  program: number | null;
  /** Meters that this part alone has, by bar index: 6/8 beside the 3/4 of the others. */
  localMeters?: Readonly<Record<number, Meter>>;
  /** Written key signature for each of the score's keys, same order. */
  writtenKeys: number[];
  /** Lines of each staff: five, or one for an instrument with a single sound. */
  staffLines: number;
  /** Strings of a fretted part and how they are shown; notes then have a string and a fret. */
  tablature: Tablature | null;
  lines: PartLines;
  /** Chord symbols above the staff. */
  harmonies?: Harmony[];
  /** Further instruments of the same player, or of players who share the staff; notes say which of them plays. */
  doublings?: readonly Doubling[];
  /** Other sounds of the same instrument in the middle of a part: another patch. */
  programChanges?: { at: WrittenUnits; program: number }[];
  /** One for each bar of the score. */
  bars: PartBar[];
}

/** Another instrument in a part: the piccolo of a flute player, the second clarinet on the staff of the first. */
export interface Doubling {
  name: string;
  instrument: InstrumentId;
  /** General MIDI, 1–128; null: not said. */
  program: number | null;
}

export interface PartTransposition {
  /** Written minus sounding. */
  transposition: Semitones;
  /** The same in diatonic steps; differs from the instrument's usual interval where the enharmonic key is written. */
  transpositionSteps: number;
}

/** Another transposition from the start of a bar on. */
export interface TranspositionChange extends PartTransposition {
  /** Bar index. */
  bar: number;
}

export interface Tablature {
  show: 'notation' | 'tablature' | 'both';
  /** Sounding keys of the open strings without capo, the lowest string first. */
  tuning: MidiKey[];
  /** Fret it sits at; 0 for none. */
  capo: number;
}

/** Another clef from a place on. */
export interface ClefChange {
  /** Bar index. */
  bar: number;
  /** From the start of the bar; none: at its barline. */
  at?: WrittenUnits;
  staff: number;
  clef: Clef;
}

export interface PartBar {
  /**
   * The bar is like the one or the two before it and may be written as a repeat sign; the first of two says 2, the
   * second 0.
   */
  likeBefore?: 1 | 2 | 0;
  /** Voices that have symbols in this bar; each fills the bar from first to last unit. */
  voices: VoiceBar[];
}

export interface VoiceBar {
  /** Staff of the part, from 1. */
  staff: number;
  /** Number within the part, from 1. Voices 1–4 belong to staff 1, 5–8 to staff 2. */
  voice: number;
  symbols: SymbolInBar[];
}

export type NoteType = 'breve' | 'whole' | 'half' | 'quarter' | 'eighth' | '16th' | '32nd' | '64th' | '128th';

export interface SymbolInBar {
  /** From the start of the bar. */
  at: WrittenUnits;
  /** Time it takes, tuplets counted in. */
  duration: WrittenUnits;
  type: NoteType;
  dots: number;
  tuplet?: TupletPlace;
  /** Empty for a rest. */
  notes: ScoreNote[];
  /** A rest that stands for the whole bar whatever its length. */
  wholeBar?: true;
  /** Small notes that show what another part plays. */
  cue?: true;
  /** Not printed: a rest that only fills, or notes that play what a sign says. */
  hidden?: true;
  marks?: SymbolMarks;
}

export const ARTICULATIONS = ['staccato', 'tenuto', 'accent', 'marcato'] as const;
export type Articulation = (typeof ARTICULATIONS)[number];

/** Short ornaments, by the standard's names. */
export const TURNS = ['mordent', 'inverted-mordent', 'turn', 'inverted-turn'] as const;
export type Turn = (typeof TURNS)[number];

export const FERMATAS = [
  'normal',
  'angled',
  'square',
  'double-angled',
  'double-square',
  'double-dot',
  'half-curve',
  'curlew',
] as const;
/** The standard's shapes, from which its length is read: angled is short, square long. */
export type Fermata = (typeof FERMATAS)[number];

/** Signs that go with a symbol. */
export interface SymbolMarks {
  /** Playing directions above the staff, from here on: "pizz.", "con sord.". */
  words?: string[];
  articulations?: Articulation[];
  /** The standard's finer signs for them, as they are written: a wedge for a dot. */
  drawnAs?: string[];
  /** Strokes through the stem. */
  tremolo?: number;
  /** As fast as can be, whatever the number of strokes. */
  unmeasured?: true;
  trill?: true;
  turn?: Turn;
  /** Accidentals above and below a trill or a turn: half tones that its neighbours are altered by. */
  neighbours?: { above?: Alteration; below?: Alteration };
  /** Two symbols that alternate: the first and the second of them. */
  alternating?: 'first' | 'second';
  harmonic?: true;
  bowing?: 'down' | 'up';
  /** A hi-hat struck open, or closed again after that: a small circle, a plus. */
  hiHat?: 'open' | 'closed';
  /** The chord is spread from its lowest note up, or down. */
  arpeggio?: 'up' | 'down';
  /** A line from this symbol to the next one, or from the last one to this. */
  glide?: Glide;
  /** Grace notes before it, in order; and after it, before the next. */
  graces?: Grace[];
  gracesAfter?: Grace[];
  /** A breath after it, or a full stop of everyone. */
  breath?: 'breath' | 'caesura';
  fermata?: Fermata;
  /** Syllables, one for each verse that has one here. */
  lyrics?: Lyric[];
  /** Signs for the eye: fingerings, strokes, rare articulations, as the standard has them. */
  further?: FurtherSign[];
  /** Which of these signs are only suggested. */
  suggested?: readonly (Articulation | 'breath')[];
}

export type Alteration = -2 | -1 | 0 | 1 | 2;

/** Glissando: the steps between are heard; slide: the pitch glides. */
export interface Glide {
  starts?: 'glissando' | 'slide';
  stops?: 'glissando' | 'slide';
}

/** One grace note, or several struck together. */
export interface Grace {
  notes: ScoreNote[];
  type: NoteType;
  /** A stroke through its stem: as short as can be. */
  slash?: true;
  /** Where its time comes from, and which share of that note in percent. */
  steals?: { from: 'before' | 'after'; percent: number };
}

/** An element of the standard as it came. */
export interface StandardElement {
  name: string;
  text?: string;
  attributes?: Readonly<Record<string, string>>;
  children?: StandardElement[];
}

/** A sign that changes nothing one hears, and the group of the standard it stands in. */
export interface FurtherSign extends StandardElement {
  group: 'ornaments' | 'technical' | 'articulations' | null;
}

export type Syllabic = 'single' | 'begin' | 'middle' | 'end';

export interface Lyric {
  /** From 1. */
  verse: number;
  text: string;
  /** The word goes on, has gone on, or both. */
  syllabic: Syllabic;
  /** Further syllables sung on the same note. */
  elided?: { text: string; syllabic: Syllabic }[];
  /** The syllable is held over the notes that follow. */
  extends?: true;
}

export interface TupletPlace {
  actual: number;
  normal: number;
  /** The tuplet's unit. */
  normalType: NoteType;
  first: boolean;
  last: boolean;
  /** Tuplets inside a tuplet: `actual` and `normal` are then of all of them together. */
  nested?: TupletBracket[];
}

/** One of several brackets over each other. */
export interface TupletBracket {
  /** 1 is the outermost. */
  level: number;
  edge: 'start' | 'stop';
  /** Where it starts: what it counts. */
  ratio?: { actual: number; normal: number; type: NoteType };
}

export interface ScoreNote {
  /** Sounding key. */
  key: MidiKey;
  /** As printed, that is transposed. For an unpitched part: the place on the staff. */
  pitch: Pitch;
  notehead?: string;
  /** Where a fretted part plays it: string 1 is the highest. */
  fingering?: { string: number; fret: number };
  tieFromLast: boolean;
  tieToNext: boolean;
  /** At the beginning of a later ending: held over from the bar before the first one. */
  tieFromBeforeEndings?: true;
  /** It is left to ring: a tie that leads nowhere. */
  ringing?: true;
  /** The staff it stands on where its voice crosses to another one. */
  staff?: number;
  /** What it is of a harmonic that its symbol is marked as. */
  harmonic?: HarmonicNote;
  /** Which of the part's `doublings` plays it; none: the part's own instrument. */
  doubling?: number;
  /** Cents above `key`: quarter tones. */
  cents?: number;
  /** How strong it is to be played, where the file says so of the single note; 1–127. */
  velocity?: number;
  /** Ids of the played notes behind this one. */
  played: number[];
}

export const HARMONIC_KINDS = ['natural', 'artificial'] as const;
/** The string as it is stopped, where another finger touches it, and what is heard. */
export const HARMONIC_PITCHES = ['base-pitch', 'touching-pitch', 'sounding-pitch'] as const;

/** By the standard's names. */
export interface HarmonicNote {
  kind?: (typeof HARMONIC_KINDS)[number];
  pitch?: (typeof HARMONIC_PITCHES)[number];
}

/** Voice number of a staff's n-th voice (n from 0). */
export function voiceNumber(staff: number, n: number): number {
  return (staff - 1) * 4 + n + 1;
}
