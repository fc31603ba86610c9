import type { Family, KeyRange } from '../instrument';

/**
 * What the best players have on a good day, where it is not the usual range with its family's margin: sounding keys.
 * Usual orchestration handbooks, from memory.
 */
const EXTREMES: Readonly<Record<string, KeyRange>> = {
  flute: [59, 98],
  oboe: [58, 93],
  'clarinet-bflat': [50, 98],
  'bass-clarinet': [34, 82],
  bassoon: [34, 77],
  'soprano-sax': [56, 93],
  'alto-sax': [49, 88],
  'tenor-sax': [44, 83],
  'baritone-sax': [36, 76],
  'horn-f': [33, 79],
  'trumpet-bflat': [50, 88],
  trombone: [33, 77],
  'bass-trombone': [22, 72],
  tuba: [22, 65],
  violin: [55, 108],
  viola: [48, 96],
  cello: [36, 88],
  'double-bass': [23, 74],
  'bass-guitar': [23, 72],
  guitar: [35, 88],
  'acoustic-guitar': [35, 88],
  voice: [36, 88],
  choir: [36, 88],
  timpani: [36, 62],
};

/** Semitones beyond the usual range, below and above. */
const MARGINS: Record<Family, readonly [number, number]> = {
  woodwind: [0, 3],
  brass: [-3, 4],
  percussion: [0, 0],
  keyboard: [0, 0],
  plucked: [0, 4],
  voice: [-3, 4],
  strings: [0, 7],
  other: [0, 0],
};

export function extremeRangeOf(id: string, family: Family, [low, high]: KeyRange): KeyRange {
  const [below, above] = MARGINS[family];
  return EXTREMES[id] ?? [Math.max(0, low + below), Math.min(127, high + above)];
}
