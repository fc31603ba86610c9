import type { WrittenUnits } from '../time';

/*
 * Marks that stand between notes or stretch over several: they belong to a part, not to one symbol. Times are absolute.
 */

/** Classes of marks that MIDI does not carry and that are found in the playing. */
export const MARK_CLASSES = ['dynamics', 'hairpins', 'slurs', 'staccato', 'accents', 'pedal', 'breaths'] as const;
export type MarkClass = (typeof MARK_CLASSES)[number];

/** From soft to loud. */
export const DYNAMICS = ['ppp', 'pp', 'p', 'mp', 'mf', 'f', 'ff', 'fff'] as const;
export type Dynamic = (typeof DYNAMICS)[number];

/** Velocities that the dynamic signs stand for (common practice, no source). */
export const DYNAMIC_VELOCITY: Readonly<Record<Dynamic, number>> = {
  ppp: 16,
  pp: 33,
  p: 49,
  mp: 64,
  mf: 80,
  f: 96,
  ff: 112,
  fff: 126,
};

/** MusicXML counts loudness in percent of a forte of this velocity. */
export const FORTE_VELOCITY = 90;

/** Found but not taken yet: shown as a suggestion, never exported. */
interface Suggestible {
  suggested?: true;
}

export interface DynamicMark extends Suggestible {
  at: WrittenUnits;
  staff: number;
  level: Dynamic;
  /** The sign as printed where it is another one: "pppp", "fp". */
  printed?: string;
  /** Loudness that is only said for playback, 1–127; then nothing is printed. */
  velocity?: number;
}

/** Signs that strike one note harder and change nothing after it, by the standard's names. */
export const FORCES = ['sf', 'sfz', 'sffz', 'fz', 'rf', 'rfz', 'sfp', 'sfpp', 'sfzp'] as const;
export type Force = (typeof FORCES)[number];

export interface ForceMark {
  at: WrittenUnits;
  staff: number;
  sign: Force;
}

export const HAIRPINS = ['crescendo', 'diminuendo'] as const;

export interface Hairpin extends Suggestible {
  start: WrittenUnits;
  end: WrittenUnits;
  staff: number;
  kind: (typeof HAIRPINS)[number];
  /** Said in words with dashes, not drawn: "cresc.", "dim." */
  words?: string;
}

export interface Slur extends Suggestible {
  /** Where its first and its last symbol stand. */
  start: WrittenUnits;
  end: WrittenUnits;
  voice: number;
  /** Where it ends in another voice. */
  endVoice?: number;
}

export interface PedalMark extends Suggestible {
  start: WrittenUnits;
  end: WrittenUnits;
}

/** Notes from `start` up to `end` are printed so many octaves nearer to the staff. */
export interface OctaveLine {
  start: WrittenUnits;
  end: WrittenUnits;
  staff: number;
  /** 1: 8va, sounds an octave above what is printed; −1: 8vb; 2 and −2: 15ma, 15mb. */
  octaves: 1 | -1 | 2 | -2;
}

export interface PartLines {
  dynamics: DynamicMark[];
  forces: ForceMark[];
  hairpins: Hairpin[];
  slurs: Slur[];
  pedals: PedalMark[];
  octaveLines: OctaveLine[];
}

export const NO_LINES: PartLines = { dynamics: [], forces: [], hairpins: [], slurs: [], pedals: [], octaveLines: [] };

/** What stands at a bar's barlines: repeats, endings and jumps. */
export interface BarSigns {
  repeatStart?: true;
  /** Played so many times in all, from the last repeat sign that opens. */
  repeatEnd?: { times: number };
  /** Numbers of the passes for which the ending that begins here is played. */
  ending?: number[];
  /** The ending goes on to this bar's end: closed by a hook, or left open. */
  endingStop?: 'stop' | 'discontinue';
  /** A sign to come back to; its name tells several apart. */
  segno?: true | string;
  coda?: true | string;
  toCoda?: true | string;
  fine?: true;
  jump?: 'daCapo' | 'dalSegno';
  /** Which segno is meant, where there are several. */
  jumpTo?: string;
  /** Everybody holds at the barline where the bar ends. */
  fermata?: true;
  /** The barline at the bar's end where it is no plain one, by the standard's names: "light-light", "dashed". */
  barline?: string;
}
