/*
 * Doubts: what the engine is not sure of, as queries with their places.
 */
import { trackLabel, type Casting, type CastPart } from '../casting';
import { findDuplicates, mixedTracks, type Performance, type TrackId } from '../performance';
import { keyInWords, keyName, type Query, type ScoreKey } from '../score';
import {
  barBeat,
  barIndexAt,
  type Bar,
  type MidiKey,
  type Milliseconds,
  type Seconds,
  type WrittenUnits,
} from '../time';
import { beatIndexAt, type BeatLine } from './beats';
import type { GridChoice } from './grid';
import { usualKey, type BarKey } from './keys';
import { isDefaultKey } from './signatures';
import { LEAST_LEAD_CONFIDENCE, type Lead } from './lead';
import type { PlacedNote } from './timed-note';

/** A note this far from its place is asked about, in shares of the part's jitter and absolutely. */
const FAR_JITTERS = 3.5;
const FAR: Seconds = 0.045;
/** When more than this share of a part does not fit its instrument, the instrument is in doubt and not the notes. */
const MOSTLY = 0.3;

/** Notes far off their place, and notes the instrument does not have. */
export function noteQueries(
  part: CastPart,
  grid: GridChoice,
  bars: readonly Bar[],
  line: BeatLine,
  switches: ReadonlySet<MidiKey>,
): Query[] {
  const barStarts = bars.map((bar) => bar.start);
  const place = (at: WrittenUnits) => {
    const { bar, beat } = barBeat(bars, at);
    return { words: `${part.name}, bar ${bar}, beat ${beat}`, bar: barIndexAt(barStarts, at) };
  };
  return [...offGrid(part, grid, line, place), ...outside(part, grid, place, switches)];
}

/** Keys of a part that are already asked about as keyswitches. */
export function suspectedSwitches(part: CastPart, queries: readonly Query[]): Set<MidiKey> {
  const keys = queries
    .filter((query) => query.kind === 'keyswitch' && part.tracks.includes(query.track!))
    .flatMap((query) => String(query.facts?.keys).split(' '));
  return new Set(keys.map(Number));
}

type Place = (at: WrittenUnits) => { words: string; bar: number };

/** How long after its written place a note was played, lead and swing taken out. */
function awayFromPlace(note: PlacedNote, line: BeatLine): Seconds {
  return (note.onset - note.start) * line.secondsPerUnit[beatIndexAt(line, note.start)]!;
}

/** Further from its place than the grid allows itself in this part. */
export function isOffGrid(note: PlacedNote, grid: Pick<GridChoice, 'jitter'>, line: BeatLine): boolean {
  return Math.abs(awayFromPlace(note, line)) > Math.max(FAR, FAR_JITTERS * grid.jitter);
}

function offGrid(part: CastPart, grid: GridChoice, line: BeatLine, place: Place): Query[] {
  return grid.notes.flatMap((note): Query[] => {
    if (!isOffGrid(note, grid, line)) return [];
    const { words, bar } = place(note.start);
    const ms: Milliseconds = Math.round(awayFromPlace(note, line) * 1000);
    return [
      {
        id: `off-grid/${part.id}/${note.id}`,
        kind: 'off-grid',
        part: part.id,
        at: note.start,
        bar,
        played: [note.id],
        message: `${words}: played ${Math.abs(ms)} ms ${ms > 0 ? 'after' : 'before'} the place it is written on.`,
        facts: { ms },
      },
    ];
  });
}

/** One query for each key that does not fit, at the first place it occurs; one for the part where most do not. */
function outside(part: CastPart, grid: GridChoice, place: Place, switches: ReadonlySet<MidiKey>): Query[] {
  const { unpitched, range } = part.instrument;
  if (unpitched) return [];
  // MusicXML has no octave below 0 and none above 9.
  const writable = (key: number) =>
    key + part.instrument.transposition >= 12 && key + part.instrument.transposition < 132;
  const fits = (key: number) => switches.has(key) || (key >= range[0] && key <= range[1] && writable(key));
  const strange = grid.notes.filter((note) => !fits(note.key));
  const octave = octaveOff(part, grid, strange, switches, writable);
  if (octave) return [octaveQuery(part, grid, strange, octave, place)];
  if (strange.length > MOSTLY * grid.notes.length && strange.length > 1) {
    const first = strange[0]!;
    const { words, bar } = place(first.start);
    const [low, high] = range.map(keyInWords);
    return [
      {
        id: `out-of-range/${part.id}`,
        kind: 'out-of-range',
        part: part.id,
        at: first.start,
        bar,
        played: strange.map((note) => note.id),
        message: `${words} and on: ${strange.length} of ${grid.notes.length} notes lie outside ${low}–${high}. Perhaps this is another instrument.`,
      },
    ];
  }
  return [...new Set(strange.map((note) => note.key))].map((key): Query => {
    const notes = strange.filter((note) => note.key === key);
    const { words, bar } = place(notes[0]!.start);
    const times = notes.length > 1 ? ` (${notes.length} times)` : '';
    return {
      id: `out-of-range/${part.id}/${key}`,
      kind: 'out-of-range',
      part: part.id,
      at: notes[0]!.start,
      bar,
      played: notes.map((note) => note.id),
      message: writable(key)
        ? `${words}: ${keyInWords(key)} lies outside the instrument’s range, ${range.map(keyInWords).join('–')}${times}.`
        : `${words}: MusicXML cannot write ${keyInWords(key)}${times}; an octave nearer the middle stands in the file.`,
      facts: { key },
    };
  });
}

/** So many notes out of range speak for the octave of the whole part rather than for single notes. */
const FEW_STRANGE = 3;

/**
 * The octave by which the whole part would lie where its instrument plays; two octaves off it is rather another
 * instrument.
 */
function octaveOff(
  { instrument }: CastPart,
  { notes }: GridChoice,
  strange: readonly PlacedNote[],
  switches: ReadonlySet<MidiKey>,
  writable: (key: number) => boolean,
): number | null {
  if (strange.length < FEW_STRANGE) return null;
  const [low, high] = instrument.range;
  const within = (key: number) => key >= low && key <= high && writable(key);
  return [12, -12].find((by) => notes.every(({ key }) => switches.has(key) || within(key + by))) ?? null;
}

function octaveQuery(
  part: CastPart,
  { notes }: GridChoice,
  strange: readonly PlacedNote[],
  by: number,
  place: Place,
): Query {
  const first = strange[0]!;
  const { words, bar } = place(first.start);
  const [low, high] = part.instrument.range.map(keyInWords);
  return {
    id: `out-of-range/${part.id}/octave`,
    kind: 'out-of-range',
    part: part.id,
    at: first.start,
    bar,
    played: notes.map((note) => note.id),
    message: `${words} and on: ${strange.length} of ${notes.length} notes lie outside ${low}–${high}. An octave ${by > 0 ? 'higher' : 'lower'} the whole part would be within it.`,
    facts: { octave: by },
  };
}

/** Leads that are likely but not certain; they were not taken out. */
export function leadQueries(casting: Casting, leads: Map<TrackId, Lead>): Query[] {
  return casting.parts.flatMap((part) =>
    part.tracks.flatMap((track): Query[] => {
      const lead = leads.get(track)!;
      if (lead.pinned || lead.milliseconds === 0 || lead.confidence >= LEAST_LEAD_CONFIDENCE) return [];
      return [
        {
          id: `lead/${track}`,
          kind: 'lead',
          track,
          part: part.id,
          message: `${part.name} may have been played ${Math.abs(lead.milliseconds)} ms ${lead.milliseconds > 0 ? 'early' : 'late'} (${Math.round(lead.confidence * 100)} % sure); written as played so far.`,
          facts: { ms: lead.milliseconds },
        },
      ];
    }),
  );
}

/** What was odd in the file itself. */
export function fileQueries(performance: Performance): Query[] {
  return performance.warnings.map((warning, i) => ({
    id: `file/${i}/${warning.track ?? ''}/${warning.tick ?? ''}`,
    kind: 'file',
    track: warning.track,
    message: warning.message,
  }));
}

/** Tracks that double another and are both written; tracks that carry several channels. */
export function trackQueries(performance: Performance, casting: Casting): Query[] {
  const written = new Set(casting.parts.flatMap((part) => part.tracks));
  const nameOf = (id: TrackId) => {
    const track = performance.tracks.find((candidate) => candidate.id === id)!;
    return trackLabel(track);
  };
  const duplicates = [...findDuplicates(performance)].filter(([id, { of }]) => written.has(id) && written.has(of));
  return [
    ...duplicates.map(([id, { of, exact, transposed, later }]): Query => {
      const shift = [
        transposed !== 0 &&
          `${Math.abs(transposed / 12)} octave${Math.abs(transposed) > 12 ? 's' : ''} ${transposed > 0 ? 'higher' : 'lower'}`,
        later !== 0 && `${Math.abs(later)} ms ${later > 0 ? 'later' : 'earlier'}`,
      ]
        .filter(Boolean)
        .join(', ');
      return {
        id: `duplicate-track/${id}`,
        kind: 'duplicate-track',
        track: id,
        part: id,
        message: `${nameOf(id)} plays ${exact ? 'exactly ' : ''}what ${nameOf(of)} plays${shift && ` (${shift})`}: perhaps only there to thicken the sound.`,
      };
    }),
    ...mixedTracks(performance)
      .filter((track) => written.has(track.id))
      .map((track): Query => ({
        id: `mixed-channels/${track.id}`,
        kind: 'mixed-channels',
        track: track.id,
        part: track.id,
        message: `${trackLabel(track)} plays on channels ${track.channels.join(', ')}: perhaps ${track.channels.length} instruments.`,
      })),
  ];
}

/** Where the signature printed is not what the file says, or not what its notes say. */
export function keyQueries(
  keys: readonly ScoreKey[],
  barKeys: readonly BarKey[],
  performance: Performance,
  decided: boolean,
): Query[] {
  if (decided || barKeys.length === 0) return [];
  const heard = usualKey(barKeys);
  const stated = performance.keys;
  const facts = { fifths: heard.fifths, mode: heard.mode };
  if (isDefaultKey(stated)) {
    const printed = keys[0]!;
    if (stated.length === 0 || printed.fifths === 0) return [];
    return [
      {
        id: 'key-signature/default',
        kind: 'key-signature',
        message: `The file says C major, which often means that nobody set it. Its notes say ${keyName(printed)}, and that is printed.`,
        facts: { fifths: printed.fifths, mode: printed.mode },
      },
    ];
  }
  const share = barKeys.filter((key) => keys.some((printed) => printed.fifths === key.fifths)).length / barKeys.length;
  if (share > 0.25) return [];
  return [
    {
      id: 'key-signature/stated',
      kind: 'key-signature',
      message: `The file’s key signature is printed, but the notes sound like ${keyName(heard)}.`,
      facts,
    },
  ];
}
