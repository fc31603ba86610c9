import type { Instrument, Recognition, TechniqueId } from '../instruments';
import type { NoteId, PlayedNote, TrackId } from '../performance';
import type { PartId } from '../score';

/** What became of one track. */
export interface CastTrack {
  id: TrackId;
  name: string;
  recognition: Recognition;
  instrument: Instrument;
  technique: TechniqueId | null;
  /** How sure the engine is; 1 when a person chose. */
  confidence: number;
  /** Who says which instrument it is. */
  by: 'engine' | 'you' | 'house list';
  leftOut: boolean;
  /** Why it is left out, in words. */
  reason?: string;
}

/** The notes one track gives to a part. */
export interface PartSource {
  track: TrackId;
  notes: PlayedNote[];
  /** Where hands were recorded apart. */
  staff: number | null;
}

export interface CastPart {
  /** Id of its first track; with "p2" behind it for the second player a track is dealt out to, and so on. */
  id: PartId;
  name: string;
  abbreviation: string;
  instrument: Instrument;
  solo: boolean;
  tracks: TrackId[];
  sources: PartSource[];
  /** Of all sources, by start. */
  notes: PlayedNote[];
  techniqueOf: ReadonlyMap<NoteId, TechniqueId>;
  /** Instruments that the player takes up beside the part's own. */
  doublings: readonly Instrument[];
  /** Which of them a note is played on, by its place in `doublings`. */
  doublingOf: ReadonlyMap<NoteId, number>;
  /** Set when the part is one of several players. */
  player: { number: number; of: number } | null;
}

export interface Casting {
  tracks: CastTrack[];
  parts: CastPart[];
}
