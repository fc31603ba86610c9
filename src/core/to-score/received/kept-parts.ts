/*
 * What a score has written already is kept: bars, values, voices, names of notes and marks go out as they came, but for
 * what was decided anew.
 *
 *     received   | ♩ ♫ | ♩. ♪ |     grid set for the second bar     written   | ♩ ♫ | (as the stages write it) |
 *
 * The stages run on the score's own playback as on any performance; here their notes are put back where the score has
 * them, bar by bar, before they are spelled and assembled.
 */
import { leadingTrack, lowest } from '../../base';
import type { CastPart } from '../../casting';
import type { NoteId } from '../../performance';
import { fifthsOf, lineOfFifths, soundsOf, transpositionAt, type Part, type Score } from '../../score';
import { barIndexAt, type Bar, type WrittenUnits } from '../../time';
import type { EndedNote } from '../layout/durations';
import type { LaidOutPart } from '../layout/lay-out-parts';
import type { StaffNotes } from '../layout/staff-notes';
import type { Piece } from '../piece';
import { anewBars, isAnew } from './anew';

/** What of a part is kept as it was received. */
export interface KeptPart {
  source: Part;
  /** Bars by index that are written by the stages. */
  anew: ReadonlySet<number>;
  /** Concert names by place on the line of fifths; empty where the part is spelled anew. */
  places: ReadonlyMap<NoteId, number>;
  /** The transposition and the clefs are those of the instrument, not those of the source. */
  asInstrument: boolean;
}

/** A part before it is spelled; `kept` where something of it is as it was received. */
export interface ReadyPart extends LaidOutPart {
  kept: KeptPart | null;
}

/** @param parts as the stages laid them out */
export function keepReceived({ received, settings, casting, laid }: Piece, parts: readonly LaidOutPart[]): ReadyPart[] {
  if (!received) return parts.map((one) => ({ ...one, kept: null }));
  return parts.map((one): ReadyPart => {
    const source = sourceOf(one.part, received);
    const anew = source && anewBars(one, source, settings, laid);
    if (!source || !anew) return { ...one, kept: null };
    const decided = casting.tracks.find(({ id }) => id === one.part.tracks[0])!.by !== 'engine';
    const kept: KeptPart = {
      source,
      anew: anew.bars,
      places: isAnew(settings, 'spelling', one.part.id) ? new Map() : concertPlaces(source),
      asInstrument: decided || isAnew(settings, 'transposition', one.part.id),
    };
    return { ...one, kept, staves: withKept(one.staves, kept, laid), grid: onItsPlaces(one, kept, laid) };
  });
}

/** The part of the score that became this one; null for several gathered, or one dealt out. */
function sourceOf(part: CastPart, received: Score): Part | null {
  if (part.tracks.length > 1 || part.player) return null;
  return received.parts.find(({ id }) => leadingTrack(id) === part.tracks[0]) ?? null;
}

function concertPlaces(source: Part): Map<NoteId, number> {
  if (source.unpitched) return new Map();
  return new Map(
    source.bars.flatMap(({ voices }, bar) => {
      const shift = fifthsOf(transpositionAt(source, bar));
      return voices.flatMap(({ symbols }) =>
        symbols.flatMap(({ notes }) =>
          notes.map((note) => [note.played[0]!, lineOfFifths(note.pitch) - shift] as const),
        ),
      );
    }),
  );
}

/** Written times of the sounds that stay where the score has them. */
function keptTimes({ source, anew }: KeptPart, bars: readonly Bar[]) {
  const starts = bars.map((bar) => bar.start);
  return soundsOf(source, bars.slice(0, source.bars.length)).filter(
    ({ start }) => !anew.has(barIndexAt(starts, start)),
  );
}

function onItsPlaces({ grid }: LaidOutPart, kept: KeptPart, bars: readonly Bar[]): LaidOutPart['grid'] {
  const placeOf = new Map<NoteId, WrittenUnits>();
  for (const { start, played } of keptTimes(kept, bars)) for (const id of played) placeOf.set(id, start);
  return {
    ...grid,
    notes: grid.notes.map((note) => ({ ...note, start: placeOf.get(note.id) ?? note.start })),
  };
}

function withKept(staves: readonly StaffNotes[], kept: KeptPart, bars: readonly Bar[]): StaffNotes[] {
  const { source, anew } = kept;
  const starts = bars.map((bar) => bar.start);
  const own = new Map(staves.flatMap(({ notes }) => notes.map((note) => [note.id, note] as const)));
  const count = Math.max(source.clefs.length, anew.size > 0 ? staves.length : 0);
  const result = Array.from({ length: count }, (_, s): StaffNotes => ({ staff: s + 1, notes: [], voices: [] }));
  const first = firstVoices(source);
  for (const { start, end, staff, voice, played } of keptTimes(kept, bars)) {
    const note = own.get(played[0]!);
    const home = result[staff - 1];
    if (!note || !home) continue;
    const { ornament: _ornament, short: _short, ...plain } = note;
    home.notes.push({ ...plain, start, end, absorbed: [] });
    home.voices.push(voice - first.get(staff)!);
  }
  for (const { staff, notes, voices } of staves)
    notes.forEach((note: EndedNote, n) => {
      if (!anew.has(barIndexAt(starts, note.start))) return;
      const home = result[Math.min(staff, count) - 1]!;
      home.notes.push(note);
      home.voices.push(voices[n]!);
    });
  return result;
}

/** The lowest voice number on each staff. */
function firstVoices(source: Part): Map<number, number> {
  const byStaff = new Map<number, number[]>();
  for (const { voices } of source.bars)
    for (const { staff, voice } of voices) byStaff.set(staff, [...(byStaff.get(staff) ?? []), voice]);
  return new Map([...byStaff].map(([staff, voices]) => [staff, lowest(voices)]));
}
