import type { QueryKind } from '@/core/score';

/** The stations of a job in working order. Each looks after some kinds of query. */
export const STATIONS = [
  { id: 'intake', name: 'Intake', about: 'What arrived', queries: ['file', 'empty-track', 'duplicate-track', 'mixed-channels'] },
  { id: 'casting', name: 'Casting', about: 'Which tracks become which parts', queries: ['unknown-instrument', 'house-list', 'players', 'gather', 'keyswitch', 'crowded', 'collision'] },
  { id: 'rhythm', name: 'Rhythm', about: 'Played time becomes written time', queries: ['off-grid', 'one-step', 'tuplet', 'short-rest', 'merged', 'swing', 'lead'] },
  { id: 'page', name: 'Page', about: 'Spelling, keys, clefs, percussion, tablature, marks', queries: ['key-signature', 'key-change', 'out-of-range', 'unmapped-drum', 'impossible-chord', 'repeat'] },
  { id: 'dispatch', name: 'Dispatch', about: 'What leaves the house', queries: [] },
] as const satisfies readonly { id: string; name: string; about: string; queries: readonly QueryKind[] }[];

export type StationId = (typeof STATIONS)[number]['id'];

export function isStation(id: string): id is StationId {
  return STATIONS.some((station) => station.id === id);
}

export function stationOf(kind: QueryKind): StationId {
  return STATIONS.find((station) => (station.queries as readonly QueryKind[]).includes(kind))?.id ?? 'rhythm';
}
