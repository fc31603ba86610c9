/* Which track of a new version is which of the old one: by name, by the pitches it has, by its place and channel. */
import type { TrackId } from '../base';
import type { Performance, PlayedTrack } from '../performance';

/** What makes two tracks the same; a name or nearly all of the pitches must agree. */
const WEIGHTS = { name: 3, pitches: 2, place: 0.4, channel: 0.4 };
const ENOUGH = 1.9;

/** Every track of the old version once; null where none is like it. */
export function pairTracks(before: Performance, after: Performance): Map<TrackId, TrackId | null> {
  const candidates = before.tracks
    .flatMap((one) => after.tracks.map((other) => ({ one, other, likeness: likeness(one, other) })))
    .filter(({ likeness: enough }) => enough >= ENOUGH)
    .sort((a, b) => b.likeness - a.likeness);
  const pairs = new Map<TrackId, TrackId | null>();
  const taken = new Set<TrackId>();
  for (const { one, other } of candidates) {
    if (pairs.has(one.id) || taken.has(other.id)) continue;
    pairs.set(one.id, other.id);
    taken.add(other.id);
  }
  for (const { id } of before.tracks) if (!pairs.has(id)) pairs.set(id, null);
  return pairs;
}

function likeness(one: PlayedTrack, other: PlayedTrack): number {
  const empty = one.notes.length === 0 && other.notes.length === 0;
  return (
    (sameName(one.name, other.name) ? WEIGHTS.name : 0) +
    WEIGHTS.pitches * (empty ? 0.6 : sharedPitches(one, other)) +
    (one.chunk === other.chunk ? WEIGHTS.place : 0) +
    (one.channels.join() === other.channels.join() ? WEIGHTS.channel : 0)
  );
}

const sameName = (one: string, other: string) =>
  one.trim() !== '' && one.trim().toLowerCase() === other.trim().toLowerCase();

/** 0–1: of the notes of the larger one, those that the other has by pitch, whenever they come. */
function sharedPitches(one: PlayedTrack, other: PlayedTrack): number {
  const counts = new Map<number, number>();
  for (const { key } of one.notes) counts.set(key, (counts.get(key) ?? 0) + 1);
  let shared = 0;
  for (const { key } of other.notes) {
    const left = counts.get(key) ?? 0;
    if (left > 0) shared++;
    counts.set(key, left - 1);
  }
  return shared / Math.max(1, one.notes.length, other.notes.length);
}
