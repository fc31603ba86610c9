/*
 * Staves: the notes of a keyboard part are shared between two hands.
 *
 * Takes placed notes of one part; gives the staff (1 upper, 2 lower) of each. Beam search over the chords in time: each
 * chord is cut between two notes (or goes whole to one hand); a cut costs by the hands' spans, by how far each hand moves,
 * and by register, so that a hand follows its line across middle C when it must.
 */
import type { WrittenUnits, MidiKey } from '../time';
import { QUARTER } from '../time';
import type { PlacedNote } from './timed-note';

/** About a tenth: what a hand reaches (usual handbooks, from memory). */
const COMFORTABLE_SPAN = 14;
const BEAM = 12;
/** Where the staves meet when nothing better is known (common practice): middle C. */
const MIDDLE: MidiKey = 60;

interface Hand {
  centre: MidiKey;
  lastAt: WrittenUnits;
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
  let states: State[] = [{ cost: 0, right: { centre: 67, lastAt: -4 * QUARTER }, left: { centre: 50, lastAt: -4 * QUARTER }, cut: 0, from: null }];
  for (const chord of chords) {
    const keys = chord.map((i) => notes[i]!.key);
    const at = notes[chord[0]!]!.start;
    const next: State[] = [];
    for (const state of states) {
      for (let cut = 0; cut <= keys.length; cut++) {
        const left = keys.slice(0, cut);
        const right = keys.slice(cut);
        const cost = handCost(left, state.left, at, false) + handCost(right, state.right, at, true) + crossing(left, right, state);
        next.push({ cost: state.cost + cost, left: moved(state.left, left, at), right: moved(state.right, right, at), cut, from: state });
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

function moved(hand: Hand, keys: readonly MidiKey[], at: WrittenUnits): Hand {
  if (keys.length === 0) return hand;
  return { centre: (keys[0]! + keys.at(-1)!) / 2, lastAt: at };
}
