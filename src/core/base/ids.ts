declare const kind: unique symbol;

/** A string that the compiler tells from other strings and from other ids; made by a constructor where it enters. */
type Id<Name extends string> = string & { readonly [kind]: Name };

/**
 * A number with a unit. Plain numbers fit it, so that arithmetic stays plain; a number with another unit does not.
 */
export type Unit<Name extends string> = number & { readonly [kind]?: Name };

/**
 * A track of the originals: "t3" by its chunk; "o2t3" of the second original; "t0c10", "t2g74" and "t9s6" split off by
 * channel, by program and by what is struck.
 */
export type TrackId = Id<'track'>;

/** A part of a score: a track's id, with "p2" behind it for its second player; or the id a score file gives. */
export type PartId = Id<'part'>;

/** The same doubt has the same id each time the job is computed. */
export type QueryId = Id<'query'>;

/** A played note, unique in its performance. */
export type NoteId = Unit<'note'>;

export const trackId = (text: string) => text as TrackId;
export const partId = (text: string) => text as PartId;
export const queryId = (text: string) => text as QueryId;

/** Ids travel in job files, which take no longer ones. */
const LONGEST_QUERY_ID = 200;

/** The id of a query about several parts or places; of very many, the first ones and their number tell it. */
export function queryIdOf(kind: string, of: readonly (string | number)[]): QueryId {
  const all = `${kind}/${of.join('+')}`;
  return queryId(all.length <= LONGEST_QUERY_ID ? all : `${all.slice(0, LONGEST_QUERY_ID)}…${of.length}`);
}

/** The part a track leads. @param player its players are counted from 1 */
export function partOf(track: TrackId, player = 1): PartId {
  return partId(player === 1 ? track : `${track}p${player}`);
}

/** The track that leads a part. */
export function leadingTrack(part: PartId): TrackId {
  return trackId(part.replace(/p\d+$/, ''));
}

/** The part is one of several players, and not the first of them. */
export function isFurtherPlayer(part: PartId): boolean {
  return /p\d+$/.test(part);
}

/** The track of the file behind a track or part: before it was split, whichever player. */
export function trackInFile(id: TrackId | PartId): TrackId {
  return unsplit(leadingTrack(partId(id)));
}

/** The track as it was in its file, before it was split by channel, by program or by what is struck. */
export function unsplit(track: TrackId): TrackId {
  return trackId(track.replace(/(c\d+)?(g\d+)?(s\d+)?$/, ''));
}
