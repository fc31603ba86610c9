/*
 * Performing: sounds become notes with onset, release and velocity.
 *
 *     written   ♩ staccato   trill on a half       →   half as long · two notes in turn · a chord from below
 *
 * How a mark is played out stands with the mark (`core/marks`); short notes come before the beat.
 */
import { NOTE_MARKS } from '../../marks';
import type { Articulation, Force } from '../../score';
import { QUARTER, type MidiKey, type WrittenUnits } from '../../time';
import { loudnessAt, type CurvePoint } from '../dynamics/loudness-curve';
import { graceNotes } from './grace-notes';
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

/** What signs for one note add to its velocity (common practice, no source). */
const FORCE: Record<Force, number> = {
  sf: 24,
  sfz: 24,
  fz: 24,
  sffz: 36,
  rf: 16,
  rfz: 16,
  sfp: 24,
  sfpp: 24,
  sfzp: 24,
};
/** A breath is taken from the end of the note before it. */
const BREATH: WrittenUnits = QUARTER / 4;
const SHORTEST_STEP: WrittenUnits = QUARTER / 16;

/** What of the settings says how notes are played. */
export type Playing = Pick<SequencerSettings, 'levels' | 'articulations' | 'ornaments' | 'slurOverlap' | 'glides'>;

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
  const before = settings.ornaments ? previousSounds(sounds) : null;
  const notes = sounds.flatMap((sound): PerformedNote[] => {
    const articulations = sound.marks.articulations ?? [];
    const base = sound.velocity ?? (byVelocity ? loudnessAt(curve, sound.written) : steady);
    const velocity = clampVelocity(
      base +
        (sound.force ? FORCE[sound.force] : 0) +
        articulations.reduce((sum, one) => sum + settings.articulations[one].velocity, 0),
    );
    const shaped: PerformedNote = {
      start: sound.start,
      end: releaseOf(sound, articulations, settings, unitsOf),
      key: sound.key,
      velocity,
      sound,
    };
    return before ? ornamented(shaped, before.get(sound) ?? null, settings.glides, unitsOf) : [shaped];
  });
  return untangled(notes);
}

/** The sound that ends in its voice where another one begins. */
function previousSounds(sounds: readonly Sound[]): ReadonlyMap<Sound, Sound> {
  const ending = new Map<string, Sound>();
  for (const sound of sounds) ending.set(`${sound.voice}/${sound.end}`, sound);
  return new Map(
    sounds.flatMap((sound) => {
      const before = sound.marks.graces ? ending.get(`${sound.voice}/${sound.start}`) : undefined;
      return before ? [[sound, before] as const] : [];
    }),
  );
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
  if (sound.marks.breath) return sound.end - Math.min(BREATH, length / 4);
  return sound.end + (sound.slurred && settings.slurOverlap > 0 ? unitsOf(settings.slurOverlap, sound.end) : 0);
}

function ornamented(
  note: PerformedNote,
  before: Sound | null,
  glides: Playing['glides'],
  unitsOf: PerformOptions['unitsOf'],
): PerformedNote[] {
  // Grace notes belong to the chord, not to each of its notes.
  const first = note.sound.inChord === 0;
  const { main, graces } = graceNotes(note, before);
  return [...(first ? graces : []), ...glided(main, glides).flatMap((one) => mainOf(one, unitsOf(1000, one.start)))];
}

/** What the first of its marks that is played out makes of it. */
function mainOf(note: PerformedNote, aSecond: WrittenUnits): PerformedNote[] {
  const sounding = { ...note.sound, start: note.start, end: note.end, aSecond };
  for (const { play } of NOTE_MARKS) {
    const stretches = play?.(sounding);
    if (stretches) return stretches.map((stretch) => ({ ...note, ...stretch }));
  }
  return [note];
}

/** A glissando as its steps: over the second half of the note, on white keys where both ends are white. */
function glided(note: PerformedNote, glides: Playing['glides']): PerformedNote[] {
  const { glide, key } = note.sound;
  const steps = glide && (glides === 'steps' || (glides === 'as-written' && glide.kind === 'glissando'));
  if (!steps || Math.abs(glide.to - key) < 2) return [note];
  const half = note.start + (note.end - note.start) / 2;
  const up = glide.to > key;
  const between = Array.from({ length: Math.abs(glide.to - key) - 1 }, (_, i) => key + (up ? i + 1 : -i - 1));
  const white = isWhite(key) && isWhite(glide.to) ? between.filter(isWhite) : between;
  const most = Math.max(1, Math.floor((note.end - half) / SHORTEST_STEP));
  const keys = white.filter((_, i) => white.length <= most || i % Math.ceil(white.length / most) === 0);
  const step = (note.end - half) / keys.length;
  if (keys.length === 0) return [note];
  return [
    { ...note, end: half },
    ...keys.map((one, i) => ({ ...note, key: one, start: half + i * step, end: half + (i + 1) * step })),
  ];
}

const isWhite = (key: MidiKey) => ![1, 3, 6, 8, 10].includes(key % 12);

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
