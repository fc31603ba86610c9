import { NO_CASTING_SETTINGS, type CastingSettings } from '../casting';
import type { NoteId, TrackId } from '../performance';
import type { PartId } from '../score';
import { QUARTER, type MidiKey, type Milliseconds, type WrittenUnits } from '../time';

/** Smallest plain note value a part may use. */
export const SMALLEST_VALUES = ['quarter', 'eighth', '16th', '32nd'] as const;
export type SmallestValue = (typeof SMALLEST_VALUES)[number];

export const VALUE_LENGTH: Record<SmallestValue, WrittenUnits> = { quarter: QUARTER, eighth: QUARTER / 2, '16th': QUARTER / 4, '32nd': QUARTER / 8 };

/** Tuplets that are only looked for where somebody asks for them. */
export const FURTHER_TUPLETS = [5, 7, 9] as const;
export type FurtherTuplet = (typeof FURTHER_TUPLETS)[number];

export interface GridPin {
  smallest: SmallestValue;
  /** Triplets and sextuplets may be used. */
  triplets: boolean;
  also: readonly FurtherTuplet[];
  /** Bars it holds for, by index, the last one not included; the whole part when absent. */
  bars?: { from: number; to: number };
}

/** A change to single notes, made after the grid: by played note. */
export type NoteEdit =
  | { kind: 'move'; note: NoteId; by: WrittenUnits }
  /** The second is the first one going on. */
  | { kind: 'join'; note: NoteId; with: NoteId }
  /** Struck again at a place of its own. */
  | { kind: 'cut'; note: NoteId; at: WrittenUnits };

/** What people decided; everything absent is decided by the engine. All of it comes from the ledger. */
export interface ConversionSettings extends CastingSettings {
  title?: string;
  /** By part, in the order they were set: a later one counts before an earlier one. */
  grids: Record<PartId, readonly GridPin[]>;
  edits: Record<PartId, readonly NoteEdit[]>;
  /** Gaps closed up to this value. */
  closeGaps: Record<PartId, SmallestValue>;
  /** Lowest key of the upper staff. */
  handSplits: Record<PartId, MidiKey>;
  /** Parts that keep their first clef throughout. */
  fixedClefs: Record<PartId, true>;
  /** Voices a staff at most. */
  voices: Record<PartId, number>;
  /** Milliseconds a track was played ahead of the beat. */
  leads: Record<TrackId, Milliseconds>;
  /** Parts in which nothing becomes a trill, tremolo, grace note or arpeggio. */
  plain: Record<PartId, true>;
  /** Long to short eighth; 1 keeps what was played. */
  swing?: number;
  /** Tracks split by channel. */
  splits: Record<TrackId, true>;
  /** Bars after the start of the first original at which a further one begins, by its number from 2. */
  offsets: Record<number, number>;
  /** Concert key of the whole piece, in sharps (negative: flats). */
  key?: { fifths: number; mode: 'major' | 'minor' };
}

export const NO_SETTINGS: ConversionSettings = { ...NO_CASTING_SETTINGS, plain: {}, grids: {}, edits: {}, closeGaps: {}, handSplits: {}, fixedClefs: {}, voices: {}, leads: {}, splits: {}, offsets: {} };
