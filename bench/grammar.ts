/*
 * The grammar that true scores are made by: rhythm from cells that fill beats, melody as a walk along a scale with now
 * and then a chromatic neighbour.
 */
import { pitchKey, STEPS, type Pitch } from '../src/core/score';
import { barLength, QUARTER, type WrittenUnits } from '../src/core/time';
import { seeded, type Random } from './random';
import type { TrueNote, TruePart, TrueScore } from './true-score';

/** A rhythmic cell: lengths in quarters, negative for a rest. */
export type Cell = readonly number[];

/** Cells by how many quarters they fill, with how usual they are. */
export type Cells = readonly (readonly [Cell, number])[];

export const OF_TWO: Cells = [
  [[1], 3],
  [[0.5, 0.5], 4],
  [[0.5, 0.25, 0.25], 1],
  [[-0.5, 0.5], 0.7],
];
export const OF_THREE: Cells = [
  [[1.5], 3],
  [[0.5, 0.5, 0.5], 4],
  [[1, 0.5], 3],
  [[0.5, 0.5, 0.25, 0.25], 1],
];

export type Meter = readonly [beats: number, beatType: number];

export interface Piece {
  random: Random;
  meter: Meter;
  bars: number;
  fifths: number;
}

/** Lengths of one part bar by bar, in units; cells never cross a bar, and two-beat cells start on odd beats. */
export function rhythm({ random, meter: [beats, beatType], bars }: Piece, cells: Cells): number[] {
  const lengths: number[] = [];
  const uneven = beats === 5 ? [3, 2] : [2, 2, 3];
  const groups = beatType === 8 && beats % 3 !== 0 ? uneven : null;
  const barQuarters = (beats * 4) / beatType;
  for (let bar = 0; bar < bars; bar++) {
    if (groups) {
      for (const group of groups) lengths.push(...weighted(random, group === 3 ? OF_THREE : OF_TWO));
      continue;
    }
    for (let at = 0; at < barQuarters - 1e-6;) {
      const fitting = cells.filter(([cell]) => {
        const size = sizeOf(cell);
        const beat = beatType === 8 ? 1.5 : 1;
        return (
          at + size <= barQuarters + 1e-6 &&
          (size <= beat || (Math.round(at / beat) % 2 === 0 && (size < 3 * beat || at === 0)))
        );
      });
      const cell = weighted(random, fitting);
      lengths.push(...cell);
      at += sizeOf(cell);
    }
  }
  return lengths;
}

export const sizeOf = (cell: Cell) => cell.reduce((sum, length) => sum + Math.abs(length), 0);

export function weighted(random: Random, cells: Cells): Cell {
  let left = random.between(
    0,
    cells.reduce((sum, [, weight]) => sum + weight, 0),
  );
  for (const [cell, weight] of cells) if ((left -= weight) <= 0) return cell;
  return cells.at(-1)![0];
}

export function line(
  piece: Piece,
  instrument: string,
  name: string,
  range: readonly [number, number],
  cells: Cells,
): TruePart {
  return { instrument, name, notes: melody(piece, rhythm(piece, cells), range, 1, 0) };
}

/** A walk along the major scale, with chromatic lower neighbours now and then. */
export function melody(
  { random, fifths }: Piece,
  lengths: readonly number[],
  [low, high]: readonly [number, number],
  staff: number,
  voice: number,
): TrueNote[] {
  const notes: TrueNote[] = [];
  let degree = scaleDegree((low + high) / 2);
  let at: WrittenUnits = 0;
  for (const length of lengths) {
    const units = Math.round(Math.abs(length) * QUARTER);
    if (length > 0) {
      const move = random.pick([-2, -1, -1, 0, 1, 1, 2, 3, -3]);
      const next = degree + move;
      degree =
        pitchKey(scalePitch(next, fifths)) < low || pitchKey(scalePitch(next, fifths)) > high ? degree - move : next;
      const pitch = scalePitch(degree, fifths);
      notes.push({ start: at, end: at + units, key: pitchKey(pitch), pitch, staff, voice });
    }
    at += units;
  }
  // A chromatic note leads up to the next by a semitone where both would be a step apart.
  for (let i = 0; i + 1 < notes.length; i++) {
    const [note, next] = [notes[i]!, notes[i + 1]!];
    if (
      random.next() < 0.05 &&
      next.key - note.key === 2 &&
      note.pitch.alter < 1 &&
      note.pitch.step !== next.pitch.step
    ) {
      note.pitch = { ...note.pitch, alter: note.pitch.alter + 1 };
      note.key++;
    }
  }
  return notes;
}

export const scaleDegree = (key: number) => Math.round(((key - 12) * 7) / 12);

/** @param degree diatonic steps above C of octave 0 */
export function scalePitch(degree: number, fifths: number): Pitch {
  const step = STEPS[((degree % 7) + 7) % 7]!;
  const sharps = ['F', 'C', 'G', 'D', 'A', 'E', 'B'];
  const place = sharps.indexOf(step);
  const flat = fifths < 0 && place >= 7 + fifths ? -1 : 0;
  const alter = fifths > 0 && place < fifths ? 1 : flat;
  return { step, alter, octave: Math.floor(degree / 7) };
}

/** A score of one kind around its parts. */
export function pieceScore<K extends string>(
  kind: K,
  i: number,
  seed: number,
  meter: Meter,
  bpm: readonly [number, number],
  bars: number,
  write: (piece: Piece) => TruePart[],
): TrueScore & { kind: K; name: string } {
  const random = seeded(seed);
  const piece: Piece = { random, meter, bars, fifths: Math.floor(random.between(-4, 5)) };
  const parts = write(piece).map((part) => ({
    ...part,
    notes: part.notes.sort((a, b) => a.start - b.start || a.key - b.key),
  }));
  return {
    kind,
    name: `${kind} ${i + 1}, ${meter.join('/')}`,
    title: `${kind} ${i + 1}`,
    meters: [{ at: 0, beats: meter[0], beatType: meter[1] }],
    tempos: [{ at: 0, bpm: Math.round(random.between(...bpm)) }],
    key: { fifths: piece.fifths, mode: 'major' },
    markers: [],
    parts,
    length: bars * barLength({ beats: meter[0], beatType: meter[1] }),
  };
}
