import type { Query } from '@/core/queries';
import type { Direction } from '@/storage/schema';

interface Station {
  id: StationId;
  name: string;
  about: string;
  queries: readonly Query['kind'][];
}

const STATION_IDS = ['intake', 'casting', 'rhythm', 'page', 'timeline', 'proof', 'dispatch'] as const;
export type StationId = (typeof STATION_IDS)[number];

/** The stations of a job in working order, for each direction. Each looks after some kinds of query. */
export const STATIONS: Record<Direction, readonly Station[]> = {
  'to-score': [
    {
      id: 'intake',
      name: 'Intake',
      about: 'What arrived',
      queries: ['file', 'two-versions', 'empty-track', 'duplicate-track', 'mixed-channels'],
    },
    {
      id: 'casting',
      name: 'Casting',
      about: 'Which tracks become which parts',
      queries: [
        'unknown-instrument',
        'unsure-instruments',
        'house-list',
        'players',
        'sound-change',
        'gather',
        'keyswitch',
        'crowded',
        'collision',
      ],
    },
    {
      id: 'rhythm',
      name: 'Rhythm',
      about: 'Played time becomes written time',
      queries: [
        'off-grid',
        'early-entry',
        'one-step',
        'tuplet',
        'short-rest',
        'merged',
        'swing',
        'lead',
        'doubled',
        'audit',
      ],
    },
    {
      id: 'page',
      name: 'Page',
      about: 'Spelling, keys, clefs, percussion, tablature, marks',
      queries: [
        'key-signature',
        'key-change',
        'out-of-range',
        'unmapped-drum',
        'impossible-chord',
        'repeat',
        'uneven-repeat',
        'staves',
        'one-drum',
        'many-sounds',
        'bar-repeats',
        'received-spelling',
        'received-transposition',
        'received-percussion',
      ],
    },
    {
      id: 'timeline',
      name: 'Timeline',
      about: 'Tempo, meters, markers, bar numbers, the studio’s map',
      queries: ['meter', 'no-bars', 'tempo-bends'],
    },
    { id: 'proof', name: 'Proof', about: 'Whether score and playback agree', queries: [] },
    { id: 'dispatch', name: 'Dispatch', about: 'What leaves the house', queries: [] },
  ],
  'to-sequencer': [
    {
      id: 'intake',
      name: 'Intake',
      about: 'What arrived, and what of it goes along',
      queries: ['file', 'two-versions', 'jumping-faders'],
    },
    {
      id: 'casting',
      name: 'Casting',
      about: 'Tracks, sounds, channels, techniques',
      queries: ['silent-techniques', 'several-ports', 'wrong-sounds', 'silent-drums'],
    },
    {
      id: 'rhythm',
      name: 'Rhythm',
      about: 'How it is played: dynamics, lengths, grid, loosening',
      queries: ['one-velocity'],
    },
    {
      id: 'timeline',
      name: 'Timeline',
      about: 'Tempo, markers, bar numbers, the studio’s map, what is played',
      queries: ['endless-repeats', 'pickup'],
    },
    { id: 'proof', name: 'Proof', about: 'Whether score and playback agree', queries: [] },
    { id: 'dispatch', name: 'Dispatch', about: 'What leaves the house', queries: ['between-ticks'] },
  ],
};

export function isStation(id: string): id is StationId {
  return (STATION_IDS as readonly string[]).includes(id);
}

export function stationOf(kind: Query['kind'], direction: Direction): StationId {
  return STATIONS[direction].find((station) => station.queries.includes(kind))?.id ?? 'intake';
}
