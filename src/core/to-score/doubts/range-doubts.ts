/*
 * Notes an instrument does not have: single ones, a whole part an octave off, or perhaps another instrument.
 */
import { queryId } from '../../base';
import type { CastPart } from '../../casting';
import { CATALOGUE, type InstrumentId } from '../../instruments';
import type { Query } from '../../queries';
import { keyInWords } from '../../score';
import type { MidiKey, Semitones, WrittenUnits } from '../../time';
import type { GridChoice } from '../timing/grid';
import type { PlacedNote } from '../timing/timed-note';

/** When more than this share of a part does not fit its instrument, the instrument is in doubt and not the notes. */
const MOSTLY = 0.3;
/** So many notes out of range speak for the octave of the whole part rather than for single notes. */
const FEW_STRANGE = 3;

export type Place = (at: WrittenUnits) => { words: string; bar: number };

/** What is known of a part before its notes are judged. */
interface Judged {
  part: CastPart;
  notes: readonly PlacedNote[];
  strange: readonly PlacedNote[];
  place: Place;
  /** Instruments that have every note. */
  others: InstrumentId[];
  /** MusicXML can write the key in this part. */
  writable: (key: MidiKey) => boolean;
}

/** One query for each key that does not fit, at the first place it occurs; one for the part where most do not. */
export function rangeQueries(
  part: CastPart,
  candidates: readonly InstrumentId[],
  { notes }: GridChoice,
  place: Place,
  switches: ReadonlySet<MidiKey>,
): Query[] {
  const { unpitched, range, transposition } = part.instrument;
  if (unpitched) return [];
  // MusicXML has no octave below 0 and none above 9.
  const writable = (key: MidiKey) => key + transposition >= 12 && key + transposition < 132;
  const fits = (key: MidiKey) => switches.has(key) || (key >= range[0] && key <= range[1] && writable(key));
  const strange = notes.filter((note) => !fits(note.key));
  if (strange.length === 0) return [];
  const judged: Judged = { part, notes, strange, place, writable, others: otherInstruments(part, candidates) };
  const octave = octaveOff(judged, switches);
  if (octave !== null) return [octaveQuery(judged, octave)];
  return strange.length > MOSTLY * notes.length && strange.length > 1
    ? [mostlyQuery(judged)]
    : [...new Set(strange.map((note) => note.key))].map((key) => keyQuery(judged, key));
}

function mostlyQuery({ part, notes, strange, place, others }: Judged): Query {
  const first = strange[0]!;
  const { words, bar } = place(first.start);
  const [low, high] = part.instrument.range.map(keyInWords);
  return {
    id: queryId(`out-of-range/${part.id}`),
    kind: 'out-of-range',
    part: part.id,
    at: first.start,
    bar,
    played: strange.map((note) => note.id),
    message: `${words} and on: ${strange.length} of ${notes.length} notes lie outside ${low}–${high}. Perhaps this is another instrument.`,
    facts: { within: null, tracks: part.tracks, others },
  };
}

function keyQuery({ part, strange, place, others, writable }: Judged, key: MidiKey): Query {
  const { range } = part.instrument;
  const notes = strange.filter((note) => note.key === key);
  const { words, bar } = place(notes[0]!.start);
  const times = notes.length > 1 ? ` (${notes.length} times)` : '';
  const semitones = [12, -12, 24, -24].find((by) => key + by >= range[0] && key + by <= range[1]);
  return {
    id: queryId(`out-of-range/${part.id}/${key}`),
    kind: 'out-of-range',
    part: part.id,
    at: notes[0]!.start,
    bar,
    played: notes.map((note) => note.id),
    message: writable(key)
      ? `${words}: ${keyInWords(key)} lies outside the instrument’s range, ${range.map(keyInWords).join('–')}${times}.`
      : `${words}: MusicXML cannot write ${keyInWords(key)}${times}; an octave nearer the middle stands in the file.`,
    facts: { within: semitones === undefined ? null : { whole: false, semitones }, tracks: part.tracks, others },
  };
}

/**
 * The octave by which the whole part would lie where its instrument plays; two octaves off it is rather another
 * instrument.
 */
function octaveOff({ part, notes, strange, writable }: Judged, switches: ReadonlySet<MidiKey>): Semitones | null {
  if (strange.length < FEW_STRANGE) return null;
  const [low, high] = part.instrument.range;
  const within = (key: MidiKey) => key >= low && key <= high && writable(key);
  return [12, -12].find((by) => notes.every(({ key }) => switches.has(key) || within(key + by))) ?? null;
}

function octaveQuery({ part, notes, strange, place, others }: Judged, semitones: Semitones): Query {
  const first = strange[0]!;
  const { words, bar } = place(first.start);
  const [low, high] = part.instrument.range.map(keyInWords);
  return {
    id: queryId(`out-of-range/${part.id}/octave`),
    kind: 'out-of-range',
    part: part.id,
    at: first.start,
    bar,
    played: notes.map((note) => note.id),
    message: `${words} and on: ${strange.length} of ${notes.length} notes lie outside ${low}–${high}. An octave ${semitones > 0 ? 'higher' : 'lower'} the whole part would be within it.`,
    facts: { within: { whole: true, semitones }, tracks: part.tracks, others },
  };
}

/** Instruments that have every note of the part: first what the track was taken for, then its family in score order. */
function otherInstruments(part: CastPart, candidates: readonly InstrumentId[]): InstrumentId[] {
  const keys = part.notes.map((note) => note.key);
  const [low, high] = keys.reduce(([a, b], key) => [Math.min(a, key), Math.max(b, key)], [127, 0] as [number, number]);
  const rank = (id: InstrumentId) => {
    const at = candidates.indexOf(id);
    return at < 0 ? candidates.length : at;
  };
  return CATALOGUE.filter(
    (one) => one.id !== part.instrument.id && !one.unpitched && one.range[0] <= low && one.range[1] >= high,
  )
    .filter((one) => one.family === part.instrument.family || rank(one.id) < candidates.length)
    .sort((a, b) => rank(a.id) - rank(b.id) || a.scoreOrder - b.scoreOrder)
    .slice(0, 3)
    .map((one) => one.id);
}
