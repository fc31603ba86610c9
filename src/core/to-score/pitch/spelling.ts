/*
 * Spelling: keys 0–127 become names on the line of fifths.
 *
 *     key 68 in A flat major  →  A♭        key 68 between A and A in A minor  →  G♯
 *
 * Takes all sounding notes of the piece with the key of each bar; gives each note's place on the line of fifths
 * (concert pitch), the same for all parts that sound a pitch class together. Notes of the key keep their name. For the
 * others two names are weighed: closeness on the line of fifths to what sounds around (Temperley 2001, pitch variance
 * rule, from memory), the name most pitch classes around it would give it as tonics (Meredith 2006, ps13, from memory),
 * and where the line goes next (raised notes rise, lowered notes fall: textbook rule).
 */
import { lastNotAfter, QUARTER, type Bar, type WrittenUnits } from '../../time';
import { tonicOf, type BarKey, type SoundingNote } from './keys';

export interface NoteToSpell extends SoundingNote {
  /** Notes of one melodic line share a number. */
  line: number;
}

/** Places relative to the tonic for each semitone above it: first choice, then the other name where there is one. */
const MAJOR_PLACES: readonly (readonly number[])[] = [
  [0],
  [7, -5],
  [2],
  [-3, 9],
  [4],
  [-1],
  [6, -6],
  [1],
  [-4, 8],
  [3],
  [-2, 10],
  [5],
];
const MINOR_PLACES: readonly (readonly number[])[] = [
  [0],
  [-5, 7],
  [2],
  [-3],
  [4, -8],
  [-1],
  [6, -6],
  [1],
  [-4, 8],
  [3, -9],
  [-2],
  [5],
];

/**
 * The chromatic scale of ps13 on the line of fifths, by semitones above the tonic: minor second, minor third, raised
 * fourth, minor sixth and seventh.
 */
const HARMONIC_CHROMATIC: readonly number[] = [0, -5, 2, -3, 4, -1, 6, 1, -4, 3, -2, 5];
/** Notes before and after that ps13 counts, in order of onset. */
const TONICS_BEFORE = 10;
const TONICS_AFTER = 42;
const TONICS = 2;
const CONTEXT: WrittenUnits = 2 * QUARTER;
const CLOSENESS = 0.32;
const FIRST_CHOICE = 0.5;
const LEADING = 1.8;
/** In the middle of a chromatic run. */
const PASSING = 2.4;
/** Double sharps and flats (line of fifths beyond B sharp and F flat) need a good reason. */
const DOUBLE = 1.5;
const COMING = 0.7;

/** @returns place on the line of fifths of each note, same order */
export function spell(
  notes: readonly NoteToSpell[],
  barKeys: readonly BarKey[],
  signatureOfBar: readonly number[],
  bars: readonly Bar[],
): number[] {
  const starts = bars.map((bar) => bar.start);
  const options = notes.map((note) => {
    const bar = lastNotAfter(starts, note.start);
    return namesInKey(note.key % 12, barKeys[bar]!, signatureOfBar[bar]!);
  });
  const places = options.map((names) => names[0]!);
  const order = notes.map((_, i) => i).sort((a, b) => notes[a]!.start - notes[b]!.start);
  const neighbours = melodicNeighbours(notes, order);
  const position = new Map(order.map((i, k) => [i, k]));
  const around = new TonicsAround(notes, order);

  for (const group of ambiguousTogether(notes, options, order)) {
    const names = options[group[0]!]!;
    const cost = (name: number, rank: number) =>
      rank * FIRST_CHOICE +
      (name > 12 || name < -8 ? DOUBLE : 0) +
      group.reduce((sum, i) => sum + melodicCost(name, i, notes, places, neighbours), 0) / group.length +
      CLOSENESS * distanceToContext(name, notes[group[0]!]!, group, notes, places, order);
    const bar = lastNotAfter(starts, notes[group[0]!]!.start);
    const tonics = around.sharesOf(position.get(group[0]!)!, names, tonicPlaces(barKeys[bar]!, signatureOfBar[bar]!));
    const best = names
      .map((name, rank) => ({ name, cost: cost(name, rank) + TONICS * (1 - tonics[rank]!) }))
      .reduce((a, b) => (b.cost < a.cost ? b : a));
    for (const i of group) places[i] = best.name;
  }
  return places;
}

/**
 * The names a pitch class can have in a key, the likeliest first, as places on the line of fifths near the signature.
 */
function namesInKey(pitchClass: number, key: BarKey, signature: number): readonly number[] {
  // The same key an octave of fifths away (E or F flat major) is taken on the signature's side.
  let fifths = key.fifths;
  while (fifths - signature > 6) fifths -= 12;
  while (signature - fifths > 6) fifths += 12;
  const tonicPlace = key.mode === 'major' ? fifths : fifths + 3;
  const table = key.mode === 'major' ? MAJOR_PLACES : MINOR_PLACES;
  return table[(pitchClass - tonicOf(key) + 12) % 12]!.map((place) => tonicPlace + place).filter(
    (place) => place >= -15 && place <= 19,
  );
}

/** The usual name of each pitch class in a key, as a place on the line of fifths. */
function tonicPlaces(key: BarKey, signature: number): number[] {
  return Array.from({ length: 12 }, (_, pitchClass) => namesInKey(pitchClass, key, signature)[0]!);
}

/** How often each pitch class sounds around a note. */
class TonicsAround {
  /** Notes of each pitch class among the first k in order, twelve to a k. */
  private readonly sums: Int32Array;
  private readonly classes: Uint8Array;

  constructor(notes: readonly NoteToSpell[], order: readonly number[]) {
    this.classes = Uint8Array.from(order, (i) => notes[i]!.key % 12);
    this.sums = new Int32Array(12 * (order.length + 1));
    this.classes.forEach((pitchClass, k) => {
      for (let c = 0; c < 12; c++) this.sums[12 * (k + 1) + c] = this.sums[12 * k + c]! + (c === pitchClass ? 1 : 0);
    });
  }

  /**
   * @param k place in order
   * @param places the name of each pitch class as a tonic
   * @returns for each name the share of sounding tonics that would give it
   */
  sharesOf(k: number, names: readonly number[], places: readonly number[]): number[] {
    const from = Math.max(0, k - TONICS_BEFORE);
    const to = Math.min(this.classes.length, k + TONICS_AFTER);
    const shares = names.map(() => 0);
    let all = 0;
    for (let tonic = 0; tonic < 12; tonic++) {
      const count = this.sums[12 * to + tonic]! - this.sums[12 * from + tonic]!;
      const name = places[tonic]! + HARMONIC_CHROMATIC[(this.classes[k]! - tonic + 12) % 12]!;
      const n = names.findIndex((one) => one === name);
      if (n < 0) continue;
      shares[n] = shares[n]! + count;
      all += count;
    }
    return shares.map((share) => (all > 0 ? share / all : 0));
  }
}

/** Groups of notes of one pitch class that start together and have more than one name. */
function ambiguousTogether(
  notes: readonly NoteToSpell[],
  options: readonly (readonly number[])[],
  order: readonly number[],
): number[][] {
  const groups = new Map<string, number[]>();
  for (const i of order) {
    if (options[i]!.length < 2) continue;
    const slot = `${notes[i]!.start}/${notes[i]!.key % 12}`;
    const group = groups.get(slot);
    if (group) group.push(i);
    else groups.set(slot, [i]);
  }
  return [...groups.values()];
}

interface Neighbours {
  before: number;
  after: number;
}

/** The note before and after in the same line, −1 where there is none near. */
function melodicNeighbours(notes: readonly NoteToSpell[], order: readonly number[]): Neighbours[] {
  const result = notes.map((): Neighbours => ({ before: -1, after: -1 }));
  const last = new Map<number, number>();
  for (const i of order) {
    const before = last.get(notes[i]!.line) ?? -1;
    if (before >= 0 && notes[before]!.start < notes[i]!.start && notes[i]!.start - notes[before]!.end < QUARTER) {
      result[i]!.before = before;
      result[before]!.after = i;
    }
    last.set(notes[i]!.line, i);
  }
  return result;
}

/**
 * A semitone up wants the next letter (C♯–D), a semitone down too (D♭–C): the name that repeats the neighbour's letter
 * pays.
 */
function melodicCost(
  name: number,
  i: number,
  notes: readonly NoteToSpell[],
  places: readonly number[],
  neighbours: readonly Neighbours[],
): number {
  const { before, after } = neighbours[i]!;
  let cost = 0;
  const passing =
    before >= 0 &&
    after >= 0 &&
    Math.abs(notes[after]!.key - notes[before]!.key) === 2 &&
    notes[i]!.key * 2 === notes[after]!.key + notes[before]!.key;
  if (after >= 0)
    cost += semitoneCost(notes[after]!.key - notes[i]!.key, places[after]! - name) * (passing ? PASSING : LEADING);
  if (before >= 0) cost += semitoneCost(notes[i]!.key - notes[before]!.key, name - places[before]!) * COMING;
  return cost;
}

/** A minor second is 5 fifths apart on the line, an augmented unison 7. */
function semitoneCost(semitones: number, fifths: number): number {
  if (Math.abs(semitones) !== 1) return 0;
  return fifths === -5 * semitones ? 0 : 1;
}

function distanceToContext(
  name: number,
  note: NoteToSpell,
  group: readonly number[],
  notes: readonly NoteToSpell[],
  places: readonly number[],
  order: readonly number[],
): number {
  let low = 0;
  let high = order.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (notes[order[middle]!]!.start < note.start - CONTEXT) low = middle + 1;
    else high = middle;
  }
  let sum = 0;
  let weights = 0;
  for (let k = low; k < order.length; k++) {
    const i = order[k]!;
    const other = notes[i]!;
    if (other.start > note.start + CONTEXT / 2) break;
    if (group.includes(i)) continue;
    // What sounds together says most.
    const weight = other.start < note.end && other.end > note.start ? 3 : 1;
    sum += weight * Math.abs(places[i]! - name);
    weights += weight;
  }
  return weights > 0 ? sum / weights : 0;
}
