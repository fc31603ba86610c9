import { keySignature, line, meter, programAt, tempo, type HandNote, type HandTrack } from './music';

/* A small piece for each kind of query. */

const scale: [number, number][] = Array.from({ length: 32 }, (_, i) => [60 + [0, 2, 4, 5, 7, 9, 11, 12][i % 8]!, 0.5]);
const chords = (size: number, from = 55): HandNote[] =>
  Array.from({ length: 8 }, (_, i) =>
    Array.from({ length: size }, (_, n) => ({ key: from + 4 * n + (i % 3), at: i, length: 0.95 })),
  ).flat();

export const doubtfulPieces: Record<string, { tracks: HandTrack[]; conductor?: ReturnType<typeof meter>[] }> = {
  'unknown-instrument': { tracks: [{ name: 'Zz 7', notes: line(...scale) }] },
  'unsure-instruments': {
    tracks: [
      { name: '16th', program: 1, notes: line(...scale) },
      { name: 'Aux', program: 1, notes: line(...scale.map(([key, length]): [number, number] => [key + 5, length])) },
    ],
  },
  'out-of-range': { tracks: [{ name: 'Flute', notes: line(...scale, [36, 1], [38, 1]) }] },
  'unmapped-drum': {
    tracks: [
      {
        name: 'Drum Kit',
        notes: line(...scale.map((): [number, number] => [38, 0.5]), [26, 1]).map((note) => ({ ...note, channel: 10 })),
      },
    ],
  },
  'duplicate-track': {
    tracks: [
      { name: 'Flute', notes: line(...scale) },
      { name: 'Flute copy', notes: line(...scale) },
    ],
  },
  'empty-track': {
    tracks: [
      { name: 'Flute', notes: line(...scale) },
      { name: 'Oboe', notes: [] },
    ],
  },
  keyswitch: {
    tracks: [
      {
        name: 'Violin 1',
        notes: [...line(...scale), { key: 24, at: 0, length: 0.5 }, { key: 26, at: 8, length: 0.5 }],
      },
    ],
  },
  players: { tracks: [{ name: 'Horns a4', notes: chords(4) }] },
  'mixed-channels': {
    tracks: [
      { name: 'Band', notes: line(...scale).map((note, i) => ({ ...note, channel: 1 + (i % 2) })) },
      { name: 'Cello', notes: line([48, 4]) },
    ],
  },
  'sound-change': {
    tracks: [{ name: 'Flute', program: 74, notes: line(...scale), extra: [programAt(4, 41), programAt(8, 61)] }],
  },
  'key-signature': {
    tracks: [{ name: 'Flute', notes: line(...scale.map(([key, length]): [number, number] => [key + 3, length])) }],
    conductor: [keySignature(0, 0)],
  },
  meter: {
    tracks: [
      {
        name: 'Piano',
        notes: Array.from({ length: 16 }, (_, bar): HandNote[] => [
          { key: [43, 48, 50, 43][bar % 4]!, at: bar * 3, length: 1 },
          ...[1, 2].flatMap((beat) =>
            [59, 62, 67].map((key) => ({ key: key + (bar % 4 === 1 ? 1 : 0), at: bar * 3 + beat, length: 0.8 })),
          ),
        ]).flat(),
      },
    ],
  },
  'tempo-bends': {
    tracks: [{ name: 'Flute', notes: line(...scale) }],
    conductor: [tempo(0, 100), ...[96, 90, 84, 76].map((bpm, i) => tempo(4 + i / 2, bpm)), tempo(8, 100)],
  },
  'no-bars': {
    tracks: [
      {
        name: 'Piano',
        notes: Array.from({ length: 80 }, (_, i): HandNote[] => {
          const at = i * 0.7137 + 2.1 * Math.sin(i / 17) + 0.2;
          return [{ key: 60 + ((i * 5) % 12), at, length: 0.6 }];
        }).flat(),
      },
    ],
  },
  repeat: {
    tracks: [
      {
        name: 'Flute',
        notes: line(
          ...[60, 62, 64, 65, 67, 69, 71, 72, 74, 72, 71, 69, 67, 65, 64, 62].map((key): [number, number] => [key, 1]),
          ...[60, 62, 64, 65, 67, 69, 71, 72, 74, 72, 71, 69, 67, 65, 64, 62].map((key): [number, number] => [key, 1]),
          [55, 4],
        ),
      },
    ],
  },
  swing: {
    tracks: [
      {
        name: 'Alto Sax',
        notes: Array.from({ length: 16 }, (_, i) =>
          [0, ...(i % 8 === 3 ? [1 / 3] : []), 2 / 3].map((turn, n) => ({
            key: 65 + ((i + n) % 5),
            at: i + turn,
            length: 0.3,
          })),
        ).flat(),
      },
    ],
  },
  'short-rest': {
    tracks: [
      {
        name: 'Flute',
        notes: Array.from({ length: 16 }, (_, i) => ({
          key: 65 + (i % 5),
          at: i * 0.5,
          length: i === 5 ? 0.375 : 0.5,
        })),
      },
    ],
  },
};
