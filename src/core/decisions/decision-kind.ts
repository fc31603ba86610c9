import 'reflect-metadata';
import type { Deal, JobSettings } from '../settings';
import type { InstrumentId, TechniqueId } from '../instruments';
import type { PartId, TrackId } from '../base';
import type { Roles } from './roles';

/** How people know a track or a part. */
export type NameOf = (id: TrackId | PartId) => string;

/** What a decision teaches about a track, for the next file that has one of its name. */
export interface Lesson {
  track: TrackId;
  instrument?: InstrumentId;
  technique?: TechniqueId;
  partName?: string;
  deal?: Deal;
}

/**
 * A kind of decision: everything a person can settle in one step, as plain data with a `kind`. All there is to know
 * about it stands in its file.
 */
export interface DecisionKind<D extends { kind: string }> {
  kind: D['kind'];
  /** What its fields point at: by this it is carried over to a new version. */
  points: Roles;
  /** Its shape, by which it is checked where it comes from outside: archives, job files. */
  dto: new () => D;
  /** The settings after it. */
  apply(settings: JobSettings, made: D): JobSettings;
  /** A line of the ledger. */
  describe(made: D, nameOf: NameOf): string;
  /** What the house list learns from it; nothing when absent. */
  learns?(made: D): Lesson[];
}

export function decisionKind<D extends { kind: string }>(kind: DecisionKind<D>): DecisionKind<D> {
  return kind;
}

export function namesOf(tracks: readonly TrackId[], nameOf: NameOf): string {
  return tracks.map(nameOf).join(', ');
}
