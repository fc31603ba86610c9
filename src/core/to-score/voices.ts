/*
 * Voices: the notes of one staff are shared between a few rhythmic lines, two unless somebody says otherwise.
 *
 *     upper   x   x   x   x          two voices only where a note is truly held under (or over) others;
 *     lower   x===========           a legato overlap is trimmed, not written
 *
 * Takes placed notes of one staff with their played ends; gives the voice of each. Beam search over the chords in time;
 * a chord may be cut between its notes. Costs: sound that would have to be cut off, chord notes of unlike length in one
 * voice, crossing, and the second voice itself. Clustering by onset and end follows the usual literature (Chew & Wu
 * 2004
 * for voice continuity, from memory).
 */
import type { WrittenUnits, MidiKey } from '../time';
import { QUARTER } from '../time';
import type { PlacedNote } from './timed-note';

const BEAM = 12;
const UNLIKE_ENDS_MEANT = 4;
/** Cutting off what the file says is held. */
const HELD_MEANT = 2.5;
/** Cutting off a chord into which the next one is struck. */
const STRUCK_INTO = 0.4;

interface Line {
  /** Played end of what sounds last in this voice. */
  end: number;
  /** The file tells that end. */
  meant: boolean;
  start: WrittenUnits;
  key: MidiKey;
  /** The chord it struck last. */
  keys: readonly MidiKey[];
}

interface State {
  cost: number;
  /** Top first. */
  lines: readonly Line[];
  /** How many notes of the chord, from the top, each line takes. */
  sizes: readonly number[];
  from: State | null;
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
  const silent: Line = { end: -Infinity, meant: false, start: -Infinity, key: 0, keys: [] };
  let states: State[] = [{ cost: 0, lines: Array<Line>(costs.most).fill(silent), sizes: [], from: null }];
  for (const chord of chords) {
    const members = chord.map((i) => notes[i]!);
    const ways = sharings(members.length, costs.most);
    const next: State[] = [];
    for (const state of states) for (const sizes of ways) next.push(place(state, members, sizes, costs));
    states = next.sort((a, b) => a.cost - b.cost).slice(0, BEAM);
  }
  const voices = Array<number>(notes.length).fill(0);
  let state: State | null = states[0] ?? null;
  for (let c = chords.length - 1; c >= 0 && state; c--, state = state.from) {
    let next = 0;
    state.sizes.forEach((size, voice) => {
      for (let k = 0; k < size; k++) voices[chords[c]![next++]!] = voice;
    });
  }
  return voices;
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
    return !next || note.release - next.start <= 0.35 * Math.min(next.start - note.start, next.release - next.onset);
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

function place(state: State, members: readonly PlacedNote[], sizes: readonly number[], costs: VoiceCosts): State {
  const later = members[0]!.start + QUARTER / 8;
  const lines = [...state.lines];
  let cost = state.cost;
  let next = 0;
  let silentAbove = true;
  for (let voice = 0; voice < sizes.length; voice++) {
    const line = state.lines[voice]!;
    const size = sizes[voice]!;
    if (size > 0) {
      const own = size === members.length ? members : members.slice(next, next + size);
      next += size;
      cost += joining(line, own) + (costs.strums ? 0 : unlike(own)) + voice * costs.secondVoice;
      // Voices that sound against each other keep their order; a voice that rests does not mind.
      for (let other = 0; other < sizes.length; other++) {
        const against = state.lines[other]!;
        if (sizes[other]! > 0 || against.end <= later) continue;
        if (other > voice ? own.at(-1)!.key < against.key : other < voice && own[0]!.key > against.key) cost += 2.5;
      }
      // A lower voice alone means a rest above it that nobody needs.
      if (voice > 0 && silentAbove) cost += 0.6;
      lines[voice] = lineAfter(own, voice === 0 ? 'upper' : 'lower');
    }
    silentAbove &&= size === 0 && line.end <= later;
  }
  return { cost, lines, sizes, from: state };
}

function lineAfter(chord: readonly PlacedNote[], side: 'upper' | 'lower'): Line {
  return {
    start: chord[0]!.start,
    meant: chord.every((note) => note.meantEnd !== undefined),
    end: chord.reduce((end, note) => Math.max(end, note.release), 0),
    key: side === 'upper' ? chord.at(-1)!.key : chord[0]!.key,
    keys: chord.map((note) => note.key),
  };
}

/** A chord that strikes a key of the one before again: that one was let go for it, however late the rest of it. */
function isStruckInto(line: Line, chord: readonly PlacedNote[]): boolean {
  return chord.length > 1 && line.keys.length > 1 && chord.some((note) => line.keys.includes(note.key));
}

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
  return share <= 0.35 ? 0.3 * share : Math.min(0.1 + 2.2 * share, 6);
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
