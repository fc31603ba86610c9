import type { Family, Instrument, InstrumentSheet } from '../instrument';
import { brass } from './brass';
import { extremeRangeOf } from './extremes';
import { keyboard, plucked } from './keyboard-plucked';
import { percussion } from './percussion';
import { strings, voice } from './voice-strings';
import { woodwind } from './woodwind';

/** Ids of all instruments, as their families list them. */
export type InstrumentId =
  | (
      | typeof woodwind
      | typeof brass
      | typeof percussion
      | typeof keyboard
      | typeof plucked
      | typeof voice
      | typeof strings
    )[number]['id']
  | 'unknown';

type Line = Omit<InstrumentSheet<InstrumentId>, 'family' | 'scoreOrder' | 'extremeRange'>;

/** Families from the top of an orchestral page to its foot, and instruments in score order within each. */
const PAGE: [Family, readonly Line[]][] = [
  ['woodwind', woodwind],
  ['brass', brass],
  ['percussion', percussion],
  ['keyboard', keyboard],
  ['plucked', plucked],
  ['voice', voice],
  ['strings', strings],
];

/** What a part is called when nothing tells what it is: a treble or bass staff at concert pitch. */
export const UNKNOWN_INSTRUMENT: Instrument = {
  id: 'unknown',
  family: 'other',
  scoreOrder: 9999,
  names: { en: 'Unnamed', de: 'Ohne Namen', it: 'Senza nome', fr: 'Sans nom', es: 'Sin nombre' },
  abbreviations: { en: '?', de: '?', it: '?', fr: '?', es: '?' },
  aliases: [],
  clefs: ['treble'],
  otherClefs: [],
  oneOrTwoStaves: true,
  octaveLines: true,
  keepsTime: false,
  transposition: 0,
  range: [0, 127],
  easyRange: [0, 127],
  extremeRange: [0, 127],
  programs: [1],
  sound: 'keyboard.piano',
  section: false,
  unpitched: false,
  polyphonic: true,
};

export const CATALOGUE: readonly Instrument[] = PAGE.flatMap(([family, lines], row) =>
  lines.map((line, i) => ({
    ...line,
    family,
    scoreOrder: row * 100 + i,
    extremeRange: extremeRangeOf(line.id, family, line.range),
  })),
);

const byId = new Map<string, Instrument>(
  [...CATALOGUE, UNKNOWN_INSTRUMENT].map((instrument) => [instrument.id, instrument]),
);

/** The catalogue's entry; an id that is not in it gives UNKNOWN_INSTRUMENT. */
export function instrumentById(id: string): Instrument {
  return byId.get(id) ?? UNKNOWN_INSTRUMENT;
}

export function isInstrumentId(id: string): id is InstrumentId {
  return byId.has(id);
}
