/*
 * Casting: tracks become parts.
 *
 *     recognise → take out keyswitches → group tracks → deal out → order and name
 *
 * Takes a performance and what people decided; gives the parts in score order, each with its instrument, name, played
 * notes and their techniques, and a query for what is in doubt.
 */
import { say } from '../words';
import { partOf, queryId } from '../base';
import type { TechniqueId } from '../instruments';
import type { NoteId, Performance, PlayedNote } from '../performance';
import type { Query } from '../queries';

import { castTracks } from './cast-tracks';
import type { Casting, CastPart, CastTrack, PartSource } from './casting';
import { castingQueries } from './casting-queries';
import { barsTaken, doublingsOf } from './doublings';
import { fittingStaves, type FittingStaves } from './fitting-staves';
import { groupTracks, type WrittenTrack } from './group-tracks';
import { takeOutSwitches } from './keyswitches';
import { inScoreOrder, isNobodysName, nameParts, type Unnamed } from './naming';
import { dealOf, dealPlayers } from './players';
import { programChanges } from './program-changes';
import type { CastingSettings } from '../settings';

export function cast(performance: Performance, settings: CastingSettings): { output: Casting; queries: Query[] } {
  const tracks = castTracks(performance, settings);
  const written = writtenTracks(performance, tracks, settings);
  const groups = groupTracks(written, settings);
  const crowded = new Map<string, PlayedNote[]>();
  const parts = groups.flatMap((group) => partsOfGroup(group, performance, settings, crowded));
  const ordered = inScoreOrder(parts, settings.moves);
  const names = nameParts(ordered, settings);
  const fitting = ordered.map((part) => stavesOf(part, settings));
  const output: Casting = {
    tracks,
    parts: ordered.map(({ number: _n, desk: _d, trackName: _t, fromScore: _f, written: _w, ...part }, i) => ({
      ...part,
      ...names[i]!,
      instrument: { ...part.instrument, clefs: fitting[i]!.clefs },
    })),
  };
  const doubts = output.parts.filter((_, i) => fitting[i]!.doubtful);
  return {
    output,
    queries: [...castingQueries(performance, output, groups, crowded, settings), ...doubts.map(stavesQuery)],
  };
}

/** Hands that were recorded apart have a staff each, whatever they play, unless somebody says otherwise. */
function stavesOf(
  { id, instrument, notes, sources }: Pick<CastPart, 'id' | 'instrument' | 'notes' | 'sources'>,
  settings: CastingSettings,
): FittingStaves {
  const chosen = settings.staves[id];
  return chosen === undefined && sources.some((source) => source.staff !== null)
    ? { clefs: instrument.clefs, doubtful: false }
    : fittingStaves(instrument, notes, chosen);
}

function stavesQuery({ id, name }: CastPart): Query {
  return {
    id: queryId(`staves/${id}`),
    kind: 'staves',
    part: id,
    message: say('castingCore.fitsBetterOnTwoStaves', { name }),
  };
}

function writtenTracks(
  performance: Performance,
  tracks: readonly CastTrack[],
  settings: CastingSettings,
): WrittenTrack[] {
  return performance.tracks.flatMap((track, i): WrittenTrack[] => {
    const meanings = settings.keyswitches[track.id];
    const { notes, techniqueOf } = meanings
      ? takeOutSwitches(track, meanings, performance.ticksPerQuarter)
      : { notes: track.notes, techniqueOf: new Map<NoteId, TechniqueId>() };
    const cast = tracks[i]!;
    if (cast.leftOut || (notes.length === 0 && !track.written)) return [];
    const changes = programChanges(track, notes, cast.instrument, settings.soundChanges[track.id]);
    return [{ track, cast, notes, techniqueOf, changes, staff: null }];
  });
}

type UnnamedPart = Omit<CastPart, 'name' | 'abbreviation'> & Unnamed;

function partsOfGroup(
  group: readonly WrittenTrack[],
  performance: Performance,
  settings: CastingSettings,
  crowded: Map<string, PlayedNote[]>,
): UnnamedPart[] {
  const first = group[0]!;
  const { instrument } = first.cast;
  const { details } = first.cast.recognition;
  const id = first.track.id;
  // “Track 9” is no ninth player.
  const number = isNobodysName(first.track.name) ? null : details.number;
  const notes = group.flatMap((one) => one.notes).sort((a, b) => a.start - b.start || a.key - b.key);
  const techniqueOf = techniquesOf(group);
  const base = {
    tracks: group.map(({ track }) => track.id),
    techniqueOf,
    desk: details.desk,
    solo: settings.solos[partOf(id)] ?? (first.track.written?.solo || details.solo),
    trackName: first.track.name || `Track ${first.track.chunk + 1}`,
    fromScore: first.track.written !== undefined,
    written: group.length === 1 && first.cast.by === 'engine' ? (first.track.written ?? null) : null,
  };
  const deal = dealOf(group, settings);
  if (!deal || deal.players < 2) {
    return [
      {
        ...base,
        ...doublingsOf(group, notes, instrument, barsTaken(settings.takenUp[partOf(id)] ?? [], performance)),
        id: partOf(id),
        instrument,
        notes,
        number,
        sources: group.map((one): PartSource => ({ track: one.track.id, notes: one.notes, staff: one.staff })),
        player: null,
      },
    ];
  }
  const dealt = dealPlayers(notes, instrument, deal, performance.tempo);
  crowded.set(id, dealt.crowded);
  const trackOf = new Map(group.flatMap((one) => one.notes.map((note) => [note.id, one.track.id] as const)));
  return dealt.players.map((player, p) => ({
    ...base,
    ...doublingsOf(
      group,
      player.notes,
      player.instrument,
      barsTaken(settings.takenUp[partOf(id, p + 1)] ?? [], performance),
    ),
    id: partOf(id, p + 1),
    instrument: player.instrument,
    notes: player.notes,
    number: player.number ?? numberOfPlayer({ ...details, number }, p, deal.players),
    sources: base.tracks
      .map((track): PartSource => ({
        track,
        notes: player.notes.filter((note) => trackOf.get(note.id) === track),
        staff: null,
      }))
      .filter((source) => source.notes.length > 0),
    player: { number: p + 1, of: deal.players },
  }));
}

/** "Hn 3-4" dealt out gives 3 and 4; "Hn 2" with two players each gives 3 and 4 too; "Hns" is counted later. */
function numberOfPlayer(
  { number, players }: { number: number | null; players: number | null },
  p: number,
  of: number,
): number | null {
  if (number === null) return null;
  return players !== null ? number + p : (number - 1) * of + p + 1;
}

/** The technique of each note: by its keyswitch, by the program in force, else by its track. */
function techniquesOf(group: readonly WrittenTrack[]): Map<NoteId, TechniqueId> {
  return new Map(
    group.flatMap((one) =>
      one.notes.flatMap((note): [NoteId, TechniqueId][] => {
        const technique = one.techniqueOf.get(note.id) ?? one.changes.techniqueOf.get(note.id) ?? one.cast.technique;
        return technique ? [[note.id, technique]] : [];
      }),
    ),
  );
}
