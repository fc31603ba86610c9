/*
 * Music in which some players are ahead of the beat, or none is and it looks as if: off-beat chords, strums, loose swing,
 * whole files beside their barlines. Rhythms common in each kind, from memory.
 */
import { instrumentById, speaksAtOnce } from '../src/core/instruments';
import type { Milliseconds } from '../src/core/time';
import { corpus, drums } from './corpus';
import { line, melody, pieceScore, rhythm, type Cells, type Piece } from './grammar';
import { MECHANICAL, perform, type Manner } from './performer';
import { seeded, type Random } from './random';
import type { TruePart, TrueScore } from './true-score';

export const LEAD_KINDS = [
  'corpus, nobody early',
  'corpus, half the tracks early',
  'corpus, everybody early by a time of his own',
  'orchestra, some early by a sixteenth',
  'bass and off-beat chords',
  'bass and strummed guitar',
  'loose swing',
  'soloist behind the beat',
  'the whole file late',
  'the whole file early',
  'a drawn file late',
] as const;
export type LeadKind = (typeof LEAD_KINDS)[number];

/** A score as it was played, and how far each part was ahead of the others. */
export interface LeadCase {
  kind: LeadKind;
  score: TrueScore;
  /** In the order of the parts. */
  leads: Milliseconds[];
  bytes: Uint8Array;
}

const ON_BEAT: Cells = [[[1], 8]];
const OFF_BEAT: Cells = [[[-0.5, 0.5], 1]];
const STRUM: Cells = [
  [[1, 0.5, 0.5, -0.5, 0.5, 0.5, 0.5], 4],
  [[1, 0.5, 1, 0.5, 0.5, 0.5], 2],
];
const TUNE: Cells = [
  [[1], 4],
  [[0.5, 0.5], 5],
  [[1.5, 0.5], 2],
  [[2], 1],
  [[-0.5, 0.5], 1],
];
const RUNS: Cells = [...TUNE, [[0.25, 0.25, 0.25, 0.25], 2], [[0.5, 0.25, 0.25], 2]];
const HELD: Cells = [
  [[2], 4],
  [[4], 2],
  [[1], 2],
  [[3, 1], 1],
];

/** Chords on a rhythm: a third and a fifth are put on each note of a line. */
function chords(piece: Piece, instrument: string, name: string, cells: Cells): TruePart {
  const notes = melody(piece, rhythm(piece, cells), [55, 67], 1, 0).flatMap((note) =>
    [0, 4, 7].map((above) => ({ ...note, key: note.key + above, pitch: { ...note.pitch, octave: 4 } })),
  );
  return { instrument, name, notes };
}

interface Played {
  /** Of each part, in milliseconds. */
  leads?: (part: number, random: Random) => Milliseconds;
  manner?: Partial<Manner>;
  swing?: number;
}

function caseOf(kind: LeadKind, score: TrueScore, seed: number, { leads, manner, swing = 1 }: Played): LeadCase {
  const random = seeded(seed);
  const taken = score.parts.map((_, p) => Math.round(leads?.(p, random) ?? 0));
  const players = score.parts.map((part, p) => {
    const { unpitched, programs } = instrumentById(part.instrument);
    const own = { ...MECHANICAL, jitter: 10, release: 0.92, spread: 6, ...manner, swing, lead: taken[p]! };
    return { trackName: part.name, channel: unpitched ? 10 : p + 1, program: programs[0] ?? null, manner: own };
  });
  const options = { ticksPerQuarter: 480, format: 1 as const, key: null, random };
  return { kind, score, leads: taken, bytes: perform(score, players, options) };
}

const ORCHESTRA: readonly (readonly [string, string, readonly [number, number], Cells])[] = [
  ['violin', 'Violin 1', [67, 90], RUNS],
  ['violin', 'Violin 2', [60, 80], TUNE],
  ['viola', 'Viola', [52, 74], TUNE],
  ['cello', 'Cello', [38, 62], HELD],
  ['double-bass', 'Double Bass', [30, 50], HELD],
  ['flute', 'Flute', [67, 90], RUNS],
  ['timpani', 'Timpani', [40, 53], ON_BEAT],
];

/** @param seed further pieces of the same kinds for other seeds */
export function leadCases(seed: number): LeadCase[] {
  const piece = (kind: LeadKind, i: number, bpm: readonly [number, number], write: (piece: Piece) => TruePart[]) =>
    pieceScore(kind, i, seed * 7919 + i * 101 + LEAD_KINDS.indexOf(kind) * 13, [4, 4], bpm, 16, write);
  const of = (kind: LeadKind, i: number) => seed * 1000 + i * 17 + LEAD_KINDS.indexOf(kind);
  const groups = corpus(seed).filter(({ parts }) => parts.length > 1);
  const band = (one: Piece): TruePart[] => [
    line(one, 'alto-sax', 'Alto Sax', [52, 78], TUNE),
    line(one, 'trumpet-bflat', 'Trumpet', [55, 80], TUNE),
    line(one, 'double-bass', 'Bass', [30, 55], ON_BEAT),
  ];
  const each = <T>(count: number, make: (i: number) => T): T[] => Array.from({ length: count }, (_, i) => make(i));
  return [
    ...groups.map((score, i) =>
      caseOf('corpus, nobody early', score, of('corpus, nobody early', i), { swing: score.swing }),
    ),
    ...groups.map((score, i) =>
      caseOf('corpus, half the tracks early', score, of('corpus, half the tracks early', i), {
        swing: score.swing,
        // What is struck or plucked sounds at once.
        leads: (p, random) =>
          !speaksAtOnce(instrumentById(score.parts[p]!.instrument)) && random.next() < 0.5
            ? random.between(60, 200)
            : 0,
      }),
    ),
    ...groups.map((score, i) =>
      caseOf(
        'corpus, everybody early by a time of his own',
        score,
        of('corpus, everybody early by a time of his own', i),
        { swing: score.swing, leads: (_, random) => random.between(60, 200) },
      ),
    ),
    ...each(4, (i) => {
      const kind = 'orchestra, some early by a sixteenth';
      const score = piece(kind, i, [119, 124], (one) => ORCHESTRA.map((part) => line(one, ...part)));
      const leads = [120, 90 + 20 * (i % 2), 0, 100, 0, 0, 0];
      return caseOf(kind, score, of(kind, i), { leads: (p) => leads[p]! });
    }),
    ...each(6, (i) => {
      const kind = 'bass and off-beat chords';
      const score = piece(kind, i, [80, 180], (one) => [
        chords(one, 'piano', 'Piano', OFF_BEAT),
        line(one, 'bass-guitar', 'Bass', [28, 50], ON_BEAT),
      ]);
      return caseOf(kind, score, of(kind, i), { swing: [1, 1.2, 1.4, 1.6, 1.8, 2][i]!, manner: { jitter: 8 } });
    }),
    ...each(4, (i) => {
      const kind = 'bass and strummed guitar';
      const score = piece(kind, i, [80, 130], (one) => [
        chords(one, 'guitar', 'Guitar', STRUM),
        line(one, 'bass-guitar', 'Bass', [28, 50], ON_BEAT),
      ]);
      return caseOf(kind, score, of(kind, i), { manner: { spread: 20 + 8 * i } });
    }),
    ...each(4, (i) => {
      const kind = 'loose swing';
      return caseOf(kind, piece(kind, i, [110, 190], band), of(kind, i), { swing: 1.63, manner: { jitter: 15 } });
    }),
    ...each(3, (i) => {
      const kind = 'soloist behind the beat';
      return caseOf(kind, piece(kind, i, [90, 140], band), of(kind, i), { leads: (p) => (p === 0 ? -40 : 0) });
    }),
    ...(['the whole file late', 'the whole file early'] as const).flatMap((kind) =>
      each(4, (i) => {
        const offset = kind === 'the whole file late' ? [48, 60, 30, 80][i]! : [-24, -40, -16, -32][i]!;
        // What begins with the file cannot begin before it.
        const later = (score: TrueScore) => ({
          ...score,
          parts: score.parts.map((part) => ({ ...part, notes: part.notes.filter(({ start }) => start > 0) })),
        });
        const score = later(
          piece(kind, i, [90, 180], (one) => [...band(one), line(one, 'flute', 'Flute', [67, 90], RUNS)]),
        );
        const early = (-offset / 480) * (60_000 / score.tempos[0]!.bpm);
        const made = caseOf(kind, score, of(kind, i), { manner: { offsetTicks: offset, jitter: 6 } });
        return { ...made, leads: made.leads.map(() => early) };
      }),
    ),
    ...each(4, (i) => {
      const kind = 'a drawn file late';
      const offset = [48, 60, 30, 100][i]!;
      const score = piece(kind, i, [90, 180], (one) => [...band(one), drums(one)]);
      const made = caseOf(kind, score, of(kind, i), { manner: { jitter: 0, spread: 0, offsetTicks: offset } });
      return { ...made, leads: made.leads.map(() => (-offset / 480) * (60_000 / score.tempos[0]!.bpm)) };
    }),
  ];
}
