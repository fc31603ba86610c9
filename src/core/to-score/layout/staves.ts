/*
 * Staves: the notes of a keyboard part are shared between two hands.
 *
 * Takes placed notes of one part; gives the staff (1 upper, 2 lower) of each. Beam search over the chords in time: each
 * chord is cut between two notes (or goes whole to one hand); a cut costs by the hands' spans, by how far each hand
 * moves, and by register, so that a hand follows its line across middle C when it must. A line of single notes stays in
 * its hand, and changes at a rest or a leap; a chord that one hand can hold is not torn apart.
 */
import { beamSearch, highest, lowest, runsOf } from '../../base';
import type { WrittenUnits, MidiKey } from '../../time';
import { QUARTER } from '../../time';
import type { PlacedNote } from '../timing/timed-note';

/** About a tenth: what a hand reaches (usual handbooks, from memory). */
const COMFORTABLE_SPAN = 14;
const BEAM = 12;
/** Where the staves meet when nothing better is known (common practice): middle C. */
const MIDDLE: MidiKey = 60;

/** A line that goes on in the other hand: for a step; less for a leap, nothing beyond WIDE_LEAP or after a rest. */
const HOP = 3.5;
const NARROW = 5;
const WIDE_LEAP = 14;
const REST_BETWEEN: WrittenUnits = QUARTER;
/** A chord in close position, within an octave, that is shared between the hands. */
const TORN = 0.5;
/** One hand played chords by itself: the next one is not shared on the way to the other hand. */
const TORN_BETWEEN_CHORDS = 3;
const OCTAVE = 12;
const CLOSE = 5;
/** For each semitone by which the widest gap of a chord is wider than the one between the hands. */
const GAP = 0.1;
/** A hand that holds a note strikes another one, though the other hand is free. */
const HOLDING = 2.2;
/** A key is struck again, and by the other hand. */
const SWITCHED = 1.4;
/** For each semitone beyond what a hand reaches, on the other side of middle C, and from where it was just now. */
const OVER = 1.5;
const AWAY = 0.03;
const MOVE = 0.09;

/** Notes of one hand that last for quite different times are likelier those of two. */
const UNLIKE = 0.8;
const MUCH_LONGER = 2;

interface Hand {
  centre: MidiKey;
  lastAt: WrittenUnits;
  /** What it struck last, and until when that sounds. */
  keys: readonly MidiKey[];
  lowest: MidiKey;
  highest: MidiKey;
  until: number;
}

interface Hands {
  right: Hand;
  left: Hand;
}

/** A chord cut between its notes: what each hand takes, and what that costs whatever came before. */
interface Cut {
  at: WrittenUnits;
  keys: readonly MidiKey[];
  left: readonly MidiKey[];
  right: readonly MidiKey[];
  leftUntil: number;
  rightUntil: number;
  unlike: number;
}

/** @returns staff of each note, same order as `notes`, which rise by start */
export function splitHands(notes: readonly PlacedNote[]): number[] {
  const chords = chordsOf(notes);
  const idle = (centre: MidiKey): Hand => ({
    centre,
    lastAt: -4 * QUARTER,
    keys: [],
    lowest: centre,
    highest: centre,
    until: -4 * QUARTER,
  });
  const path = beamSearch<Hands, Cut>({
    start: { right: idle(67), left: idle(50) },
    steps: chords.length,
    width: BEAM,
    choices: (c) => cutsOf(chords[c]!.map((i) => notes[i]!)),
    cost: costOf,
    next: (hands, cut) => ({
      left: moved(hands.left, cut.left, cut.at, cut.leftUntil),
      right: moved(hands.right, cut.right, cut.at, cut.rightUntil),
    }),
  });
  const staff = Array<number>(notes.length).fill(1);
  path.forEach((cut, c) => chords[c]!.forEach((i, k) => (staff[i] = k < cut ? 2 : 1)));
  return staff;
}

/** @param chord lowest key first @returns cuts by how many of the lowest notes the left hand takes */
function cutsOf(chord: readonly PlacedNote[]): Cut[] {
  const keys = chord.map((note) => note.key);
  const at = chord[0]!.start;
  const releases = chord.map((note) => note.release);
  const unlikeFor = (own: readonly number[]) =>
    own.length > 1 && highest(own) - at > MUCH_LONGER * (lowest(own) - at) ? UNLIKE : 0;
  return Array.from({ length: keys.length + 1 }, (_, cut) => {
    const [leftReleases, rightReleases] = [releases.slice(0, cut), releases.slice(cut)];
    return {
      at,
      keys,
      left: keys.slice(0, cut),
      right: keys.slice(cut),
      leftUntil: highest(leftReleases),
      rightUntil: highest(rightReleases),
      unlike: unlikeFor(leftReleases) + unlikeFor(rightReleases),
    };
  });
}

function costOf(hands: Hands, { at, keys, left, right, unlike }: Cut): number {
  return (
    handCost(left, hands.left, at, false) +
    handCost(right, hands.right, at, true) +
    crossing(left, right, hands) +
    hopping(left, right, hands, at) +
    holding(left, right, hands, at) +
    cutCost(keys, left.length, hands, at) +
    switched(left, right, hands, at) +
    unlike
  );
}

/** Indices of the notes that start together, lowest key first. */
function chordsOf(notes: readonly PlacedNote[]): number[][] {
  const chords = runsOf([...notes.keys()], (i) => notes[i]!.start);
  for (const chord of chords) chord.sort((a, b) => notes[a]!.key - notes[b]!.key);
  return chords;
}

function handCost(keys: readonly MidiKey[], hand: Hand, at: WrittenUnits, right: boolean): number {
  if (keys.length === 0) return 0;
  const low = keys[0]!;
  const high = keys.at(-1)!;
  const over = Math.max(0, high - low - COMFORTABLE_SPAN);
  const crowd = Math.max(0, keys.length - 5) * 4;
  const away = right ? Math.max(0, MIDDLE - low) : Math.max(0, high - MIDDLE);
  // After a rest the hand has had time to move.
  const haste = 1 / (1 + (at - hand.lastAt) / (2 * QUARTER));
  const move = Math.abs((low + high) / 2 - hand.centre);
  return over * OVER + crowd + away * AWAY + move * MOVE * haste + (right ? 0 : 0.05);
}

function crossing(left: readonly MidiKey[], right: readonly MidiKey[], hands: Hands): number {
  // A hand that takes everything while the other's register lies nearer pays for the detour through `away` and `move`;
  // what is left to charge here is playing above or below the other hand's place.
  const overRight = left.length > 0 && left.at(-1)! > hands.right.centre + 5 ? 1 : 0;
  const underLeft = right.length > 0 && right[0]! < hands.left.centre - 5 ? 1 : 0;
  return overRight + underLeft;
}

/** What one hand alone went on with, the other takes over: a line that hops from staff to staff. */
function hopping(left: readonly MidiKey[], right: readonly MidiKey[], hands: Hands, at: WrittenUnits): number {
  if ((left.length === 0) === (right.length === 0)) return 0;
  const keys = left.length > 0 ? left : right;
  const [own, other] = left.length > 0 ? [hands.left, hands.right] : [hands.right, hands.left];
  // The line goes on from the other hand when that played last and has let go by now.
  if (other.lastAt <= own.lastAt || other.until > at + QUARTER / 8 || at - other.until > REST_BETWEEN) return 0;
  const leap = Math.max(0, keys[0]! - other.highest, other.lowest - keys.at(-1)!);
  return HOP * Math.max(0, Math.min(1, (WIDE_LEAP - leap) / (WIDE_LEAP - NARROW)));
}

function holding(left: readonly MidiKey[], right: readonly MidiKey[], hands: Hands, at: WrittenUnits): number {
  if ((left.length === 0) === (right.length === 0)) return 0;
  const [keys, own, other] = left.length > 0 ? [left, hands.left, hands.right] : [right, hands.right, hands.left];
  // A chord struck into the chord before is where that one ends.
  if (keys.length > 1 && own.highest > own.lowest && keys[0]! <= own.highest && keys.at(-1)! >= own.lowest) return 0;
  return own.until > at + QUARTER / 8 && other.until <= at + QUARTER / 8 ? HOLDING : 0;
}

/** Keys that one hand has just struck, and the other one strikes again: chords that are repeated stay in their hand. */
function switched(left: readonly MidiKey[], right: readonly MidiKey[], hands: Hands, at: WrittenUnits): number {
  const taken = (keys: readonly MidiKey[], own: Hand, other: Hand) =>
    at - other.until > REST_BETWEEN
      ? 0
      : keys.filter((key) => other.keys.includes(key) && !own.keys.includes(key)).length;
  return SWITCHED * (taken(left, hands.left, hands.right) + taken(right, hands.right, hands.left));
}

/** Hands lie apart where the chord does. */
function cutCost(keys: readonly MidiKey[], cut: number, hands: Hands, at: WrittenUnits): number {
  if (keys.length < 2) return 0;
  const widest = keys.slice(1).reduce((most, key, i) => Math.max(most, key - keys[i]!), 0);
  const between = cut > 0 && cut < keys.length ? keys[cut]! - keys[cut - 1]! : 0;
  const torn = between > 0 && between <= CLOSE && keys.at(-1)! - keys[0]! <= OCTAVE;
  const tearing = isChording(hands, at) ? TORN_BETWEEN_CHORDS : TORN;
  return GAP * (widest - between) + (torn ? tearing : 0);
}

/** The last thing played, not long ago, was a chord of one hand alone. */
function isChording({ left, right }: Hands, at: WrittenUnits): boolean {
  if (left.lastAt === right.lastAt) return false;
  const last = left.lastAt > right.lastAt ? left : right;
  return last.highest > last.lowest && at - last.until <= REST_BETWEEN;
}

function moved(hand: Hand, keys: readonly MidiKey[], at: WrittenUnits, until: number): Hand {
  if (keys.length === 0) return hand;
  return { centre: (keys[0]! + keys.at(-1)!) / 2, lastAt: at, lowest: keys[0]!, highest: keys.at(-1)!, keys, until };
}
