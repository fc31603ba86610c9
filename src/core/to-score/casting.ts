/*
 * Casting: tracks become parts.
 *
 * Takes a performance and what people decided; gives the parts in score order, each with its instrument, name and played
 * notes, and a query for every track that nobody can name. A left-hand and a right-hand track of one keyboard instrument
 * become one part with two staves.
 */
import { instrumentById, recognise, SURE_ENOUGH, UNKNOWN_INSTRUMENT, type Instrument, type Recognition } from '../instruments';
import { mostAtOnce, PERCUSSION_CHANNEL, type Performance, type PlayedNote, type PlayedTrack, type TrackId } from '../performance';
import type { PartId, Query } from '../score';
import type { ConversionSettings } from './settings';

export interface CastTrack {
  id: TrackId;
  name: string;
  recognition: Recognition;
  instrument: Instrument;
  /** How sure the engine is; 1 when a person chose. */
  confidence: number;
  leftOut: boolean;
  /** Why it is left out, in words. */
  reason?: string;
}

export interface CastPart {
  /** Id of its first track. */
  id: PartId;
  name: string;
  abbreviation: string;
  instrument: Instrument;
  tracks: TrackId[];
  notes: PlayedNote[];
  /** Staff of each track, where hands were recorded apart. */
  staffOfTrack: Record<TrackId, number> | null;
}

export interface Casting {
  tracks: CastTrack[];
  parts: CastPart[];
}

export function castTracks(performance: Performance, settings: ConversionSettings): { output: Casting; queries: Query[] } {
  const queries: Query[] = [];
  const tracks = performance.tracks.map((track) => castTrack(track, settings));
  performance.tracks.forEach((track, i) => {
    const cast = tracks[i]!;
    const query = questionAbout(track, cast, performance, settings);
    if (query) queries.push(query);
  });
  const playing = performance.tracks.flatMap((track, i) => (tracks[i]!.leftOut ? [] : [{ track, cast: tracks[i]! }]));
  return { output: { tracks, parts: nameParts(playing, settings) }, queries };
}

function castTrack(track: PlayedTrack, settings: ConversionSettings): CastTrack {
  const recognition = recognise({
    name: track.name,
    program: track.programs[0]?.program ?? null,
    percussionChannel: track.channels.length > 0 && track.channels.every((channel) => channel === PERCUSSION_CHANNEL),
    keys: track.notes.map((note) => note.key),
    mostAtOnce: mostAtOnce(track.notes),
  });
  const chosen = settings.instruments[track.id];
  const best = recognition.candidates[0];
  const sure = best !== undefined && best.confidence >= SURE_ENOUGH;
  const empty = track.notes.length === 0;
  return {
    id: track.id,
    name: track.name,
    recognition,
    instrument: chosen ? instrumentById(chosen) : sure ? instrumentById(best.instrument) : UNKNOWN_INSTRUMENT,
    confidence: chosen ? 1 : (best?.confidence ?? 0),
    // A track without notes has nothing to write whatever anybody decides.
    leftOut: empty || (settings.leftOut[track.id] ?? false),
    reason: empty ? 'no notes' : settings.leftOut[track.id] ? 'left out' : undefined,
  };
}

function questionAbout(track: PlayedTrack, cast: CastTrack, performance: Performance, settings: ConversionSettings): Query | null {
  const label = trackLabel(track);
  if (track.notes.length === 0) {
    // The first track of a type 1 file carries tempo and meter and is empty by design.
    const conductor = track.chunk === 0 && performance.tracks.length > 1 && track.controllers.length === 0 && track.programs.length === 0;
    if (conductor || settings.leftOut[track.id]) return null;
    return { id: `empty-track/${track.id}`, kind: 'empty-track', track: track.id, message: `${label} has no notes and is left out.` };
  }
  if (cast.leftOut || cast.instrument !== UNKNOWN_INSTRUMENT) return null;
  const best = cast.recognition.candidates[0];
  const guess = best ? ` Perhaps ${instrumentById(best.instrument).names.en} (${Math.round(best.confidence * 100)} % sure).` : '';
  return {
    id: `unknown-instrument/${track.id}`,
    kind: 'unknown-instrument',
    track: track.id,
    part: track.id,
    message: `${label}: which instrument is this?${guess}`,
  };
}

/** “Track 4 “Fag.””, with the original's number where a job has several. */
export function trackLabel({ id, name, chunk }: Pick<PlayedTrack, 'id' | 'name' | 'chunk'>): string {
  const original = /^o(\d+)/.exec(id)?.[1];
  return `${original ? `Original ${original}, track` : 'Track'} ${chunk + 1}${name ? ` “${name}”` : ''}`;
}

interface Playing {
  track: PlayedTrack;
  cast: CastTrack;
}

function nameParts(playing: readonly Playing[], settings: ConversionSettings): CastPart[] {
  const groups = joinSequels(joinHands(playing));
  const ordered = groups
    .map((group, order) => ({ group, order, first: group[0]!, number: group[0]!.cast.recognition.details.number ?? 0 }))
    .sort((a, b) => a.first.cast.instrument.scoreOrder - b.first.cast.instrument.scoreOrder || a.number - b.number || a.order - b.order);

  const alike = new Map<string, number>();
  for (const { first } of ordered) alike.set(first.cast.instrument.id, (alike.get(first.cast.instrument.id) ?? 0) + 1);
  const used = new Map<string, number>();
  return ordered.map(({ group, first, number }) => {
    const { instrument } = first.cast;
    const count = (used.get(instrument.id) ?? 0) + 1;
    used.set(instrument.id, count);
    const several = alike.get(instrument.id)! > 1;
    // There are a first and a second violin even when only one of them is here; a lone “Vc 02” is just the cello.
    const shown = several ? count : instrument.id === 'violin' ? number : 0;
    const suffix = shown > 0 ? ` ${shown}` : '';
    const known = instrument !== UNKNOWN_INSTRUMENT;
    const base = known ? instrument.names.en : first.track.name || `Track ${first.track.chunk + 1}`;
    return {
      id: first.track.id,
      name: settings.partNames[first.track.id] ?? (known ? base + suffix : base),
      abbreviation: known ? instrument.abbreviation + suffix : base.slice(0, 6),
      instrument,
      tracks: group.map(({ track }) => track.id),
      notes: group.flatMap(({ track }) => track.notes).sort((a, b) => a.start - b.start || a.key - b.key),
      staffOfTrack: group.length > 1 && group.some(({ cast }) => cast.recognition.details.hand) ? Object.fromEntries(group.map(({ track, cast }) => [track.id, cast.recognition.details.hand === 'left' ? 2 : 1])) : null,
    };
  });
}

/**
 * A cue in several files: a track that goes on in a later original, under the same name and for the same instrument, is the
 * same part. Tracks that sound at the same time are not.
 */
function joinSequels(groups: readonly Playing[][]): Playing[][] {
  const originalOf = ({ track }: Playing) => /^o(\d+)/.exec(track.id)?.[1] ?? '1';
  const joined: Playing[][] = [];
  for (const group of groups) {
    const one = group[0]!;
    const before = joined.find((candidate) => {
      const last = candidate.at(-1)!;
      return group.length === 1 && candidate.length >= 1 && originalOf(last) !== originalOf(one) && last.track.name === one.track.name && one.track.name !== '' && last.cast.instrument === one.cast.instrument && endOf(last.track) <= startOf(one.track);
    });
    if (before) before.push(one);
    else joined.push([...group]);
  }
  return joined;
}

const startOf = ({ notes }: PlayedTrack) => notes.reduce((first, note) => Math.min(first, note.start), Infinity);
const endOf = ({ notes }: PlayedTrack) => notes.reduce((last, note) => Math.max(last, note.end), 0);

/** Right hand and left hand of one instrument, recorded on two tracks, belong together. */
function joinHands(playing: readonly Playing[]): Playing[][] {
  const groups: Playing[][] = [];
  const waiting = new Map<string, Playing[]>();
  for (const one of playing) {
    const { details } = one.cast.recognition;
    const { instrument } = one.cast;
    if (!details.hand || instrument.clefs.length < 2) {
      groups.push([one]);
      continue;
    }
    const slot = `${instrument.id}/${details.number ?? ''}`;
    const other = waiting.get(slot);
    if (other && other.length === 1 && other[0]!.cast.recognition.details.hand !== details.hand) {
      if (details.hand === 'right') other.unshift(one);
      else other.push(one);
    } else {
      const group = [one];
      waiting.set(slot, group);
      groups.push(group);
    }
  }
  return groups;
}
