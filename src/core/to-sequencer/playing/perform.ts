/*
 * Performing: sounds become notes with onset, release and velocity.
 *
 *     written   ♩ staccato   trill on a half       →   half as long · two notes in turn · a chord from below
 *
 * Ornaments are realised as ornament tables of theory books show them (from memory): trills in turn with the upper
 * neighbour of the key, short notes before the beat, spread chords from one end to the other.
 */
import type { Articulation } from '../../score';
import { QUARTER, type MidiKey, type WrittenUnits } from '../../time';
import { loudnessAt, type CurvePoint } from '../dynamics/loudness-curve';
import type { Sound } from './sounds';
import { UNSAID, type SequencerSettings } from '../../settings';

/** A note to be sent; places on the played time line, not rounded. */
export interface PerformedNote {
  start: number;
  end: number;
  key: MidiKey;
  velocity: number;
  sound: Sound;
  /** Written as it stands: not part of an ornament. */
  plain: boolean;
}

const TRILL_STEP: WrittenUnits = QUARTER / 8;
const TURN_STEP: WrittenUnits = QUARTER / 8;
const GRACE_STEP: WrittenUnits = QUARTER / 8;
const SPREAD_STEP: WrittenUnits = QUARTER / 16;

/** What of the settings says how notes are played. */
export type Playing = Pick<SequencerSettings, 'levels' | 'articulations' | 'ornaments' | 'slurOverlap'>;

export interface PerformOptions {
  /** Loudness over the written bars. */
  curve: readonly CurvePoint[];
  /** Velocity follows it. */
  byVelocity: boolean;
  /** Written units that a time takes at a place. */
  unitsOf: (milliseconds: number, at: WrittenUnits) => number;
}

export function performSounds(
  sounds: readonly Sound[],
  settings: Playing,
  { curve, byVelocity, unitsOf }: PerformOptions,
): PerformedNote[] {
  const steady = settings.levels[UNSAID];
  const notes = sounds.flatMap((sound): PerformedNote[] => {
    const articulations = sound.marks.articulations ?? [];
    const base = byVelocity ? loudnessAt(curve, sound.written) : steady;
    const velocity = clampVelocity(
      base + articulations.reduce((sum, one) => sum + settings.articulations[one].velocity, 0),
    );
    const shaped: PerformedNote = {
      start: sound.start,
      end: releaseOf(sound, articulations, settings, unitsOf),
      key: sound.key,
      velocity,
      sound,
      plain: true,
    };
    return settings.ornaments ? ornamented(shaped) : [shaped];
  });
  return untangled(notes);
}

const clampVelocity = (value: number) => Math.max(1, Math.min(127, Math.round(value)));

function releaseOf(
  sound: Sound,
  articulations: readonly Articulation[],
  settings: Playing,
  unitsOf: PerformOptions['unitsOf'],
): number {
  const length = sound.end - sound.start;
  const share = articulations.reduce((shortest, one) => Math.min(shortest, settings.articulations[one].length), 1);
  if (share < 1) return sound.start + length * share;
  return sound.end + (sound.slurred && settings.slurOverlap > 0 ? unitsOf(settings.slurOverlap, sound.end) : 0);
}

function ornamented(note: PerformedNote): PerformedNote[] {
  const { sound } = note;
  const { marks } = sound;
  const first = sound.inChord === 0;
  const main = mainOf(note);
  const graces = first && marks.graces ? graceNotes(note) : [];
  return [...graces, ...main];
}

function mainOf(note: PerformedNote): PerformedNote[] {
  const { sound, start, end, key } = note;
  const { marks } = sound;
  const length = end - start;
  const part = (from: number, to: number, sounding: MidiKey): PerformedNote => ({
    ...note,
    start: from,
    end: to,
    key: sounding,
    plain: false,
  });
  if (sound.alternates) {
    const { keys, until } = sound.alternates;
    const other = keys[Math.min(sound.inChord, keys.length - 1)] ?? key;
    return inTurn(start, until, TRILL_STEP).map(([from, to, i]) => part(from, to, i % 2 === 0 ? key : other));
  }
  if (marks.tremolo && marks.tremolo > 0) {
    const step = Math.max(QUARTER / 16, QUARTER / 2 ** Math.min(4, marks.tremolo + sound.flags));
    return length >= 2 * step ? inTurn(start, end, step).map(([from, to]) => part(from, to, key)) : [note];
  }
  if (sound.inChord === sound.chordSize - 1) {
    if (marks.trill && length >= 3 * TRILL_STEP)
      return inTurn(start, end, TRILL_STEP).map(([from, to, i]) =>
        part(from, to, i % 2 === 0 ? key : key + sound.upper),
      );
    if (marks.turn && length >= 4 * TURN_STEP) return turned(note, part);
  }
  if (marks.arpeggio && sound.chordSize > 1) {
    const step = Math.min(SPREAD_STEP, length / (2 * sound.chordSize));
    const order = marks.arpeggio === 'up' ? sound.inChord : sound.chordSize - 1 - sound.inChord;
    return [{ ...note, start: start + step * order }];
  }
  return [note];
}

/** Equal steps from one end to the other, the last one taking what is left. */
function inTurn(from: number, to: number, step: number): [number, number, number][] {
  const count = Math.max(1, Math.floor((to - from) / step + 1e-9));
  return Array.from({ length: count }, (_, i) => [from + i * step, i === count - 1 ? to : from + (i + 1) * step, i]);
}

function turned(
  { sound, start, end, key }: PerformedNote,
  part: (from: number, to: number, key: MidiKey) => PerformedNote,
): PerformedNote[] {
  const { upper, lower } = sound;
  const figure = {
    mordent: [0, -lower],
    'inverted-mordent': [0, upper],
    turn: [upper, 0, -lower],
    'inverted-turn': [-lower, 0, upper],
  }[sound.marks.turn!];
  const quick = figure.map((by, i) => part(start + i * TURN_STEP, start + (i + 1) * TURN_STEP, key + by));
  return [...quick, part(start + figure.length * TURN_STEP, end, key)];
}

/** Before the beat, taking their time from what came before; at the very beginning they take it from their note. */
function graceNotes(note: PerformedNote): PerformedNote[] {
  const graces = note.sound.marks.graces!;
  const step = Math.min(GRACE_STEP, note.start / graces.length || GRACE_STEP);
  const from = note.start >= step * graces.length && note.start > 0 ? note.start - step * graces.length : note.start;
  if (from === note.start) note.start += step * graces.length;
  return graces.map((grace, i) => ({
    ...note,
    start: from + i * step,
    end: from + (i + 1) * step,
    key: grace.key,
    velocity: Math.max(1, note.velocity - 6),
    plain: false,
  }));
}

/** A key is let go before it is struck again in the same part; two that start together are one, the longer one. */
function untangled(notes: readonly PerformedNote[]): PerformedNote[] {
  const sorted = [...notes].sort((a, b) => a.start - b.start || a.key - b.key || b.end - a.end);
  const last = new Map<string, PerformedNote>();
  const kept: PerformedNote[] = [];
  for (const note of sorted) {
    const slot = `${note.key}`;
    const before = last.get(slot);
    if (before && before.start === note.start && before.sound.voice !== note.sound.voice) {
      before.end = Math.max(before.end, note.end);
      before.velocity = Math.max(before.velocity, note.velocity);
      continue;
    }
    if (before && before.end > note.start) before.end = note.start;
    kept.push(note);
    last.set(slot, note);
  }
  return kept.filter((note) => note.end > note.start);
}
