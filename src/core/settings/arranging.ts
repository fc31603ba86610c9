import type { PartId } from '../base';
import type { BarSpan } from './bar-span';
import type { SmallestValue } from './conversion';
import { NO_LOOSENING, type ChannelPlan, type Loosening } from './sequencing';

/** Controllers that carry dynamics: modulation, volume, expression. */
export const DYNAMIC_CONTROLLERS = [1, 7, 11] as const;
export type DynamicController = (typeof DYNAMIC_CONTROLLERS)[number];

/**
 * Something done to how notes are played, in the order it was decided. Every one of them leaves which notes there are.
 */
export type Treatment =
  /** Onsets drawn to a grid; `strength` 1 sets them on it, `swing` is long to short. `ends` draws releases too. */
  | { kind: 'quantize'; grid: SmallestValue; triplets: boolean; strength: number; swing: number; ends: boolean }
  /** A note lasts until the next one of its line where the gap is no longer than this value; longer gaps are rests. */
  | { kind: 'closeGaps'; upTo: SmallestValue }
  /** A note that only laps into the next one of its line ends where that begins. */
  | { kind: 'trimOverlaps' }
  /** All notes as strong as each other. */
  | { kind: 'level'; velocity: number }
  /** The weakest and the strongest note become these, those between in proportion. */
  | { kind: 'scale'; weakest: number; strongest: number }
  /** Added by the place in the bar: its first beat, its other beats, between beats. */
  | { kind: 'accents'; first: number; beats: number; between: number }
  /** Seeded variation. */
  | { kind: 'loosen'; loosening: Loosening }
  /** The strength of notes written as a controller; the notes themselves become level. */
  | { kind: 'toController'; controller: DynamicController; velocity: number }
  /** A controller's curve becomes the strength of the notes, and goes. */
  | { kind: 'toVelocity'; controller: DynamicController }
  /** Controller curves with as few values as stay within so many steps of what they were. */
  | { kind: 'thin'; within: number };

export const TREATMENT_KINDS = [
  'quantize',
  'closeGaps',
  'trimOverlaps',
  'level',
  'scale',
  'accents',
  'loosen',
  'toController',
  'toVelocity',
  'thin',
] as const satisfies readonly Treatment['kind'][];

/** What is done to controllers: a score has signs instead. */
export const OF_CONTROLLERS: ReadonlySet<Treatment['kind']> = new Set(['toController', 'toVelocity', 'thin']);

/** What each does where nobody says how much. */
export const USUAL_TREATMENTS: { [K in Treatment['kind']]: Extract<Treatment, { kind: K }> } = {
  quantize: { kind: 'quantize', grid: '16th', triplets: false, strength: 1, swing: 1, ends: false },
  closeGaps: { kind: 'closeGaps', upTo: 'eighth' },
  trimOverlaps: { kind: 'trimOverlaps' },
  level: { kind: 'level', velocity: 80 },
  scale: { kind: 'scale', weakest: 40, strongest: 110 },
  accents: { kind: 'accents', first: 12, beats: 4, between: -6 },
  loosen: { kind: 'loosen', loosening: { ...NO_LOOSENING, velocity: 6, accent: 5, onset: 8 } },
  toController: { kind: 'toController', controller: 11, velocity: 80 },
  toVelocity: { kind: 'toVelocity', controller: 11 },
  thin: { kind: 'thin', within: 1 },
};

/** Where a treatment is given: one part or all, some bars or all. */
export interface Treating {
  part: PartId | null;
  bars: BarSpan | null;
  does: Treatment;
}

/** How the tracks of a MIDI file are set up for a sequencer; as they were received unless somebody decides. */
export interface Arranging {
  /** Programs of the file, or those of the instruments the tracks are. */
  sounds: 'received' | 'instrument';
  names: 'received' | 'instrument';
  channels: 'received' | ChannelPlan;
  /** SMF type; null for that of the file. */
  type: 0 | 1 | null;
  /** Null for the file's own. */
  ticksPerQuarter: number | null;
  /** Silent bars before the music. */
  emptyBars: number;
  byHand: ByHand;
}

export const BY_HAND = ['pitches', 'all', 'none'] as const;
/**
 * What of the changes to single notes goes along: which notes there are and how high; when they begin and end too, which on
 * paper is often a matter of writing; or nothing.
 */
export type ByHand = (typeof BY_HAND)[number];

export const AS_RECEIVED: Arranging = {
  sounds: 'received',
  names: 'received',
  channels: 'received',
  type: null,
  ticksPerQuarter: null,
  emptyBars: 0,
  byHand: 'pitches',
};
