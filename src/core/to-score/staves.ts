/*
 * Staves: the notes of a keyboard part are shared between two hands.
 *
 * Takes placed notes of one part; gives the staff (1 upper, 2 lower) of each. Beam search over the chords in time: each
 * chord is cut between two notes (or goes whole to one hand); a cut costs by the hands' spans, by how far each hand
 * moves,
 * and by register, so that a hand follows its line across middle C when it must. A line of single notes stays in its
 * hand, and changes
 * at a rest or a leap; a chord that one hand can hold is not torn apart.
 */
import { highest, lowest } from '../base';
import type { WrittenUnits, MidiKey } from '../time';
import { QUARTER } from '../time';
import type { PlacedNote } from './timed-note';

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
const TORN = 1;
/** One hand played chords by itself: the next one is not shared on the way to the other hand. */
const TORN_BETWEEN_CHORDS = 3;
const OCTAVE = 12;
const CLOSE = 5;
/** For each semitone by which the widest gap of a chord is wider than the one between the hands. */
const GAP = 0.06;
/** A hand that holds a note strikes another one, though the other hand is free. */
const HOLDING = 2.2;

/** Notes of one hand that last for quite different times are likelier those of two. */
const UNLIKE = 0.8;
const MUCH_LONGER = 2;

interface Hand {
  centre: MidiKey;
  lastAt: WrittenUnits;
  /** What it struck last, and until when that sounds. */
  lowest: MidiKey;
  highest: MidiKey;
  until: number;
}

interface State {
  cost: number;
  right: Hand;
  left: Hand;
  cut: number;
  from: State | null;
}

/** @returns staff of each note, same order as `notes`, which rise by start */
export function splitHands(notes: readonly PlacedNote[]): number[] {
  const chords = chordsOf(notes);
  const idle = (centre: MidiKey): Hand => ({
    centre,
    lastAt: -4 * QUARTER,
    lowest: centre,
    highest: centre,
    until: -4 * QUARTER,
  });
  let states: State[] = [{ cost: 0, right: idle(67), left: idle(50), cut: 0, from: null }];
  for (const chord of chords) {
    const keys = chord.map((i) => notes[i]!.key);
    const at = notes[chord[0]!]!.start;
    const releases = chord.map((i) => notes[i]!.release);
    const unlikeFor = (own: readonly number[]) =>
      own.length > 1 && highest(own) - at > MUCH_LONGER * (lowest(own) - at) ? UNLIKE : 0;
    const next: State[] = [];
    for (const state of states) {
      for (let cut = 0; cut <= keys.length; cut++) {
        const left = keys.slice(0, cut);
        const right = keys.slice(cut);
        const cost =
          handCost(left, state.left, at, false) +
          handCost(right, state.right, at, true) +
          crossing(left, right, state) +
          hopping(left, right, state, at) +
          holding(left, right, state, at) +
          cutCost(keys, cut, state, at) +
          unlikeFor(releases.slice(0, cut)) +
          unlikeFor(releases.slice(cut));
        next.push({
          cost: state.cost + cost,
          left: moved(state.left, left, at, releases.slice(0, cut)),
          right: moved(state.right, right, at, releases.slice(cut)),
          cut,
          from: state,
        });
      }
    }
    states = next.sort((a, b) => a.cost - b.cost).slice(0, BEAM);
  }
  const staff = Array<number>(notes.length).fill(1);
  let state: State | null = states[0] ?? null;
  for (let c = chords.length - 1; c >= 0 && state; c--, state = state.from) {
    chords[c]!.forEach((i, k) => (staff[i] = k < state!.cut ? 2 : 1));
  }
  return staff;
}

/** Indices of the notes that start together, lowest key first. */
function chordsOf(notes: readonly PlacedNote[]): number[][] {
  const chords: number[][] = [];
  notes.forEach((note, i) => {
    const last = chords.at(-1);
    if (last && notes[last[0]!]!.start === note.start) last.push(i);
    else chords.push([i]);
  });
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
  return over * 1.5 + crowd + away * 0.12 + move * 0.09 * haste + (right ? 0 : 0.05);
}

function crossing(left: readonly MidiKey[], right: readonly MidiKey[], state: State): number {
  // A hand that takes everything while the other's register lies nearer pays for the detour through `away` and `move`;
  // what is left to charge here is playing above or below the other hand's place.
  const overRight = left.length > 0 && left.at(-1)! > state.right.centre + 5 ? 1 : 0;
  const underLeft = right.length > 0 && right[0]! < state.left.centre - 5 ? 1 : 0;
  return overRight + underLeft;
}

/** What one hand alone went on with, the other takes over: a line that hops from staff to staff. */
function hopping(left: readonly MidiKey[], right: readonly MidiKey[], state: State, at: WrittenUnits): number {
  if ((left.length === 0) === (right.length === 0)) return 0;
  const keys = left.length > 0 ? left : right;
  const [own, other] = left.length > 0 ? [state.left, state.right] : [state.right, state.left];
  // The line goes on from the other hand when that played last and has let go by now.
  if (other.lastAt <= own.lastAt || other.until > at + QUARTER / 8 || at - other.until > REST_BETWEEN) return 0;
  const leap = Math.max(0, keys[0]! - other.highest, other.lowest - keys.at(-1)!);
  return HOP * Math.max(0, Math.min(1, (WIDE_LEAP - leap) / (WIDE_LEAP - NARROW)));
}

function holding(left: readonly MidiKey[], right: readonly MidiKey[], state: State, at: WrittenUnits): number {
  if ((left.length === 0) === (right.length === 0)) return 0;
  const [keys, own, other] = left.length > 0 ? [left, state.left, state.right] : [right, state.right, state.left];
  // A chord struck into the chord before is where that one ends.
  if (keys.length > 1 && own.highest > own.lowest && keys[0]! <= own.highest && keys.at(-1)! >= own.lowest) return 0;
  return own.until > at + QUARTER / 8 && other.until <= at + QUARTER / 8 ? HOLDING : 0;
}

/** Hands lie apart where the chord does. */
function cutCost(keys: readonly MidiKey[], cut: number, state: State, at: WrittenUnits): number {
  if (keys.length < 2) return 0;
  const widest = keys.slice(1).reduce((most, key, i) => Math.max(most, key - keys[i]!), 0);
  const between = cut > 0 && cut < keys.length ? keys[cut]! - keys[cut - 1]! : 0;
  const torn = between > 0 && between <= CLOSE && keys.at(-1)! - keys[0]! <= OCTAVE;
  return GAP * (widest - between) + (torn ? (isChording(state, at) ? TORN_BETWEEN_CHORDS : TORN) : 0);
}

/** The last thing played, not long ago, was a chord of one hand alone. */
function isChording({ left, right }: State, at: WrittenUnits): boolean {
  if (left.lastAt === right.lastAt) return false;
  const last = left.lastAt > right.lastAt ? left : right;
  return last.highest > last.lowest && at - last.until <= REST_BETWEEN;
}

function moved(hand: Hand, keys: readonly MidiKey[], at: WrittenUnits, releases: readonly number[]): Hand {
  if (keys.length === 0) return hand;
  return {
    centre: (keys[0]! + keys.at(-1)!) / 2,
    lastAt: at,
    lowest: keys[0]!,
    highest: keys.at(-1)!,
    until: highest(releases),
  };
}
