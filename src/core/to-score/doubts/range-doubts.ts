/*
 * Notes an instrument does not have: single ones, a whole part an octave off, or perhaps another instrument.
 */
import { queryId } from '../../base';
import type { CastPart } from '../../casting';
import { CATALOGUE, type InstrumentId } from '../../instruments';
import type { OutOfRange, Query } from '../../queries';
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

/** @param which of the part's queries about range it is @param notes concerned */
function rangeQuery(
  { part, others, place }: Judged,
  which: string,
  notes: readonly PlacedNote[],
  {
    first = notes[0]!,
    within,
    say,
  }: { first?: PlacedNote; within: OutOfRange['facts']['within']; say: (where: string) => string },
): Query {
  const { words, bar } = place(first.start);
  return {
    id: queryId(`out-of-range/${part.id}${which}`),
    kind: 'out-of-range',
    part: part.id,
    at: first.start,
    bar,
    played: notes.map((note) => note.id),
    message: say(words),
    facts: { within, tracks: part.tracks, others },
  };
}

/** "3 of 40 notes lie outside G3–A7" */
function outside({ part, notes, strange }: Judged): string {
  const [low, high] = part.instrument.range.map(keyInWords);
  return `${strange.length} of ${notes.length} notes lie outside ${low}–${high}`;
}

function mostlyQuery(judged: Judged): Query {
  const say = (where: string) => `${where} and on: ${outside(judged)}. Perhaps this is another instrument.`;
  return rangeQuery(judged, '', judged.strange, { within: null, say });
}

function keyQuery(judged: Judged, key: MidiKey): Query {
  const { range } = judged.part.instrument;
  const notes = judged.strange.filter((note) => note.key === key);
  const times = notes.length > 1 ? ` (${notes.length} times)` : '';
  const semitones = [12, -12, 24, -24].find((by) => key + by >= range[0] && key + by <= range[1]);
  return rangeQuery(judged, `/${key}`, notes, {
    within: semitones === undefined ? null : { whole: false, semitones },
    say: (where) =>
      judged.writable(key)
        ? `${where}: ${keyInWords(key)} lies outside the instrument’s range, ${range.map(keyInWords).join('–')}${times}.`
        : `${where}: MusicXML cannot write ${keyInWords(key)}${times}; an octave nearer the middle stands in the file.`,
  });
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

function octaveQuery(judged: Judged, semitones: Semitones): Query {
  const way = semitones > 0 ? 'higher' : 'lower';
  return rangeQuery(judged, '/octave', judged.notes, {
    first: judged.strange[0]!,
    within: { whole: true, semitones },
    say: (where) => `${where} and on: ${outside(judged)}. An octave ${way} the whole part would be within it.`,
  });
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
