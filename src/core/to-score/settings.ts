import { NO_CASTING_SETTINGS, type CastingSettings } from '../casting';
import type { TrackId } from '../performance';
import type { PartId } from '../score';
import type { Milliseconds } from '../time';

/** Smallest plain note value a part may use. */
export const SMALLEST_VALUES = ['quarter', 'eighth', '16th', '32nd'] as const;
export type SmallestValue = (typeof SMALLEST_VALUES)[number];

export interface GridPin {
  smallest: SmallestValue;
  /** Triplets may be used. */
  triplets: boolean;
}

/** What people decided; everything absent is decided by the engine. All of it comes from the ledger. */
export interface ConversionSettings extends CastingSettings {
  title?: string;
  grids: Record<TrackId, GridPin>;
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

export const NO_SETTINGS: ConversionSettings = { ...NO_CASTING_SETTINGS, plain: {}, grids: {}, leads: {}, splits: {}, offsets: {} };
