/*
 * True scores of the kinds that are easily taken for something else: music off the beat, music of dotted and very short
 * values, bars that are counted otherwise than they are written. Made by the same grammar; rhythms common in each kind,
 * from memory.
 */
import { pitchKey } from '../src/core/score';
import { QUARTER } from '../src/core/time';
import {
  line,
  melody,
  pieceScore,
  rhythm,
  scaleDegree,
  scalePitch,
  type Cells,
  type Meter,
  type Piece,
} from './grammar';
import type { CorpusScore } from './corpus';
import type { TrueNote, TruePart } from './true-score';

export const GENRES = [
  'ragtime',
  'after-beats',
  'hemiola',
  'dotted',
  'double-dotted',
  'thirty-seconds',
  'off-beat riffs',
  'wide tuplets',
  'hands crossing',
  'long notes',
  'clave',
] as const;
export type Genre = (typeof GENRES)[number];

export type GenreScore = Omit<CorpusScore, 'kind'> & { kind: Genre };

const T = 1 / 3;
const RAG: Cells = [
  [[0.25, 0.5, 0.25, 0.5, 0.5], 3],
  [[0.25, 0.25, 0.25, 0.75, 0.5], 1.5],
  [[-0.25, 0.25, 0.5, 0.25, 0.5, 0.25], 2],
  [[0.25, 0.5, 0.5, 0.5, 0.25], 1.5],
  [[0.5, 0.25, 0.5, 0.25, 0.5], 1],
  [[1, 1], 0.6],
  [[0.25, 0.25, 0.25, 0.25, 1], 1],
];
const OOMPAH: Cells = [[[0.5, 0.5, 0.5, 0.5], 1]];
const AFTER: Cells = [
  [[-0.5, 0.5], 8],
  [[-0.5, 0.25, 0.25], 1],
];
const MELODY: Cells = [
  [[1], 4],
  [[0.5, 0.5], 4],
  [[1.5, 0.5], 2],
  [[2], 1.5],
  [[0.75, 0.25], 1],
];
const ON_BEAT: Cells = [
  [[1], 8],
  [[2], 1],
];
const DOTTED: Cells = [
  [[0.75, 0.25], 6],
  [[1], 1.5],
  [[0.5, 0.5], 1],
  [[1.5, 0.5], 1],
];
const DOUBLE_DOTTED: Cells = [
  [[0.875, 0.125], 5],
  [[1.75, 0.25], 3],
  [[1], 2],
  [[0.75, 0.125, 0.125], 2],
];
const E = 1 / 8;
const FAST: Cells = [
  [[E, E, E, E, E, E, E, E], 3],
  [[0.25, 0.25, E, E, E, E], 2],
  [[0.5, E, E, 0.25], 2],
  [[1], 1.5],
  [[0.75, E, E], 1.5],
];
const RIFF: Cells = [
  [[-0.25, 0.25, -0.25, 0.25], 3],
  [[-0.5, 0.5], 2],
  [[-0.25, 0.5, 0.25], 2],
  [[-0.75, 0.25], 2],
  [[-1], 0.7],
];
const FIFTH = 2 / 5;
const SEVENTH = 2 / 7;
const WIDE: Cells = [
  [[FIFTH, FIFTH, FIFTH, FIFTH, FIFTH], 1],
  [[SEVENTH, SEVENTH, SEVENTH, SEVENTH, SEVENTH, SEVENTH, SEVENTH], 1],
  [[2 * T, 2 * T, 2 * T], 2],
  [[1, 1], 2],
  [[0.5, 0.5, 1], 2],
  [[0.25, 0.25, 0.25, 0.25, 1], 1],
  [[T, T, T, 1], 1],
];
const LONG: Cells = [
  [[4], 2],
  [[2, 2], 2],
  [[3, 1], 2],
  [[1, 3], 1],
];
const CLAVE: Cells = [
  [[1.5, 1.5, 1], 3],
  [[-1, 1, 2], 1],
  [[0.5, 1, 1, 1, 0.5], 2],
  [[1.5, 1, 1.5], 1],
];

/** @param seed further scores of the same kinds for other seeds */
export function genres(seed: number): GenreScore[] {
  const make = (
    kind: Genre,
    i: number,
    meter: Meter,
    bpm: readonly [number, number],
    write: (piece: Piece) => TruePart[],
  ): GenreScore => ({
    ...pieceScore(kind, i, seed * 6971 + i * 99_991 + GENRES.indexOf(kind) * 37, meter, bpm, 16, write),
    swing: 1,
  });
  const two = [0, 1];
  return [
    ...two.map((i) =>
      make('ragtime', i, [2, 4], [70, 100], (piece) => [hands(piece, rhythm(piece, RAG), rhythm(piece, OOMPAH))]),
    ),
    ...two.map((i) =>
      make(
        'after-beats',
        i,
        (
          [
            [4, 4],
            [2, 4],
          ] as const
        )[i]!,
        [90, 130],
        (piece) => [
          line(piece, 'flute', 'Flute', [65, 88], MELODY),
          line(piece, 'horn-f', 'Horn', [52, 70], AFTER),
          line(piece, 'tuba', 'Tuba', [34, 52], ON_BEAT),
        ],
      ),
    ),
    ...two.map((i) =>
      make('hemiola', i, [3, 4], [100, 150], (piece) => [
        line(piece, 'violin', 'Violin 1', [62, 88], MELODY),
        { instrument: 'cello', name: 'Cello', notes: melody(piece, hemiola(piece.bars), [38, 60], 1, 0) },
      ]),
    ),
    ...two.map((i) =>
      make(
        'dotted',
        i,
        (
          [
            [3, 4],
            [4, 4],
          ] as const
        )[i]!,
        [60, 100],
        (piece) => [
          line(piece, 'violin', 'Violin 1', [62, 88], DOTTED),
          line(piece, 'cello', 'Cello', [38, 60], ON_BEAT),
        ],
      ),
    ),
    ...two.map((i) =>
      make('double-dotted', i, [4, 4], [50, 70], (piece) => [
        line(piece, 'oboe', 'Oboe', [60, 84], DOUBLE_DOTTED),
        line(piece, 'bassoon', 'Bassoon', [38, 60], ON_BEAT),
      ]),
    ),
    ...two.map((i) =>
      make('thirty-seconds', i, [4, 4], [56, 84], (piece) => [
        line(piece, 'flute', 'Flute', [65, 92], FAST),
        line(piece, 'cello', 'Cello', [38, 60], ON_BEAT),
      ]),
    ),
    ...two.map((i) =>
      make('off-beat riffs', i, [4, 4], [80, 125], (piece) => [
        riff(piece, 'electric-guitar', 'Electric Guitar', [52, 74]),
        riff(piece, 'bass-guitar', 'Bass', [30, 50]),
        line(piece, 'alto-sax', 'Alto Sax', [55, 78], MELODY),
      ]),
    ),
    ...two.map((i) =>
      make('wide tuplets', i, [4, 4], [70, 100], (piece) => [
        line(piece, 'clarinet-bflat', 'Clarinet', [55, 84], WIDE),
        line(piece, 'cello', 'Cello', [38, 60], ON_BEAT),
      ]),
    ),
    ...two.map((i) => make('hands crossing', i, [4, 4], [70, 110], (piece) => [crossingHands(piece)])),
    ...two.map((i) =>
      make('long notes', i, [4, 4], [60, 90], (piece) => [
        line(piece, 'violin', 'Violin 1', [62, 88], LONG),
        line(piece, 'double-bass', 'Double Bass', [30, 50], LONG),
      ]),
    ),
    ...two.map((i) =>
      make('clave', i, [4, 4], [90, 140], (piece) => [
        line(piece, 'marimba', 'Marimba', [60, 84], CLAVE),
        line(piece, 'bass-guitar', 'Bass', [30, 50], CLAVE),
      ]),
    ),
  ];
}

/** Two bars of three as three halves, again and again, with plain bars between. */
function hemiola(bars: number): number[] {
  return Array.from({ length: bars / 4 }, () => [3, 1, 1, 1, 2, 2, 2]).flat();
}

/** A pattern of two bars that comes back, as riffs do. */
function riff(piece: Piece, instrument: string, name: string, range: readonly [number, number]): TruePart {
  const pattern = rhythm({ ...piece, bars: 2 }, RIFF);
  return {
    instrument,
    name,
    notes: melody(piece, Array.from({ length: piece.bars / 2 }, () => pattern).flat(), range, 1, 0),
  };
}

function hands(piece: Piece, upper: readonly number[], lower: readonly number[]): TruePart {
  return {
    instrument: 'piano',
    name: 'Piano',
    notes: [...melody(piece, upper, [67, 88], 1, 0), ...melody(piece, lower, [38, 55], 2, 0)],
  };
}

/** The left hand takes an arpeggio up over the right one, which holds the middle. */
function crossingHands(piece: Piece): TruePart {
  const upper = melody(piece, rhythm(piece, ON_BEAT), [64, 76], 1, 0);
  const left: TrueNote[] = [];
  for (let bar = 0; bar < piece.bars; bar++) {
    const root = scaleDegree(43) + piece.random.pick([0, 1, 3, 4]);
    for (let eighth = 0; eighth < 8; eighth++) {
      const pitch = scalePitch(root + 2 * [0, 2, 4, 5, 4, 3, 2, 1][eighth]!, piece.fifths);
      const start = (bar * 4 + eighth / 2) * QUARTER;
      left.push({ start, end: start + QUARTER / 2, key: pitchKey(pitch), pitch, staff: 2, voice: 0 });
    }
  }
  // One key cannot be struck by both hands at once.
  return {
    instrument: 'piano',
    name: 'Piano',
    notes: [
      ...upper,
      ...left.filter(
        (note) => !upper.some((other) => other.key === note.key && other.start < note.end && note.start < other.end),
      ),
    ],
  };
}
