import type { MusicXmlVersion } from '../musicxml';
import type { MarksOut } from '../score';
import type { Preset } from '../settings';
import type { FrameRate } from '../studio';

/*
 * A recipe: what is handed over to somebody, and how. It names no job; any job can be handed over by it, whichever way it goes.
 */

export const PAPER_SIZES = ['A4', 'Letter', '9x12', 'A3'] as const;
export type PaperSize = (typeof PAPER_SIZES)[number];

export const SOUND_VERSIONS = ['received', 'written', 'delivered'] as const;
export const SAMPLE_RATES = [44100, 48000] as const;
export const BAR_NUMBERS = ['systems', 'every', 'none'] as const;

/** MusicXML. */
export interface ScoreWish {
  format: 'musicxml' | 'mxl';
  version: MusicXmlVersion;
  /** At sounding pitch instead of as players read it. */
  concert: boolean;
  whole: boolean;
  /** A file for each part. */
  parts: boolean;
  /** The tune with its chords; what two hands can play of it all. */
  leadSheet?: boolean;
  reduction?: boolean;
}

/** Standard MIDI Files. */
export interface MidiWish {
  /** What goes along; null: as the job has it. */
  carry: Preset | null;
  whole: boolean;
  parts: boolean;
  /** A file for each section between markers. */
  sections: boolean;
  /** null: as the job has it. */
  ticksPerQuarter: number | null;
  type: 0 | 1 | null;
  /** Tracks of a MIDI file are named, and given sounds and channels, by the instruments they are. */
  byInstrument: boolean;
}

/** The studio's map: tempo, meters, keys, markers. */
export interface MapWish {
  ticksPerQuarter: number;
  /** Milliseconds the thinned clock may be from the exact one. */
  tolerance: number;
  click: boolean;
  /** Bars. */
  countIn: number;
  rate: FrameRate;
  /** Code at the first bar, as a count of frames. */
  start: number;
}

/** Lists: CSV for a spreadsheet, and text. */
export interface ListsWish {
  tracks: boolean;
  /** Every bar and change with time and code. */
  times: boolean;
  /** Open queries, to be answered. */
  queries: boolean;
  /** Of the table of times. */
  rate: FrameRate;
  start: number;
}

/** Pages as PDF. */
export interface PagesWish {
  score: boolean;
  /** A file for each part. */
  parts: boolean;
  /** All parts one after the other in one file. */
  allParts: boolean;
  leadSheet?: boolean;
  reduction?: boolean;
  concert: boolean;
  paper: PaperSize;
  /** Height of a five-line staff in millimetres, in the score and in parts. */
  scoreStaff: number;
  partStaff: number;
  barNumbers: (typeof BAR_NUMBERS)[number];
  /** Text of a first page of its own; none where it is empty. */
  cover: string;
}

/** WAV files, 16 bits in stereo. */
export interface SoundWish {
  mix: boolean;
  /** A file for each part, turned down as the mix is: together they are the mix. */
  stems: boolean;
  click: boolean;
  version: (typeof SOUND_VERSIONS)[number];
  /** Hertz. */
  sampleRate: (typeof SAMPLE_RATES)[number];
}

export interface Recipe {
  name: string;
  /** What file names are made of; see `PLACEHOLDERS`. */
  pattern: string;
  marks: MarksOut;
  score: ScoreWish | null;
  midi: MidiWish | null;
  map: MapWish | null;
  lists: ListsWish | null;
  pages: PagesWish | null;
  sound: SoundWish | null;
  /** The files as they came go along. */
  originals: boolean;
}

/** What a recipe may want, by kind. */
export interface DeliveryWish {
  score: ScoreWish;
  midi: MidiWish;
  map: MapWish;
  lists: ListsWish;
  pages: PagesWish;
  sound: SoundWish;
}

export const DELIVERIES = ['score', 'midi', 'map', 'lists', 'pages', 'sound'] as const;

export const USUAL_SCORE: ScoreWish = { format: 'musicxml', version: '3.0', concert: false, whole: true, parts: false };
export const USUAL_MIDI: MidiWish = {
  carry: null,
  whole: true,
  parts: false,
  sections: false,
  ticksPerQuarter: null,
  type: null,
  byInstrument: false,
};
export const USUAL_MAP: MapWish = {
  ticksPerQuarter: 960,
  tolerance: 0,
  click: false,
  countIn: 0,
  rate: '25',
  start: 0,
};
export const USUAL_LISTS: ListsWish = { tracks: true, times: true, queries: false, rate: '25', start: 0 };
/** Staves of a score are smaller than those of a part (usual sizes of engraving handbooks, from memory). */
export const USUAL_PAGES: PagesWish = {
  score: true,
  parts: true,
  allParts: false,
  concert: false,
  paper: 'A4',
  scoreStaff: 4.4,
  partStaff: 6.6,
  barNumbers: 'systems',
  cover: '',
};
export const USUAL_SOUND: SoundWish = {
  mix: true,
  stems: false,
  click: false,
  version: 'delivered',
  sampleRate: 48000,
};

const NOTHING: Recipe = {
  name: '',
  pattern: '{cue} {part} v{version}',
  marks: 'taken',
  score: null,
  midi: null,
  map: null,
  lists: null,
  pages: null,
  sound: null,
  originals: false,
};

const USUAL = {
  score: USUAL_SCORE,
  midi: USUAL_MIDI,
  map: USUAL_MAP,
  lists: USUAL_LISTS,
  pages: USUAL_PAGES,
  sound: USUAL_SOUND,
};

/** A recipe as an earlier version kept it, with what it did not know yet as usual. */
export function completeRecipe(kept: Partial<Recipe>): Recipe {
  const wishes = Object.fromEntries(
    DELIVERIES.map((kind) => {
      const wish: unknown = kept[kind];
      const isWish = typeof wish === 'object' && wish !== null && !Array.isArray(wish);
      return [kind, isWish ? { ...USUAL[kind], ...wish } : (wish ?? null)];
    }),
  );
  return { ...NOTHING, ...kept, ...wishes };
}

/** What a house begins with; each can be changed, and put back. */
export const HOUSE_RECIPES: readonly Recipe[] = [
  { ...NOTHING, name: 'Notation program', score: USUAL_SCORE },
  { ...NOTHING, name: 'Sequencer', midi: USUAL_MIDI },
  {
    ...NOTHING,
    name: 'Studio',
    map: { ...USUAL_MAP, click: true, countIn: 2 },
    lists: { ...USUAL_LISTS, tracks: false },
  },
  {
    ...NOTHING,
    name: 'Orchestrator’s parcel',
    marks: 'suggested',
    score: USUAL_SCORE,
    midi: { ...USUAL_MIDI, byInstrument: true },
    map: USUAL_MAP,
    lists: { ...USUAL_LISTS, queries: true },
    sound: { ...USUAL_SOUND, version: 'received' },
    originals: true,
  },
  {
    ...NOTHING,
    name: 'Teaching clips',
    midi: { ...USUAL_MIDI, whole: false, parts: true, sections: true, byInstrument: true },
    sound: { ...USUAL_SOUND, stems: true },
  },
  { ...NOTHING, name: 'Print', pages: USUAL_PAGES },
];
