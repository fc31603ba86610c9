import type { TechniqueId } from '../instruments';
import type { Treating } from './arranging';
import type { BarSpan } from './bar-span';
import type { PartId } from '../base';
import { DYNAMIC_VELOCITY, type Articulation, type Dynamic } from '../score';
import { QUARTER, type MidiKey, type Milliseconds, type WrittenUnits } from '../time';

/** What carries the dynamics to the sequencer; none, one or two of them. */
export const DYNAMIC_CARRIERS = ['velocity', 'expression', 'modulation', 'volume'] as const;
export type DynamicCarrier = (typeof DYNAMIC_CARRIERS)[number];

export const PRESETS = ['bare', 'expression', 'everything'] as const;
/** bare: notes, velocities, tempo, meters, keys, markers, names, lyrics. */
export type Preset = (typeof PRESETS)[number];

export const SPLITS = ['none', 'technique', 'solo', 'voice', 'staff', 'lines', 'keys', 'channel'] as const;
/**
 * How a part becomes several tracks; by keys: below and above the keys that are said with it; by channel: as a MIDI file
 * has them.
 */
export type Split = (typeof SPLITS)[number];

export const CHANNEL_PLANS = ['by-part', 'one-channel'] as const;
export type ChannelPlan = (typeof CHANNEL_PLANS)[number];

/** Controller 7 for a fader at 0 dB: differs between programs; `none` writes none. */
export const NEUTRAL_VOLUMES = [90, 95, 100, 127] as const;

export const GLIDES = ['as-written', 'steps', 'bend', 'none'] as const;
export type Glides = (typeof GLIDES)[number];

export interface ArticulationShape {
  /** Share of the written length that sounds. */
  length: number;
  /** Added to the velocity. */
  velocity: number;
}

/** Seeded variation; everything at 0 plays exactly as written. */
export interface Loosening {
  seed: number;
  /** Most that a velocity is moved up or down by chance. */
  velocity: number;
  /** Added on strong places of the bar, taken off on weak ones. */
  accent: number;
  /** Standard deviation of onsets. */
  onset: Milliseconds;
  /** Long to short eighth; 1 plays as the score says, `even` plays even whatever it says. */
  swing: number | 'even';
  /** How far a note sounds into the next one. */
  legato: Milliseconds;
  /** From the lowest note of a chord to the highest. */
  spread?: Milliseconds;
}

export const NO_LOOSENING: Loosening = { seed: 1, velocity: 0, accent: 0, onset: 0, swing: 1, legato: 0 };

/** Ways of playing and what makes a sample library play so. */
export interface TechniqueChart {
  name: string;
  entries: readonly TechniqueSwitch[];
}

export interface TechniqueSwitch {
  technique: TechniqueId | 'ordinary';
  /** One of them: a key struck before the note, a channel, a program, or a controller with its value. */
  by:
    | { kind: 'key'; key: MidiKey }
    | { kind: 'channel'; channel: number }
    | { kind: 'program'; program: number }
    | { kind: 'controller'; controller: number; value: number };
}

/** What people may set for one part; what is absent follows the whole. */
export interface PartSequencing {
  dynamicsTo?: readonly DynamicCarrier[];
  split?: Split;
  /** For a split by keys: the lowest key of each track but the lowest one. */
  splitKeys?: readonly MidiKey[];
  /** Bars that get a track of their own, with a name and a sound. */
  passages?: readonly OwnPassage[];
  program?: number;
  channel?: number;
  chart?: TechniqueChart;
  /** Struck keys by the keys that shall sound instead. */
  drumKeys?: Readonly<Record<number, MidiKey>>;
  leftOut?: boolean;
  trackName?: string;
}

/** A passage on a track of its own. */
export interface OwnPassage {
  bars: BarSpan;
  name: string;
  program?: number;
}

export interface SequencerSettings {
  preset: Preset;
  dynamicsTo: readonly DynamicCarrier[];
  levels: Readonly<Record<Dynamic, number>>;
  /** Time between two values of a ramp. */
  rampStep: WrittenUnits;
  articulations: Readonly<Record<Articulation, ArticulationShape>>;
  /** How far a slurred note sounds into the next. */
  slurOverlap: Milliseconds;
  /** Trills, turns, tremolos, grace notes and spread chords are played out. */
  ornaments: boolean;
  /** Lines from note to note; as written: glissandi as steps, slides as pitch bend. */
  glides: Glides;
  /** Small notes that show what another part plays sound too. */
  cues: boolean;
  /** Chord symbols are played, on a track of their own. */
  chords: boolean;
  neutralVolume: (typeof NEUTRAL_VOLUMES)[number] | null;
  channels: ChannelPlan;
  format: 0 | 1;
  ticksPerQuarter: number;
  runningStatus: boolean;
  /** A pickup bar becomes a full bar with silence at its start. */
  padPickup: boolean;
  /** Repeats are played; otherwise every bar once. */
  playRepeats: boolean;
  loosening: Loosening;
  /** In the order they were decided. */
  treatments: readonly Treating[];
  /** Parts wanted; null means all. */
  onlyParts: readonly PartId[] | null;
  /** Written bars by index, the last one not included; null means all. */
  onlyBars: { from: number; to: number } | null;
  /** One file, a file for each part, or one for each section between markers. */
  files: 'one' | 'parts' | 'sections';
  parts: Readonly<Record<PartId, PartSequencing>>;
}

export const USUAL_SEQUENCING: SequencerSettings = {
  preset: 'bare',
  dynamicsTo: ['velocity'],
  levels: DYNAMIC_VELOCITY,
  rampStep: QUARTER / 4,
  articulations: {
    staccato: { length: 0.5, velocity: 0 },
    tenuto: { length: 1, velocity: 4 },
    accent: { length: 1, velocity: 16 },
    marcato: { length: 0.85, velocity: 24 },
  },
  slurOverlap: 0,
  ornaments: true,
  glides: 'as-written',
  cues: false,
  chords: false,
  neutralVolume: null,
  channels: 'by-part',
  format: 1,
  ticksPerQuarter: 480,
  runningStatus: false,
  padPickup: false,
  playRepeats: true,
  loosening: NO_LOOSENING,
  treatments: [],
  onlyParts: null,
  onlyBars: null,
  files: 'one',
  parts: {},
};

/** A part's own settings over those of the whole. */
export function partSettings(settings: SequencerSettings, part: PartId): PartSequencing {
  return settings.parts[part] ?? {};
}

/** Velocity where nothing is said: mezzo forte. */
export const UNSAID: Dynamic = 'mf';
