/*
 * Tuplets: which stretches of a bar need a bracket.
 *
 *     places struck     0  1/3  2/3 | 0  1/2 |          3:2 over the first beat, none over the second
 *
 * Takes the places where symbols of one voice begin and end in a bar; gives plain and tuplet stretches that cover it. The
 * shortest stretch that does is bracketed: a half beat, a beat, or two beats for three quarters in the time of two.
 */
import { NOTE_TYPES, noteValue, type NoteType } from '../score';
import { beatsOfBar, type Bar, type WrittenUnits } from '../time';
import { FINEST } from './note-splitting';

export interface Stretch {
  start: WrittenUnits;
  length: WrittenUnits;
  tuplet: Tuplet | null;
}

export interface Tuplet {
  actual: number;
  normal: number;
  normalType: NoteType;
  /** Written length of one unit. */
  unit: WrittenUnits;
}

const ACTUALS = [3, 5, 7, 9, 11, 13];

/** @param edges places in the bar, from its start, where a sound of the voice begins or ends */
export function findTuplets(bar: Bar, edges: readonly WrittenUnits[]): Stretch[] {
  const beats = beatsOfBar(bar).map((beat) => ({ start: beat.start - bar.start, length: beat.length, compound: beat.compound }));
  const stretches: Stretch[] = [];
  for (let b = 0; b < beats.length; b++) {
    const { start, length } = beats[b]!;
    const next = beats[b + 1];
    const pair = next && b % 2 === 0 && next.length === length ? { start, length: 2 * length } : null;
    const overTwo = pair && needsTuplet(start, length, edges) && !edges.includes(start + length) ? tupletOver(pair.start, pair.length, edges) : null;
    if (pair && overTwo?.actual === 3) {
      stretches.push({ ...pair, tuplet: overTwo });
      b++;
    } else stretches.push(...within(start, length, edges));
  }
  return joinPlain(stretches);
}

function inside(start: WrittenUnits, length: WrittenUnits, edges: readonly WrittenUnits[]): WrittenUnits[] {
  return edges.filter((edge) => edge > start && edge < start + length);
}

function needsTuplet(start: WrittenUnits, length: WrittenUnits, edges: readonly WrittenUnits[]): boolean {
  return inside(start, length, edges).some((edge) => (edge - start) % FINEST !== 0);
}

function within(start: WrittenUnits, length: WrittenUnits, edges: readonly WrittenUnits[]): Stretch[] {
  if (!needsTuplet(start, length, edges)) return [{ start, length, tuplet: null }];
  const parts = noteValue(length, 0) ? 2 : 3;
  const piece = length / parts;
  // Split where something begins or ends at every joint, or where the bracket would not hold the whole stretch together.
  const joints = Array.from({ length: parts - 1 }, (_, i) => start + (i + 1) * piece);
  const whole = tupletOver(start, length, edges);
  const thirds = parts === 2 && inside(start, length, edges).some((edge) => ((edge - start) * 3) % length === 0);
  if (Number.isInteger(piece) && piece >= 2 * FINEST && !thirds && (joints.every((joint) => edges.includes(joint)) || !whole)) {
    return Array.from({ length: parts }, (_, i) => within(start + i * piece, piece, edges)).flat();
  }
  if (!whole) throw new RangeError(`no tuplet fits the places ${inside(start, length, edges).join(', ')} in the beat at ${start}`);
  return [{ start, length, tuplet: whole }];
}

/** The tuplet with the fewest units on which all edges inside lie, each unit halved at most three times. */
function tupletOver(start: WrittenUnits, length: WrittenUnits, edges: readonly WrittenUnits[]): Tuplet | null {
  const places = inside(start, length, edges).map((edge) => edge - start);
  const dotted = noteValue(length, 0) === null;
  for (const actual of ACTUALS) {
    if (dotted && actual % 3 === 0) continue;
    if (!places.every((place) => (place * actual * 8) % length === 0)) continue;
    const normal = largestBelow(actual, dotted ? 3 : 1);
    const unit = length / normal;
    // As written inside the bracket, nothing finer than a 128th.
    if (!places.every((place) => ((place * actual) / normal) % FINEST === 0)) continue;
    const type = NOTE_TYPES.find((name) => noteValue(unit, 0)?.type === name);
    if (type) return { actual, normal, normalType: type, unit };
  }
  return null;
}

/** Largest base · 2^k that is smaller than `limit`; duplets and quadruplets of a dotted beat are written plain with dots. */
function largestBelow(limit: number, base: number): number {
  let value = base;
  while (value * 2 < limit) value *= 2;
  return value;
}

function joinPlain(stretches: readonly Stretch[]): Stretch[] {
  const joined: Stretch[] = [];
  for (const stretch of stretches) {
    const last = joined.at(-1);
    if (last && !last.tuplet && !stretch.tuplet) last.length += stretch.length;
    else joined.push({ ...stretch });
  }
  return joined;
}
