/*
 * Performing: sounds become notes with onset, release and velocity.
 *
 *     written   ♩ staccato   trill on a half       →   half as long · two notes in turn · a chord from below
 *
 * How a mark is played out stands with the mark (`core/marks`); short notes come before the beat.
 */
import { NOTE_MARKS } from '../../marks';
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
}

const GRACE_STEP: WrittenUnits = QUARTER / 8;

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

/** What the first of its marks that is played out makes of it. */
function mainOf(note: PerformedNote): PerformedNote[] {
  const sounding = { ...note.sound, start: note.start, end: note.end };
  for (const { play } of NOTE_MARKS) {
    const stretches = play?.(sounding);
    if (stretches) return stretches.map((stretch) => ({ ...note, ...stretch }));
  }
  return [note];
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
