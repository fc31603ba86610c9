/*
 * Voices: the notes of one staff are shared between a few rhythmic lines, two unless somebody says otherwise.
 *
 *     upper   x   x   x   x          two voices only where a note is truly held under (or over) others;
 *     lower   x===========           a legato overlap is trimmed, not written
 *
 * Takes placed notes of one staff with their played ends; gives the voice of each. Beam search over the chords in time;
 * a chord may be cut between its notes. Costs: sound that would have to be cut off, chord notes of unlike length in one
 * voice, crossing, and the second voice itself. Clustering by onset and end follows the usual literature (Chew & Wu
 * 2004 for voice continuity, from memory).
 */
import { beamSearch } from '../../base';
import type { MidiKey, Seconds, WrittenUnits } from '../../time';
import { QUARTER } from '../../time';
import type { PlacedNote } from '../timing/timed-note';

const BEAM = 12;
const UNLIKE_ENDS_MEANT = 4;
/** Cutting off what the file says is held. */
const HELD_MEANT = 2.5;
const CROSSING = 2.5;
/** Cutting off a chord into which the next one is struck. */
const STRUCK_INTO = 0.4;
/** So long a finger stays on its key after the next one, however short the notes are: nothing is held there. */
const LEGATO: Seconds = 0.06;

interface Line {
  /** Played end of what sounds last in this voice, and when that is. */
  end: number;
  endSeconds: Seconds;
  /** The file tells that end. */
  meant: boolean;
  start: WrittenUnits;
  key: MidiKey;
  /** The chord it struck last. */
  keys: readonly MidiKey[];
}

/** A chord shared between the lines, and what does not depend on what came before. */
interface Sharing {
  at: WrittenUnits;
  /** How many notes of the chord, from the top, each line takes. */
  sizes: readonly number[];
  /** The notes of each line, top first. */
  groups: readonly (readonly PlacedNote[])[];
  /** What each line with notes is afterwards. */
  after: readonly (Line | null)[];
  unlike: readonly number[];
}

export interface VoiceCosts {
  /** Strings of a strum die away at different times, and that is not written. */
  strums: boolean;
  /** Writing a chord in the second voice. Low for keyboards, high for instruments of one line. */
  secondVoice: number;
  /** Lines at most, 1–4. */
  most: number;
}

/** @param notes of one staff, in order of start @returns voice of each from 0, same order */
export function separateVoices(notes: readonly PlacedNote[], costs: VoiceCosts): number[] {
  const chords = chordsFromTop(notes);
  if (isOneLine(notes, chords)) return notes.map(() => 0);
  const silent: Line = { end: -Infinity, endSeconds: -Infinity, meant: false, start: -Infinity, key: 0, keys: [] };
  const path = beamSearch<readonly Line[], Sharing>({
    start: Array<Line>(costs.most).fill(silent),
    steps: chords.length,
    width: BEAM,
    choices: (c) =>
      sharingsOf(
        chords[c]!.map((i) => notes[i]!),
        costs,
      ),
    cost: (lines, sharing) => costOf(lines, sharing, costs),
    next: (lines, { after }) => lines.map((line, voice) => after[voice] ?? line),
  });
  const voices = Array<number>(notes.length).fill(0);
  path.forEach((way, c) => {
    let next = 0;
    sharings(chords[c]!.length, costs.most)[way]!.forEach((size, voice) => {
      for (let k = 0; k < size; k++) voices[chords[c]![next++]!] = voice;
    });
  });
  return voices;
}

function sharingsOf(members: readonly PlacedNote[], { most, strums }: VoiceCosts): Sharing[] {
  return sharings(members.length, most).map((sizes) => {
    let next = 0;
    const groups = sizes.map((size) => members.slice(next, (next += size)));
    return {
      at: members[0]!.start,
      sizes,
      groups,
      after: groups.map((own, voice) => (own.length === 0 ? null : lineAfter(own, voice === 0 ? 'upper' : 'lower'))),
      unlike: groups.map((own) => (own.length === 0 || strums ? 0 : unlike(own))),
    };
  });
}

/** Ways to share a chord's notes between the lines, from the top down. */
function sharings(count: number, lines: number): number[][] {
  const slot = count * 5 + lines;
  let ways = knownSharings.get(slot);
  if (!ways) knownSharings.set(slot, (ways = computeSharings(count, lines)));
  return ways;
}

const knownSharings = new Map<number, number[][]>();

function computeSharings(count: number, lines: number): number[][] {
  if (lines === 1) return [[count]];
  return Array.from({ length: count + 1 }, (_, first) =>
    sharings(count - first, lines - 1).map((rest) => [first, ...rest]),
  ).flat();
}

/** Single notes that hardly overlap need no search. */
function isOneLine(notes: readonly PlacedNote[], chords: readonly (readonly number[])[]): boolean {
  return chords.every((chord, c) => {
    if (chord.length > 1) return false;
    const note = notes[chord[0]!]!;
    const next = chords[c + 1] && notes[chords[c + 1]![0]!]!;
    if (next && note.meantEnd !== undefined && next.meant !== undefined) return note.meantEnd <= next.meant;
    if (!next || isLegato(note.releaseSeconds, next)) return true;
    return note.release - next.start <= 0.35 * Math.min(next.start - note.start, next.release - next.onset);
  });
}

/** Indices of the notes that start together, highest key first. */
function chordsFromTop(notes: readonly PlacedNote[]): number[][] {
  const byStart = new Map<WrittenUnits, number[]>();
  notes.forEach((note, i) => {
    const chord = byStart.get(note.start);
    if (chord) chord.push(i);
    else byStart.set(note.start, [i]);
  });
  return [...byStart.entries()]
    .sort((a, b) => a[0] - b[0])
    .map(([, chord]) => chord.sort((a, b) => notes[b]!.key - notes[a]!.key));
}

function costOf(lines: readonly Line[], sharing: Sharing, { secondVoice }: VoiceCosts): number {
  const later = sharing.at + QUARTER / 8;
  let cost = 0;
  let silentAbove = true;
  sharing.groups.forEach((own, voice) => {
    const line = lines[voice]!;
    if (own.length > 0) {
      cost +=
        joining(line, own) + sharing.unlike[voice]! + voice * secondVoice + outOfOrder(lines, sharing, voice, later);
      // A lower voice alone means a rest above it that nobody needs.
      if (voice > 0 && silentAbove) cost += 0.6;
    }
    silentAbove &&= own.length === 0 && line.end <= later;
  });
  return cost;
}

/** Voices that sound against each other keep their order; a voice that rests does not mind. */
function outOfOrder(lines: readonly Line[], { sizes, groups }: Sharing, voice: number, later: number): number {
  const own = groups[voice]!;
  let cost = 0;
  for (let other = 0; other < sizes.length; other++) {
    const against = lines[other]!;
    if (sizes[other]! > 0 || against.end <= later) continue;
    const crosses = other > voice ? own.at(-1)!.key < against.key : other < voice && own[0]!.key > against.key;
    if (crosses) cost += CROSSING;
  }
  return cost;
}

function lineAfter(chord: readonly PlacedNote[], side: 'upper' | 'lower'): Line {
  return {
    start: chord[0]!.start,
    meant: chord.every((note) => note.meantEnd !== undefined),
    end: chord.reduce((end, note) => Math.max(end, note.release), 0),
    endSeconds: chord.reduce((end, note) => Math.max(end, note.releaseSeconds), 0),
    key: side === 'upper' ? chord.at(-1)!.key : chord[0]!.key,
    keys: chord.map((note) => note.key),
  };
}

/** A chord that strikes a key of the one before again: that one was let go for it, however late the rest of it. */
function isStruckInto(line: Line, chord: readonly PlacedNote[]): boolean {
  return chord.length > 1 && line.keys.length > 1 && chord.some((note) => line.keys.includes(note.key));
}

/** Let go hardly later than the next one is struck. */
const isLegato = (end: Seconds, next: PlacedNote): boolean => end - next.onsetSeconds <= LEGATO;

/** What is cut off when the voice moves on: little for a legato overlap, much for a held note. */
function joining(line: Line, chord: readonly PlacedNote[]): number {
  const at = chord[0]!.start;
  const over = line.end - at;
  if (over <= 0) return 0;
  const length = chord.reduce((least, note) => Math.min(least, note.release - note.onset), Infinity);
  const held = at - line.start;
  const share = over / Math.max(1, Math.min(held, length));
  if (isStruckInto(line, chord)) return STRUCK_INTO;
  if (line.meant && chord[0]!.meant !== undefined) return Math.min(HELD_MEANT + 2.2 * share, 6);
  return share <= 0.35 || isLegato(line.endSeconds, chord[0]!)
    ? 0.3 * Math.min(1, share)
    : Math.min(0.1 + 2.2 * share, 6);
}

/** Notes of one chord that end at different times cannot share a stem. */
function unlike(chord: readonly PlacedNote[]): number {
  if (chord.length === 1) return 0;
  const meant = chord.every((note) => note.meantEnd !== undefined);
  let latest = -Infinity;
  let first = Infinity;
  for (const { release } of chord) {
    latest = Math.max(latest, release);
    first = Math.min(first, release);
  }
  const spread = latest - first;
  if (meant) return spread < QUARTER / 16 ? 0 : UNLIKE_ENDS_MEANT;
  const share = spread / Math.max(1, latest - chord[0]!.start);
  return share <= 0.3 ? 0 : Math.min(0.4 + 2.2 * share, 3);
}
