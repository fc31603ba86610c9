/*
 * Fretting: which string and fret each note of a fretted part is played on.
 *
 *     E4 alone         → open first string
 *     E2 B2 E3 G♯3 …   → 022100, the hand in first position
 *
 * Takes the sounding notes of a part and its tuning; gives a string and a fret for each, and the chords no hand can
 * hold. Every way to put the notes of a chord on different strings within a hand's span is a state; the way through all
 * chords with the least movement of the hand is taken (optimum path: Sayegh 1989, from memory).
 */
import { runsOf } from '../../base';
import type { NoteId } from '../../performance';
import type { Tablature } from '../../score';
import { QUARTER, type MidiKey, type WrittenUnits } from '../../time';

export interface FrettedNote {
  id: NoteId;
  key: MidiKey;
  start: WrittenUnits;
  end: WrittenUnits;
}

/** String 1 is the highest. */
export interface Fingering {
  string: number;
  fret: number;
}

export interface Fretting {
  fingerings: ReadonlyMap<NoteId, Fingering>;
  /** First notes of chords that cannot be held. */
  impossible: { at: WrittenUnits; notes: NoteId[] }[];
}

const MOST_FRET = 22;
/** Frets from the first to the last finger; higher up the neck the frets are closer. */
const SPAN = 4;
const SPAN_HIGH = 5;
const HIGH_POSITION = 10;
const MOST_STATES = 64;

const MOVE = 1;
const MOVE_FAR = 0.35;
const UP_THE_NECK = 0.1;
const STRETCH = 0.7;
const POSITION = 0.02;
const OPEN = -0.25;
/** Away from the nut an open string sounds unlike the others, and the hand does not need it. */
const OPEN_UP_THE_NECK = 0.8;
const UP = 3;
const STRING_GAP = 0.6;
/** A hand has time to move over a rest. */
const REST: WrittenUnits = 2 * QUARTER;

interface Grip {
  fingerings: Fingering[];
  /** Fret under the first finger; null when every string is open. */
  position: number | null;
  cost: number;
}

export function fret(notes: readonly FrettedNote[], { tuning, capo }: Pick<Tablature, 'tuning' | 'capo'>): Fretting {
  const fingerings = new Map<NoteId, Fingering>();
  const impossible: Fretting['impossible'] = [];
  const chords = chordsOf(notes);
  const grips = chords.map((chord): { notes: readonly FrettedNote[]; grips: Grip[] } => {
    let playable: readonly FrettedNote[] = chord;
    let found = gripsOf(playable, tuning, capo);
    if (found.length === 0) {
      impossible.push({ at: chord[0]!.start, notes: chord.map((note) => note.id) });
      // What can be held is shown: the highest notes first.
      while (found.length === 0 && playable.length > 0) {
        playable = playable.slice(1);
        found = gripsOf(playable, tuning, capo);
      }
    }
    return { notes: playable, grips: found };
  });

  interface Step {
    grip: Grip;
    cost: number;
    position: number | null;
    from: number;
  }
  const path: Step[][] = [];
  grips.forEach(({ grips: options }, i) => {
    const before = path[i - 1];
    const rest = i > 0 && chords[i]![0]!.start - Math.max(...chords[i - 1]!.map((note) => note.end)) >= REST;
    path.push(
      options.map((grip): Step => {
        if (!before || before.length === 0) return { grip, cost: grip.cost, position: grip.position, from: -1 };
        let best = 0;
        let least = Infinity;
        before.forEach((step, s) => {
          const cost = step.cost + (rest ? 0.3 : 1) * moving(step.position, grip.position);
          if (cost < least) {
            least = cost;
            best = s;
          }
        });
        return { grip, cost: least + grip.cost, position: grip.position ?? before[best]!.position, from: best };
      }),
    );
  });
  let at = leastOf(path.at(-1));
  for (let i = path.length - 1; i >= 0; i--) {
    const step = path[i]![at];
    if (step) grips[i]!.notes.forEach((note, n) => fingerings.set(note.id, step.grip.fingerings[n]!));
    at = step && step.from >= 0 ? step.from : leastOf(path[i - 1]);
  }
  return { fingerings, impossible };
}

function leastOf(steps: readonly { cost: number }[] | undefined): number {
  return steps ? steps.reduce((a, step, s) => (step.cost < (steps[a]?.cost ?? Infinity) ? s : a), 0) : 0;
}

function moving(from: number | null, to: number | null): number {
  if (to === null) return from !== null && from >= UP ? OPEN_UP_THE_NECK : 0;
  if (from === null || from === to) return 0;
  const frets = Math.abs(to - from);
  return MOVE + MOVE_FAR * frets;
}

/** Lowest note first. */
function chordsOf(notes: readonly FrettedNote[]): FrettedNote[][] {
  const inOrder = [...notes].sort((a, b) => a.start - b.start || a.key - b.key);
  return runsOf(inOrder, (note) => note.start);
}

/** Every way to hold the notes, the cheapest first. */
function gripsOf(notes: readonly FrettedNote[], tuning: readonly MidiKey[], capo: number): Grip[] {
  if (notes.length === 0) return [{ fingerings: [], position: null, cost: 0 }];
  if (notes.length > tuning.length) return [];
  const grips: Grip[] = [];
  const strings: number[] = [];
  const frets: number[] = [];
  const place = (n: number): void => {
    if (n === notes.length) {
      grips.push(...gripsAt(strings, frets, tuning.length));
      return;
    }
    for (let s = 0; s < tuning.length; s++) {
      if (strings.includes(s)) continue;
      const at = notes[n]!.key - tuning[s]! - capo;
      if (at < 0 || at > MOST_FRET - capo) continue;
      strings.push(s);
      frets.push(at);
      if (withinSpan(frets)) place(n + 1);
      strings.pop();
      frets.pop();
    }
  };
  place(0);
  return grips.sort((a, b) => a.cost - b.cost).slice(0, MOST_STATES);
}

function withinSpan(frets: readonly number[]): boolean {
  const pressed = frets.filter((at) => at > 0);
  if (pressed.length < 2) return true;
  const low = Math.min(...pressed);
  return Math.max(...pressed) - low < (low >= HIGH_POSITION ? SPAN_HIGH : SPAN);
}

/**
 * The same strings and frets from every place where the hand can stand: the first finger at the lowest fret or below
 * it.
 */
function gripsAt(strings: readonly number[], frets: readonly number[], count: number): Grip[] {
  const pressed = frets.filter((at) => at > 0);
  const fingerings = strings.map((s, n) => ({ string: count - s, fret: frets[n]! }));
  const gaps = strings.length > 1 ? Math.max(...strings) - Math.min(...strings) + 1 - strings.length : 0;
  const open = frets.length - pressed.length;
  if (pressed.length === 0) return [{ fingerings, position: null, cost: open * OPEN + gaps * STRING_GAP }];
  const [low, high] = [Math.min(...pressed), Math.max(...pressed)];
  const base = open * (high > UP ? OPEN_UP_THE_NECK : OPEN) + gaps * STRING_GAP;
  // One finger may lie over several strings at the lowest fret; more than four places want more fingers than there are.
  const fingers = pressed.filter((at) => at > low).length + 1;
  const cost = base + low * UP_THE_NECK + Math.max(0, high - low - 2) * STRETCH + Math.max(0, fingers - 4) * 8;
  const span = low >= HIGH_POSITION ? SPAN_HIGH : SPAN;
  const lowest = Math.max(1, high - span + 1);
  return Array.from({ length: low - lowest + 1 }, (_, i) => ({
    fingerings,
    position: lowest + i,
    cost: cost + (lowest + i) * POSITION,
  }));
}
