/*
 * What the fields of a decision point at: by this a decision finds its place in a new version. What points at nothing is
 * left out.
 */

export type Role =
  /** Ids of tracks and parts. */
  | 'id'
  /** A played note. */
  | 'note'
  /** Index of a bar. */
  | 'bar'
  /** Bars by index, the last one not included. */
  | 'span'
  /** A place on the time line. */
  | 'place'
  /** The end of something, not included. */
  | 'placeEnd'
  /** Number of a track chunk. */
  | 'chunk'
  /** Id of a query, which is made of other ids. */
  | 'query';

/** Of an object's fields; a list's role is that of each of its entries. */
export interface Roles {
  readonly [field: string]: Role | Roles;
}

export const A_PART: Roles = { part: 'id' };
export const A_TRACK: Roles = { track: 'id' };
export const SOME_TRACKS: Roles = { tracks: 'id' };
export const BARS_OF_A_PART: Roles = { part: 'id', bars: 'span' };
export const SOME_NOTES: Roles = { part: 'id', notes: 'note' };
export const A_NOTE: Roles = { part: 'id', note: 'note' };
export const FROM_NOTE_TO_NOTE: Roles = { part: 'id', from: 'note', to: 'note' };
export const ADDED_NOTES: Roles = { note: 'note', start: 'place', end: 'placeEnd' };
export const NOWHERE: Roles = {};
