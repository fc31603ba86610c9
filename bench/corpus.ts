/*
 * True scores of many kinds, made by a small grammar from a seed: rhythm from cells that fill beats, melody as a walk
 * along a scale with now and then a chromatic neighbour, so that truth is known for every note: place, value, voice,
 * staff, name.
 */
import { QUARTER } from '../src/core/time';
import { line, melody, OF_TWO, pieceScore, rhythm, type Cell, type Meter, type Piece } from './grammar';
import type { TrueNote, TruePart, TrueScore } from './true-score';

export const KINDS = [
  'simple meters',
  'compound meters',
  'five and seven',
  'triplets in one part',
  'swing',
  'piano in voices',
  'slow strings',
  'drums and bass',
  'sixteenths and triplets',
] as const;
export type Kind = (typeof KINDS)[number];

export interface CorpusScore extends TrueScore {
  kind: Kind;
  name: string;
  /** Long to short eighth as played; 1 is even. Written evenly. */
  swing: number;
}

const T = 1 / 3;
const PLAIN: [Cell, number][] = [
  [[1], 5],
  [[0.5, 0.5], 5],
  [[-1], 0.7],
  [[-0.5, 0.5], 0.8],
  [[0.5, -0.5], 0.8],
  [[2], 2],
  [[1.5, 0.5], 2],
  [[0.5, 1, 0.5], 1],
  [[1, -1], 0.5],
];
const SIXTEENTHS: [Cell, number][] = [
  ...PLAIN,
  [[0.25, 0.25, 0.25, 0.25], 2],
  [[0.5, 0.25, 0.25], 2],
  [[0.25, 0.25, 0.5], 1.5],
  [[0.75, 0.25], 1.5],
  [[0.25, 0.5, 0.25], 0.5],
];
const TRIPLETS: [Cell, number][] = [
  [[1], 3],
  [[T, T, T], 5],
  [[2 * T, T], 1.5],
  [[T, 2 * T], 0.7],
  [[0.5, 0.5], 1.5],
  [[-1], 0.5],
  [[2], 1],
];
const MIXED: [Cell, number][] = [...SIXTEENTHS, [[T, T, T], 3], [[2 * T, T], 0.8]];
const SLOW: [Cell, number][] = [
  [[1], 4],
  [[2], 4],
  [[3], 1],
  [[4], 1],
  [[0.5, 0.5], 1.5],
  [[1.5, 0.5], 1.5],
  [[-1], 0.4],
];
const SWUNG: [Cell, number][] = [
  [[1], 3],
  [[0.5, 0.5], 7],
  [[-0.5, 0.5], 1],
  [[0.5, 1, 0.5], 1.2],
  [[1.5, 0.5], 1.2],
  [[2], 0.8],
  [[-1], 0.6],
];
const WALKING: [Cell, number][] = [
  [[1], 8],
  [[0.5, 0.5], 1],
];
const COMPOUND: [Cell, number][] = [
  [[1.5], 4],
  [[0.5, 0.5, 0.5], 5],
  [[1, 0.5], 4],
  [[0.5, 1], 1],
  [[-1.5], 0.6],
  [[0.5, 0.25, 0.25, 0.5], 1.2],
  [[0.25, 0.25, 0.25, 0.25, 0.25, 0.25], 0.8],
  [[0.75, 0.25, 0.5], 1],
  [[3], 1.5],
];

/** @param seed further scores of the same kinds for other seeds */
export function corpus(seed: number): CorpusScore[] {
  const make = (
    kind: Kind,
    i: number,
    meter: Meter,
    bpm: [number, number],
    write: (piece: Piece) => TruePart[],
    swing = 1,
  ): CorpusScore => {
    const seedOfScore = seed * 7919 + i * 104_729 + KINDS.indexOf(kind) * 31;
    return { ...pieceScore(kind, i, seedOfScore, meter, bpm, 16, write), swing };
  };
  const band = (cells: [Cell, number][]) => (piece: Piece) => [
    line(piece, 'flute', 'Flute', [62, 90], cells),
    line(piece, 'clarinet-bflat', 'Clarinet', [55, 82], cells),
    line(piece, 'bassoon', 'Bassoon', [38, 64], cells === COMPOUND ? COMPOUND : PLAIN),
  ];
  const odd = (piece: Piece) => [
    line(piece, 'oboe', 'Oboe', [60, 84], OF_TWO),
    line(piece, 'cello', 'Cello', [38, 62], OF_TWO),
  ];
  return [
    ...(
      [
        [2, 4],
        [3, 4],
        [4, 4],
        [5, 4],
        [2, 4],
        [3, 4],
        [4, 4],
        [5, 4],
      ] as Meter[]
    ).map((meter, i) => make('simple meters', i, meter, [70, 132], band(i < 4 ? PLAIN : SIXTEENTHS))),
    ...(
      [
        [6, 8],
        [9, 8],
        [12, 8],
        [6, 8],
        [9, 8],
        [12, 8],
      ] as Meter[]
    ).map((meter, i) => make('compound meters', i, meter, [90, 160], band(COMPOUND))),
    ...(
      [
        [5, 8],
        [7, 8],
        [5, 8],
        [7, 8],
      ] as Meter[]
    ).map((meter, i) => make('five and seven', i, meter, [100, 150], odd)),
    ...[0, 1, 2, 3, 4].map((i) =>
      make('triplets in one part', i, [4, 4], [80, 120], (piece) => [
        line(piece, 'flute', 'Flute', [62, 90], TRIPLETS),
        line(piece, 'clarinet-bflat', 'Clarinet', [55, 82], SIXTEENTHS),
        line(piece, 'bassoon', 'Bassoon', [38, 64], PLAIN),
      ]),
    ),
    ...[0, 1, 2, 3].map((i) =>
      make(
        'swing',
        i,
        [4, 4],
        [110, 180],
        (piece) => [
          line(piece, 'alto-sax', 'Alto Sax', [52, 78], SWUNG),
          line(piece, 'trumpet-bflat', 'Trumpet', [55, 80], SWUNG),
          line(piece, 'double-bass', 'Bass', [30, 55], WALKING),
        ],
        [1.6, 1.8, 2, 2.2][i],
      ),
    ),
    ...(
      [
        [4, 4],
        [3, 4],
        [4, 4],
        [3, 4],
        [4, 4],
      ] as Meter[]
    ).map((meter, i) => make('piano in voices', i, meter, [60, 110], (piece) => [piano(piece)])),
    ...[0, 1, 2, 3].map((i) =>
      make('slow strings', i, [4, 4], [54, 76], (piece) => [
        line(piece, 'violin', 'Violin 1', [67, 88], SLOW),
        line(piece, 'viola', 'Viola', [52, 74], SLOW),
        line(piece, 'cello', 'Cello', [38, 62], SLOW),
      ]),
    ),
    ...[0, 1, 2, 3].map((i) =>
      make('drums and bass', i, [4, 4], [84, 140], (piece) => [
        drums(piece),
        line(piece, 'bass-guitar', 'Bass', [30, 55], SIXTEENTHS),
      ]),
    ),
    ...[0, 1, 2, 3].map((i) => make('sixteenths and triplets', i, [4, 4], [100, 100], band(MIXED))),
  ];
}

/** Right hand: a tune with a slower line held under it, never wider than a hand; left hand: a line of its own. */
function piano(piece: Piece): TruePart {
  const upper = melody(piece, rhythm(piece, PLAIN), [70, 86], 1, 0);
  const inner = melody(piece, rhythm(piece, SLOW), [62, 74], 1, 1);
  const left = melody(
    piece,
    rhythm(
      piece,
      piece.random.next() < 0.5
        ? WALKING
        : [
            [[0.5, 0.5], 5],
            [[1], 2],
          ],
    ),
    [38, 55],
    2,
    0,
  );
  // Where the tune rests, the line under it would look like the upper one; where both are far apart, no hand reaches.
  const fits = (low: TrueNote) => {
    const above = upper.filter((note) => note.start < low.end && note.end > low.start);
    return (
      above.length > 0 &&
      above[0]!.start <= low.start &&
      above.every((note) => note.key - low.key >= 3 && note.key - low.key <= 14)
    );
  };
  return { instrument: 'piano', name: 'Piano', notes: [...upper, ...inner.filter(fits), ...left] };
}

export function drums(piece: Piece): TruePart {
  const { random, bars } = piece;
  const notes: TrueNote[] = [];
  const hit = (at: number, key: number) =>
    notes.push({
      start: Math.round(at * QUARTER),
      end: Math.round((at + 0.25) * QUARTER),
      key,
      pitch: { step: 'C', alter: 0, octave: 5 },
      staff: 1,
      voice: key === 36 ? 1 : 0,
    });
  const sixteenths = random.next() < 0.5;
  for (let bar = 0; bar < bars; bar++) {
    const fill = bar % 4 === 3;
    for (let eighth = 0; eighth < 8; eighth++) {
      const at = bar * 4 + eighth / 2;
      if (!(fill && eighth >= 6)) hit(at, eighth === 7 && random.next() < 0.3 ? 46 : 42);
      if (sixteenths && !fill && random.next() < 0.2) hit(at + 0.25, 42);
    }
    hit(bar * 4, 36);
    hit(bar * 4 + 2 + (random.next() < 0.3 ? 0.5 : 0), 36);
    if (random.next() < 0.4) hit(bar * 4 + 3.5, 36);
    hit(bar * 4 + 1, 38);
    hit(bar * 4 + 3, 38);
    if (fill) [3.25, 3.5, 3.75].forEach((at, i) => hit(bar * 4 + at, [50, 47, 43][i]!));
  }
  return { instrument: 'drum-kit', name: 'Drums', notes };
}
