import { spokenName } from '../instruments';
import type { TrackId } from '../base';
import { dealPlayers, playersFor, proposedDeal, type Casting } from '../casting';
import type { Performance } from '../performance';
import type { Deal } from '../settings';
import { playedUnits, type MidiKey, type PlayedUnits } from '../time';

/** Who would get what, before it is decided. */
export interface DealPreview {
  deal: Deal;
  /** Most players the notes need. */
  needed: number;
  players: { instrument: string; number: number | null; notes: DealtMark[] }[];
  notes: number;
  doubled: number;
  crowded: number;
}

export interface DealtMark {
  key: MidiKey;
  start: PlayedUnits;
  end: PlayedUnits;
  /** Another player has it too. */
  shared: boolean;
}

/**
 * Deals the notes of a part out for a look.
 *
 * @param track that leads the part @param deal none for what the engine proposes
 * @throws Error when there is no such part
 */
export function previewDeal(
  casting: Casting,
  performance: Performance,
  track: TrackId,
  deal: Deal | null,
): DealPreview {
  const parts = casting.parts.filter((part) => part.tracks[0] === track);
  const source = casting.tracks.find((candidate) => candidate.id === track);
  if (parts.length === 0 || !source) throw new Error(`There is no part of track ${track}.`);
  const notes = [...new Map(parts.flatMap((part) => part.notes.map((note) => [note.id, note]))).values()].sort(
    (a, b) => a.start - b.start || a.key - b.key,
  );
  const chosen = deal ?? proposedDeal(notes, source.instrument, performance.tempo);
  const { players, doubled, crowded } = dealPlayers(notes, source.instrument, chosen, performance.tempo);
  const owners = new Map<number, number>();
  for (const player of players) for (const note of player.notes) owners.set(note.id, (owners.get(note.id) ?? 0) + 1);
  const units = (tick: number) => playedUnits(tick, performance.ticksPerQuarter);
  return {
    deal: chosen,
    needed: playersFor(notes, performance.tempo),
    players: players.map((player) => ({
      instrument: spokenName(player.instrument),
      number: player.number,
      notes: player.notes.map((note) => ({
        key: note.key,
        start: units(note.start),
        end: units(note.end),
        shared: owners.get(note.id)! > 1,
      })),
    })),
    notes: notes.length,
    doubled,
    crowded: crowded.length,
  };
}
