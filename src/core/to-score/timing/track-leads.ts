/*
 * Tracks in time: what the file says exactly of each track, how far ahead of the beat the others were played, and the
 * notes of a part with that taken out.
 */
import type { Casting, CastPart } from '../../casting';
import type { Performance, PlayedNote, TrackId } from '../../performance';
import type { BeatLine } from './beats';
import { findExact } from './exactness';
import { findMeantEnds } from './gates';
import { appliedLead, estimateLeads, type Lead } from './lead';
import { timeNotes, type MeantTimes, type TimedNote } from './timed-note';
import type { ConversionSettings } from '../../settings';

/** Leads by track, from the notes that are music; and what the file says exactly. */
export function leadsOf(
  performance: Performance,
  casting: Casting,
  line: BeatLine,
  settings: ConversionSettings,
): { leads: Map<TrackId, Lead>; exact: Map<TrackId, MeantTimes> } {
  const notes = new Map<TrackId, Map<number, PlayedNote>>();
  for (const part of casting.parts)
    for (const source of part.sources) {
      const own = notes.get(source.track) ?? new Map<number, PlayedNote>();
      // Players who double each other share notes; each counts once.
      for (const note of source.notes) own.set(note.id, note);
      notes.set(source.track, own);
    }
  const inFileOrder = performance.tracks
    .filter((track) => notes.has(track.id))
    .map((track) => ({ id: track.id, notes: [...notes.get(track.id)!.values()] }));
  const exact = new Map(
    inFileOrder.map(({ id, notes }) => [id, findExact(notes, line, settings.leads[id] === undefined)]),
  );
  const leads = estimateLeads(
    new Map(inFileOrder.map((track) => [track.id, timeNotes(track.notes, performance.tempo, 0)])),
    line,
    settings.leads,
    exact,
  );
  // A lead that somebody set moves what was exact.
  const believed = inFileOrder.filter(({ id }) => !settings.leads[id]);
  return {
    leads,
    exact: new Map(
      believed.map(({ id, notes }) => [
        id,
        { starts: exact.get(id)!.places, ends: findMeantEnds(notes, exact.get(id)!.places, line).ends },
      ]),
    ),
  };
}

export function timedPart(
  part: CastPart,
  performance: Performance,
  leads: Map<TrackId, Lead>,
  exact: Map<TrackId, MeantTimes>,
): TimedNote[] {
  return part.sources.flatMap(({ track, notes }) =>
    timeNotes(notes, performance.tempo, appliedLead(leads.get(track)), exact.get(track)),
  );
}
