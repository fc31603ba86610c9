/*
 * Tuplets: which stretches of a bar need a bracket.
 *
 *     places struck     0  1/3  2/3 | 0  1/2 |          3:2 over the first beat, none over the second
 *
 * Takes the places where symbols of one voice begin and end in a bar; gives plain and tuplet stretches that cover it.
 * The shortest stretch that does is bracketed: a half beat or a beat; two beats or the bar for three, five or seven in
 * the time of a half, or of the bar, that leave the beats inside alone.
 */
import { NOTE_TYPES, noteValue, type NoteType } from '../../score';
import { beatsOfBar, type Bar, type WrittenUnits } from '../../time';
import { FINEST } from './note-splitting';

export interface Stretch {
  start: WrittenUnits;
  length: WrittenUnits;
  tuplet: Tuplet | null;
  /** It is plain, though places in it cannot be written so. */
  nameless?: true;
}

export interface Tuplet {
  actual: number;
  normal: number;
  normalType: NoteType;
  /** Written length of one unit. */
  unit: WrittenUnits;
}

const ACTUALS = [3, 5, 7, 9, 11, 13];

/** Units of tuplets that are written over several beats, or the whole bar. */
const WIDE: readonly number[] = [3, 5, 7];

interface BeatInBar {
  start: WrittenUnits;
  length: WrittenUnits;
}

/** @param edges places in the bar, from its start, where a sound of the voice begins or ends */
export function findTuplets(bar: Bar, edges: readonly WrittenUnits[]): Stretch[] {
  const beats = beatsOfBar(bar).map((beat): BeatInBar => ({ start: beat.start - bar.start, length: beat.length }));
  const stretches: Stretch[] = [];
  for (let b = 0; b < beats.length;) {
    const wide = wideSpans(beats, b).find((count) => wideTuplet(beats.slice(b, b + count), edges));
    const { start, length } = beats[b]!;
    if (wide) stretches.push({ start, length: wide * length, tuplet: wideTuplet(beats.slice(b, b + wide), edges) });
    else stretches.push(...within(start, length, edges));
    b += wide ?? 1;
  }
  return joinPlain(stretches);
}

/** How many beats from this one a bracket may hold together: the whole bar, or two that do not hide its middle. */
function wideSpans(beats: readonly BeatInBar[], from: number): number[] {
  const even = (count: number) => beats.slice(from, from + count).every((beat) => beat.length === beats[from]!.length);
  const pairs = beats.length % 2 === 1 || from % 2 === 0;
  return [...(from === 0 && beats.length > 2 ? [beats.length] : []), ...(pairs ? [2] : [])].filter(
    (count) => from + count <= beats.length && even(count),
  );
}

/**
 * A tuplet over several beats: nothing begins or ends on the beats inside, and its own units are struck, or their
 * halves.
 */
function wideTuplet(beats: readonly BeatInBar[], edges: readonly WrittenUnits[]): Tuplet | null {
  const start = beats[0]!.start;
  const length = beats.length * beats[0]!.length;
  const joints = beats.slice(1).map((beat) => beat.start);
  if (joints.some((joint) => edges.includes(joint)) || !needsTuplet(start, length, edges)) return null;
  const tuplet = tupletOver(start, length, edges);
  if (!tuplet || !WIDE.includes(tuplet.actual)) return null;
  const places = inside(start, length, edges).map((edge) => edge - start);
  return places.every((place) => (place * tuplet.actual * 2) % length === 0) ? tuplet : null;
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
  // Split where something begins or ends at every joint, or where the bracket would not hold the whole stretch
  // together.
  const joints = Array.from({ length: parts - 1 }, (_, i) => start + (i + 1) * piece);
  const whole = tupletOver(start, length, edges);
  const thirds = parts === 2 && inside(start, length, edges).some((edge) => ((edge - start) * 3) % length === 0);
  if (
    Number.isInteger(piece) &&
    piece >= 2 * FINEST &&
    !thirds &&
    (joints.every((joint) => edges.includes(joint)) || !whole)
  ) {
    return Array.from({ length: parts }, (_, i) => within(start + i * piece, piece, edges)).flat();
  }
  // Places that have no name, as of tuplets in tuplets, are rounded to the finest that has one.
  return [{ start, length, tuplet: whole, ...(!whole && { nameless: true as const }) }];
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

/**
 * Largest base · 2^k that is smaller than `limit`; duplets and quadruplets of a dotted beat are written plain with
 * dots.
 */
function largestBelow(limit: number, base: number): number {
  let value = base;
  while (value * 2 < limit) value *= 2;
  return value;
}

const plain = ({ tuplet, nameless }: Stretch) => !tuplet && !nameless;

function joinPlain(stretches: readonly Stretch[]): Stretch[] {
  const joined: Stretch[] = [];
  for (const stretch of stretches) {
    const last = joined.at(-1);
    if (last && plain(last) && plain(stretch)) last.length += stretch.length;
    else joined.push({ ...stretch });
  }
  return joined;
}
