import type { InstrumentId, Language, TechniqueId } from '../instruments';
import type { PartId, TrackId } from '../base';
import type { BarSpan } from './bar-span';

/** How the notes of one part are divided among several players. */
export interface Deal {
  /** Players of the same instrument, or the five parts of a string choir. */
  to: 'players' | 'string-choir';
  /** 2–8; five for a string choir. */
  players: number;
  /** What players without a note of their own do: double a neighbour (a2) or rest. */
  spare: 'double' | 'rest';
  /** Keep each player's line smooth, or always give the highest note to the first player. */
  lines: 'smooth' | 'top-down';
  /** First player highest, or high and low players in pairs (1 3 2 4), as horns usually sit. */
  order: 'straight' | 'paired';
}

export const USUAL_DEAL = { to: 'players', spare: 'double', lines: 'smooth', order: 'straight' } as const;

/** What the house list says of a track name. */
export interface HouseAnswer {
  instrument?: InstrumentId;
  technique?: TechniqueId;
  partName?: string;
  deal?: Deal;
  leftOut?: true;
}

/** Meaning of each keyswitch of a track; `none` means nothing on paper. */
export type SwitchMeanings = Readonly<Record<number, TechniqueId | 'none'>>;

/**
 * What another program in the middle of a track means: the player takes up that instrument, whatever it is, or nothing:
 * it is one instrument throughout.
 */
export type SoundChangeRule = 'taken-up' | 'one';

/** Some bars in which a player takes up another instrument; their own again where it is that. */
export interface TakenUp {
  bars: BarSpan;
  instrument: InstrumentId;
}

/** What people decided about tracks and players; what is absent is decided by the engine. */
export interface CastingSettings {
  /** Tracks left out or, with `false`, taken in although the engine would leave them out. */
  leftOut: Record<TrackId, boolean>;
  instruments: Record<TrackId, InstrumentId>;
  techniques: Record<TrackId, TechniqueId | 'none'>;
  partNames: Record<PartId, string>;
  abbreviations: Record<PartId, string>;
  solos: Record<PartId, boolean>;
  /** Staves of a part that may have one or two. */
  staves: Record<PartId, 1 | 2>;
  /** First track of the part a track was gathered into; `null` for a track that stays by itself. */
  gathered: Record<TrackId, TrackId | null>;
  /** By the part's first track. */
  deals: Record<TrackId, Deal>;
  /** By track; without any meaning the keys are ordinary notes. */
  keyswitches: Record<TrackId, SwitchMeanings>;
  soundChanges: Record<TrackId, SoundChangeRule>;
  /** In the order they were decided; the last one counts. */
  takenUp: Record<PartId, readonly TakenUp[]>;
  /** Parts moved away from their usual place, in the order of the moves. */
  moves: readonly { part: PartId; before: PartId | null }[];
  house: Record<TrackId, HouseAnswer>;
  /** Language of the instruments' names. */
  language: Language;
}

export const NO_CASTING_SETTINGS: CastingSettings = {
  leftOut: {},
  instruments: {},
  techniques: {},
  partNames: {},
  abbreviations: {},
  solos: {},
  staves: {},
  gathered: {},
  deals: {},
  keyswitches: {},
  soundChanges: {},
  takenUp: {},
  moves: [],
  house: {},
  language: 'en',
};

/** Only what casting reads, out of settings that hold more. */
export function castingSettings(settings: CastingSettings): CastingSettings {
  return Object.fromEntries(
    Object.keys(NO_CASTING_SETTINGS).map((key) => [key, settings[key as keyof CastingSettings]]),
  ) as unknown as CastingSettings;
}

export const MOST_PLAYERS = 8;
