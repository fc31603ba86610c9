import { say, spokenLanguage, type MessageId } from '../words';
import type { MidiKey, Semitones } from '../time';
import type { InstrumentId } from './catalogue';
import { abbreviationsOf } from './catalogue/abbreviations';

export type Family = 'woodwind' | 'brass' | 'percussion' | 'keyboard' | 'plucked' | 'voice' | 'strings' | 'other';

/** The first ones are usual today; old music and arrangements of it have the others. */
export const CLEF_NAMES = [
  ...(['treble', 'bass', 'alto', 'tenor', 'percussion', 'treble-8vb'] as const),
  ...(['treble-8va', 'bass-8vb', 'soprano', 'mezzo-soprano', 'baritone', 'baritone-c', 'french-violin'] as const),
] as const;
export type Clef = (typeof CLEF_NAMES)[number];

const CLEFS_SAID = {
  treble: 'instruments.treble',
  bass: 'instruments.bass',
  alto: 'instruments.alto',
  tenor: 'instruments.tenor',
  percussion: 'instruments.percussion',
  'treble-8vb': 'instruments.treble8vb',
  'treble-8va': 'instruments.treble8va',
  'bass-8vb': 'instruments.bass8vb',
  soprano: 'instruments.soprano',
  'mezzo-soprano': 'instruments.mezzoSoprano',
  baritone: 'instruments.baritone',
  'baritone-c': 'instruments.baritoneC',
  'french-violin': 'instruments.frenchViolin',
} as const satisfies Record<Clef, MessageId>;

/** As people call it. */
export const clefName = (clef: Clef): string => say(CLEFS_SAID[clef]);

export const LANGUAGES = ['en', 'de', 'it', 'fr', 'es'] as const;
export type Language = (typeof LANGUAGES)[number];

/** Lowest and highest sounding key. */
export type KeyRange = readonly [MidiKey, MidiKey];

/** All there is to know of an instrument. @typeParam Id its id in the catalogue */
export interface InstrumentSheet<Id extends string> {
  id: Id;
  family: Family;
  /** Position from the top of the page; lower comes first. */
  scoreOrder: number;
  names: Record<Language, string>;
  abbreviations: Record<Language, string>;
  /** Further spellings and shortenings seen in track names, lower case. */
  aliases: readonly string[];
  /** One for each staff, top first. */
  clefs: readonly Clef[];
  /** Further clefs a staff may change to, the usual one first. */
  otherClefs: readonly Clef[];
  /** Written on one or two staves as the music wants. */
  oneOrTwoStaves: boolean;
  /** Its players read 8va and 8vb; others read ledger lines. */
  octaveLines: boolean;
  /** Plays in the rhythm section of a band: what swings is heard there first. */
  keepsTime: boolean;
  /** Written minus sounding pitch. */
  transposition: Semitones;
  /** Sounding range as the trade uses it; what every player has; what the best have on a good day. */
  range: KeyRange;
  easyRange: KeyRange;
  extremeRange: KeyRange;
  /** General MIDI programs (1–128), the best first; empty for unpitched percussion, which sounds on channel 10. */
  programs: readonly number[];
  /** Identifier in the standard's list of instrument sounds (MusicXML 3.0, sounds.xml). */
  sound: string;
  /** Usually more than one player to a part (a string section, a choir). */
  section: boolean;
  /** Unpitched: written on lines by what is struck, not by pitch. */
  unpitched: boolean;
  /** Plays several notes at once as a matter of course. */
  polyphonic: boolean;
}

export type Instrument = InstrumentSheet<InstrumentId>;

/** An instrument by its name in the language that is spoken; names of parts have a language of their own. */
export const spokenName = ({ names }: Pick<Instrument, 'names'>): string => names[spokenLanguage()];

export interface InstrumentOptions {
  transposition?: Semitones;
  easy?: KeyRange;
  aliases?: string;
  section?: true;
  unpitched?: true;
  polyphonic?: true;
  otherClefs?: readonly Clef[];
  oneOrTwoStaves?: true;
  octaveLines?: true;
  keepsTime?: true;
}

/**
 * One line of the catalogue.
 *
 * @param names English | German | Italian | French | Spanish
 * @param aliases in options: spellings seen in track names, separated by commas
 */
export function instrument<const Id extends string>(
  id: Id,
  names: string,
  abbreviation: string,
  clefs: Clef | readonly Clef[],
  range: KeyRange,
  programs: readonly number[],
  sound: string,
  options: InstrumentOptions = {},
): Omit<InstrumentSheet<Id>, 'family' | 'scoreOrder' | 'extremeRange'> {
  const [en = id, de = en, it = en, fr = en, es = en] = names.split('|').map((name) => name.trim());
  return {
    id,
    names: { en, de, it, fr, es },
    abbreviations: abbreviationsOf(id, abbreviation),
    aliases: (options.aliases ?? '')
      .split(',')
      .map((alias) => alias.trim())
      .filter(Boolean),
    clefs: typeof clefs === 'string' ? [clefs] : clefs,
    otherClefs: options.otherClefs ?? [],
    oneOrTwoStaves: options.oneOrTwoStaves ?? false,
    octaveLines: options.octaveLines ?? false,
    keepsTime: options.keepsTime ?? false,
    transposition: options.transposition ?? 0,
    range,
    easyRange: options.easy ?? range,
    programs,
    sound,
    section: options.section ?? false,
    unpitched: options.unpitched ?? false,
    polyphonic: options.polyphonic ?? false,
  };
}

/**
 * Diatonic steps that go with a transposition: +2 semitones is a second (1 step), +7 a fifth (4 steps), +9 a sixth (5
 * steps).
 */
export function transpositionSteps(semitones: Semitones): number {
  const octaves = Math.trunc(semitones / 12);
  const within = semitones - octaves * 12;
  const steps = [0, 1, 1, 2, 2, 3, 3, 4, 5, 5, 6, 6][Math.abs(within)]!;
  return octaves * 7 + Math.sign(within) * steps;
}
