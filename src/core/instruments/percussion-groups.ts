import type { MidiKey } from '../time';

/** Sounds that one player of small percussion has in hand together. */
export interface PercussionGroup {
  /** Stays the same: ids of split tracks are made of it. */
  number: number;
  name: string;
  keys: readonly MidiKey[];
}

/** What is no instrument of its own below: the drum kit. */
export const KIT_GROUP = 0;

/**
 * Hand percussion by instrument. Keys: General MIDI Level 1 percussion key assignments and the further ones of General
 * MIDI 2 (MIDI Association).
 */
export const PERCUSSION_GROUPS: readonly PercussionGroup[] = [
  { number: 1, name: 'Hand Claps', keys: [39] },
  { number: 2, name: 'Tambourine', keys: [54] },
  { number: 3, name: 'Cowbell', keys: [56] },
  { number: 4, name: 'Vibraslap', keys: [58] },
  { number: 5, name: 'Bongos', keys: [60, 61] },
  { number: 6, name: 'Congas', keys: [62, 63, 64] },
  { number: 7, name: 'Timbales', keys: [65, 66] },
  { number: 8, name: 'Agogo', keys: [67, 68] },
  { number: 9, name: 'Cabasa', keys: [69] },
  { number: 10, name: 'Maracas', keys: [70] },
  { number: 11, name: 'Whistle', keys: [71, 72] },
  { number: 12, name: 'Guiro', keys: [73, 74] },
  { number: 13, name: 'Claves', keys: [75] },
  { number: 14, name: 'Wood Blocks', keys: [76, 77] },
  { number: 15, name: 'Cuica', keys: [78, 79] },
  { number: 16, name: 'Triangle', keys: [80, 81] },
  { number: 17, name: 'Shaker', keys: [82] },
  { number: 18, name: 'Sleigh Bells', keys: [83] },
  { number: 19, name: 'Castanets', keys: [85] },
  { number: 20, name: 'Surdo', keys: [86, 87] },
];

/** Which instrument a percussion key belongs to; `KIT_GROUP` for the kit and for keys nobody knows. */
export function percussionGroupOf(key: MidiKey): number {
  return PERCUSSION_GROUPS.find((group) => group.keys.includes(key))?.number ?? KIT_GROUP;
}
