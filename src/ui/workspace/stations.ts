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
    { id: 'casting', name: 'Casting', about: 'Which instrument each track is' },
    { id: 'rhythm', name: 'Rhythm', about: 'When notes were meant' },
    { id: 'page', name: 'Page', about: 'How it is written' },
    { id: 'timeline', name: 'Timeline', about: 'Tempo, meters, bars' },
    { id: 'proof', name: 'Proof', about: 'Compare with the original' },
    { id: 'dispatch', name: 'Dispatch', about: 'Export and send' },
  ],
  'to-sequencer': [
    { id: 'intake', name: 'Intake', about: 'What arrived, what to include' },
    { id: 'casting', name: 'Casting', about: 'Which sound each part has' },
    { id: 'rhythm', name: 'Rhythm', about: 'How it is played' },
    { id: 'timeline', name: 'Timeline', about: 'Tempo, meters, bars, playing order' },
    { id: 'proof', name: 'Proof', about: 'Compare with the original' },
    { id: 'dispatch', name: 'Dispatch', about: 'Export and send' },
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
