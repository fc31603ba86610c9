import { STATION_IDS, stationFor, type Query, type StationId } from '@/core/queries';
import type { Direction } from '@/storage/schema';

export type { StationId };

interface Station {
  id: StationId;
  name: string;
  about: string;
}

/** The stations of a job in working order, for each direction. */
export const STATIONS: Record<Direction, readonly Station[]> = {
  'to-score': [
    { id: 'intake', name: 'Intake', about: 'What arrived' },
    { id: 'casting', name: 'Casting', about: 'Which tracks become which parts' },
    { id: 'rhythm', name: 'Rhythm', about: 'Played time becomes written time' },
    { id: 'page', name: 'Page', about: 'Spelling, keys, clefs, percussion, tablature, marks' },
    { id: 'timeline', name: 'Timeline', about: 'Tempo, meters, markers, bar numbers, the studio’s map' },
    { id: 'proof', name: 'Proof', about: 'Whether score and playback agree' },
    { id: 'dispatch', name: 'Dispatch', about: 'What leaves the house' },
  ],
  'to-sequencer': [
    { id: 'intake', name: 'Intake', about: 'What arrived, and what of it goes along' },
    { id: 'casting', name: 'Casting', about: 'Tracks, sounds, channels, techniques' },
    { id: 'rhythm', name: 'Rhythm', about: 'How it is played: dynamics, lengths, grid, loosening' },
    { id: 'timeline', name: 'Timeline', about: 'Tempo, markers, bar numbers, the studio’s map, what is played' },
    { id: 'proof', name: 'Proof', about: 'Whether score and playback agree' },
    { id: 'dispatch', name: 'Dispatch', about: 'What leaves the house' },
  ],
};

export function isStation(id: string): id is StationId {
  return (STATION_IDS as readonly string[]).includes(id);
}

/** The station that looks after a kind of query; the first where the direction has none of that name. */
export function stationOf(kind: Query['kind'], direction: Direction): StationId {
  const own = stationFor(kind);
  return STATIONS[direction].some(({ id }) => id === own) ? own : 'intake';
}
