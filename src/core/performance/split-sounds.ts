import { trackId } from '../base';
import { KIT_GROUP, PERCUSSION_GROUPS, percussionGroupOf } from '../instruments';
import type { Performance, PlayedTrack, TrackId } from './performance';

/**
 * The same performance with some percussion tracks split by what is struck: "t9" becomes "t9s0" (the kit, under the
 * track's own name), "t9s6" (congas) …, the kit first. Notes keep their ids. A track that strikes one instrument only
 * stays as it is.
 */
export function splitSounds(performance: Performance, tracks: Readonly<Record<TrackId, true>>): Performance {
  if (!performance.tracks.some((track) => tracks[track.id])) return performance;
  return { ...performance, tracks: performance.tracks.flatMap((track) => (tracks[track.id] ? split(track) : [track])) };
}

function split(track: PlayedTrack): PlayedTrack[] {
  const groups = [...new Set(track.notes.map((note) => percussionGroupOf(note.key)))].sort((a, b) => a - b);
  if (groups.length < 2) return [track];
  return groups.map((group) => ({
    ...track,
    id: trackId(`${track.id}s${group}`),
    name: group === KIT_GROUP ? track.name : PERCUSSION_GROUPS.find(({ number }) => number === group)!.name,
    notes: track.notes.filter((note) => percussionGroupOf(note.key) === group),
  }));
}
