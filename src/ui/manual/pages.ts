import type { Query } from '@/core/queries';
import type { StationId } from '../workspace/stations';

/** Pages of the manual in reading order; each is a file of docs/manual, in every language. */
export const MANUAL_PAGES = [
  'start',
  'intake',
  'casting',
  'rhythm',
  'page',
  'timeline',
  'proof',
  'dispatch',
  'shows',
  'troubles',
  'words',
  'keys',
  'limits',
] as const;
export type ManualPage = (typeof MANUAL_PAGES)[number];

export const isManualPage = (name: string): name is ManualPage => (MANUAL_PAGES as readonly string[]).includes(name);

/** Each station has a page of its own. */
export const pageOfStation = (station: StationId): ManualPage => station;

/** Numbers of the usual troubles, as their page counts them in every language. */
export const TROUBLE_OF: Readonly<Record<Query['kind'], number>> = {
  lead: 1,
  'early-entry': 1,
  players: 2,
  crowded: 2,
  'impossible-chord': 2,
  gather: 3,
  collision: 3,
  'unknown-instrument': 4,
  'unsure-instruments': 4,
  'house-list': 4,
  'sound-change': 4,
  'empty-track': 5,
  'duplicate-track': 5,
  'mixed-channels': 5,
  keyswitch: 6,
  'short-rest': 7,
  'off-grid': 8,
  tuplet: 8,
  merged: 8,
  swing: 9,
  'one-step': 10,
  doubled: 10,
  audit: 11,
  meter: 12,
  pickup: 12,
  'no-bars': 13,
  'key-signature': 14,
  'key-change': 14,
  'received-spelling': 14,
  'out-of-range': 15,
  'received-transposition': 15,
  'unmapped-drum': 16,
  'one-drum': 16,
  'silent-drums': 16,
  'received-percussion': 16,
  staves: 17,
  'many-sounds': 17,
  'bar-repeats': 18,
  repeat: 18,
  'uneven-repeat': 18,
  'endless-repeats': 18,
  'tempo-bends': 19,
  'wrong-sounds': 20,
  'jumping-faders': 20,
  'one-velocity': 20,
  'silent-techniques': 20,
  'several-ports': 20,
  'between-ticks': 20,
  'two-versions': 21,
  file: 22,
};
