/*
 * From a group of tracks to its players: one part, or several when the notes are dealt out.
 */
import { instrumentById, type Instrument, type KeyRange, type InstrumentId } from '../instruments';
import type { PlayedNote } from '../performance';
import { secondsAtTick, type TempoMap } from '../time';
import { chordShareOf, dealOut, playersNeeded, type DealtNote, type Player } from './deal-out';
import type { WrittenTrack } from './group-tracks';
import { MOST_PLAYERS, USUAL_DEAL, type CastingSettings, type Deal } from '../settings';

/**
 * The five parts of a string choir, where each is at home (usual orchestration handbooks, from memory), and its number.
 */
const STRING_CHOIR: { instrument: InstrumentId; number: number | null; comfort: KeyRange; kin: string }[] = [
  { instrument: 'violin', number: 1, comfort: [62, 98], kin: 'violins' },
  { instrument: 'violin', number: 2, comfort: [57, 88], kin: 'violins' },
  { instrument: 'viola', number: null, comfort: [50, 76], kin: 'viola' },
  { instrument: 'cello', number: null, comfort: [36, 60], kin: 'bass' },
  { instrument: 'double-bass', number: null, comfort: [28, 55], kin: 'bass' },
];

export interface DealtPlayer {
  instrument: Instrument;
  /** Where the score numbers its players: Violin 1, Violin 2. */
  number: number | null;
  notes: PlayedNote[];
}

/** How a group is dealt out: what people decided, else what the house list remembers. */
export function dealOf(
  group: readonly WrittenTrack[],
  settings: Pick<CastingSettings, 'deals' | 'house'>,
): Deal | undefined {
  const id = group[0]!.track.id;
  return settings.deals[id] ?? settings.house[id]?.deal;
}

export interface DealReport {
  players: DealtPlayer[];
  /** Notes given to more than one player. */
  doubled: number;
  /** Notes that found every player busy. */
  crowded: PlayedNote[];
}

export function dealPlayers(
  notes: readonly PlayedNote[],
  instrument: Instrument,
  deal: Deal,
  tempo: TempoMap,
): DealReport {
  const chairs =
    deal.to === 'string-choir'
      ? STRING_CHOIR.map((chair) => ({ ...chair, instrument: instrumentById(chair.instrument) }))
      : Array.from({ length: deal.players }, () => ({
          instrument,
          number: null,
          comfort: instrument.range,
          kin: instrument.id,
        }));
  const dealt = dealOut(
    dealtNotes(notes, tempo),
    chairs.map(({ instrument: { range }, comfort, kin }): Player => ({ range, comfort, kin })),
    deal,
  );
  const chairOf = deal.to === 'players' && deal.order === 'paired' ? paired(chairs.length) : chairs.map((_, p) => p);
  const own: PlayedNote[][] = chairs.map(() => []);
  dealt.players.forEach((players, n) => players.forEach((p) => own[chairOf[p]!]!.push(notes[n]!)));
  return {
    players: chairs.map((chair, p) => ({ instrument: chair.instrument, number: chair.number, notes: own[p]! })),
    doubled: dealt.players.filter((players) => players.length > 1).length,
    crowded: dealt.crowded.map((n) => notes[n]!),
  };
}

/** Most players these notes need. */
export function playersFor(notes: readonly PlayedNote[], tempo: TempoMap): number {
  return playersNeeded(dealtNotes(notes, tempo));
}

/** Share of its chords in which more than one note truly sounds. */
export function chordShare(notes: readonly PlayedNote[], tempo: TempoMap): number {
  return chordShareOf(dealtNotes(notes, tempo));
}

/** What is proposed for a track: as many players as sound at once, or a string choir for a sketch of the strings. */
export function proposedDeal(notes: readonly PlayedNote[], instrument: Instrument, tempo: TempoMap): Deal {
  if (instrument.id === 'string-section') return { ...USUAL_DEAL, to: 'string-choir', players: STRING_CHOIR.length };
  return { ...USUAL_DEAL, players: Math.max(2, Math.min(MOST_PLAYERS, playersFor(notes, tempo))) };
}

function dealtNotes(notes: readonly PlayedNote[], tempo: TempoMap): DealtNote[] {
  return notes.map(({ key, start, end }) => ({
    key,
    start: secondsAtTick(tempo, start),
    end: secondsAtTick(tempo, end),
  }));
}

/** High players have the odd numbers: from top to bottom 1 3 2 4, as chairs counted from 0. */
function paired(count: number): number[] {
  const chairs = Array.from({ length: count }, (_, p) => p);
  return [...chairs.filter((p) => p % 2 === 0), ...chairs.filter((p) => p % 2 === 1)];
}
