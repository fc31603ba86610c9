/*
 * Notes an instrument does not have: one query for a part, whatever its cause is: a part written an octave off, another
 * instrument, or single notes. Only what lies beyond the extreme range is asked about.
 */
import { inList, say } from '../../words';
import { queryId, type NoteId } from '../../base';
import type { CastPart } from '../../casting';
import { CATALOGUE, type InstrumentId, spokenName } from '../../instruments';
import type { OutOfRange, Query } from '../../queries';
import { keyInWords } from '../../score';
import type { MidiKey, Semitones, WrittenUnits } from '../../time';
import type { GridChoice } from '../timing/grid';
import type { PlacedNote } from '../timing/timed-note';

/** When more than this share of a part does not fit its instrument, the instrument is in doubt and not the notes. */
const MOSTLY = 0.3;
/** So many notes out of range speak for the octave of the whole part rather than for single notes. */
const FEW_STRANGE = 3;
/** So many different keys are named. */
const MOST_KEYS = 4;
/** So many other instruments are offered. */
const MOST_OTHERS = 2;

export type Place = (at: WrittenUnits) => { words: string; bar: number };

/** @param candidates what the part's track was taken for, the likeliest first @param asked notes asked about already */
export function rangeQueries(
  part: CastPart,
  candidates: readonly InstrumentId[],
  { notes }: GridChoice,
  place: Place,
  asked: ReadonlySet<NoteId>,
): Query[] {
  const { unpitched, extremeRange, transposition } = part.instrument;
  if (unpitched) return [];
  const fits = (key: MidiKey) => key >= extremeRange[0] && key <= extremeRange[1] && writable(key + transposition);
  const own = notes.filter((note) => !asked.has(note.id) && !isOnDoubling(part, note));
  const strange = own.filter((note) => !fits(note.key));
  if (strange.length === 0) return [];
  const { words, bar } = place(strange[0]!.start);
  const octave = strange.length < FEW_STRANGE ? null : octaveOff(own, fits);
  const mostly = strange.length > 1 && strange.length > MOSTLY * own.length;
  const query: OutOfRange = {
    id: queryId(`out-of-range/${part.id}`),
    kind: 'out-of-range',
    part: part.id,
    at: strange[0]!.start,
    bar,
    played: strange.map((note) => note.id),
    message: `${strange.length > 1 ? say('doubts.outOfRangeFrom', { words }) : words}: ${inWords(part, notes, strange)}${hint(octave, mostly)}`,
    facts: {
      tracks: part.tracks,
      whole: octave === null ? null : { notes: own.map((note) => note.id), semitones: octave },
      single: octavesWithin(strange, fits),
      others: otherInstruments(part, candidates),
      mostly,
    },
  };
  return [query];
}

/** What is out of range for the part's own instrument may be what another one was taken up for. */
function isOnDoubling({ doublings, doublingOf }: CastPart, { id, key }: PlacedNote): boolean {
  const doubling = doublings[doublingOf.get(id) ?? -1];
  return doubling !== undefined && key >= doubling.extremeRange[0] && key <= doubling.extremeRange[1];
}

/** MusicXML has no octave below 0 and none above 9. */
const writable = (written: MidiKey) => written >= 12 && written < 132;

function hint(octave: Semitones | null, mostly: boolean): string {
  if (octave !== null) return ` ${say('doubts.anOctaveHigherTheWholePartWouldBe', { octaveOver0: octave > 0 })}`;
  return mostly ? ` ${say('doubts.perhapsThisIsAnotherInstrument')}` : '';
}

/** "G5, A5 and F♯6 (18 of 402 notes) are outside what a Violoncello has, C2–E6." */
function inWords({ instrument }: CastPart, notes: readonly PlacedNote[], strange: readonly PlacedNote[]): string {
  const range = instrument.extremeRange.map(keyInWords).join('–');
  const keys = [...new Set(strange.map((note) => note.key))].sort((a, b) => a - b);
  const unwritable = keys.every((key) => !writable(key + instrument.transposition));
  const named =
    keys.length > MOST_KEYS ? `${keyInWords(keys[0]!)}–${keyInWords(keys.at(-1)!)}` : inList(keys.map(keyInWords));
  const many = say('doubts.strangeOfNotesNotes', { strange: strange.length, notes: notes.length });
  if (unwritable) return say('doubts.musicXMLCannotWriteNamedManyAn', { named, many });
  if (keys.length > MOST_KEYS)
    return say('doubts.manyBetweenNamedLieOutsideTheRange', { many, named, en: spokenName(instrument), range });
  return say('doubts.namedLieOutsideTheRangeOfEnRange', {
    named,
    lie: keys.length,
    en: spokenName(instrument),
    range,
    many,
  });
}

/**
 * The octave by which the whole part would lie where its instrument plays; two octaves off it is rather another
 * instrument.
 */
function octaveOff(notes: readonly PlacedNote[], fits: (key: MidiKey) => boolean): Semitones | null {
  return [12, -12].find((by) => notes.every(({ key }) => fits(key + by))) ?? null;
}

/** Octaves that bring each strange note within; null where one of them cannot be brought there. */
function octavesWithin(strange: readonly PlacedNote[], fits: (key: MidiKey) => boolean): OutOfRange['facts']['single'] {
  const found = strange.map(({ id, key }) => ({
    note: id,
    semitones: [12, -12, 24, -24].find((by) => fits(key + by)) ?? 0,
  }));
  return found.every(({ semitones }) => semitones !== 0) ? found : null;
}

/** What the track was taken for, and instruments of the part's kind, as far as they have every note. */
function otherInstruments(part: CastPart, candidates: readonly InstrumentId[]): InstrumentId[] {
  const { id, family, section, polyphonic } = part.instrument;
  const keys = part.notes.map((note) => note.key);
  const [low, high] = keys.reduce(([a, b], key) => [Math.min(a, key), Math.max(b, key)], [127, 0] as [number, number]);
  const rank = (other: InstrumentId) => {
    const at = candidates.indexOf(other);
    return at < 0 ? candidates.length : at;
  };
  return CATALOGUE.filter(
    (one) =>
      one.id !== id &&
      (one.id === candidates[0] || (one.family === family && one.polyphonic === polyphonic)) &&
      !one.unpitched &&
      one.range[0] <= low &&
      one.range[1] >= high,
  )
    .sort(
      (a, b) =>
        rank(a.id) - rank(b.id) ||
        Number(b.section === section) - Number(a.section === section) ||
        a.scoreOrder - b.scoreOrder,
    )
    .slice(0, MOST_OTHERS)
    .map((one) => one.id);
}
