/*
 * Dealing out: the notes of one track become the lines of several players.
 *
 * Takes notes with clock times, and the players from top to bottom; says for each note who plays it. Notes struck
 * together form a chord; a player who still holds a note is not free. All ways of giving a chord to the free players
 * without crossing (and with neighbours crossed) are weighed by how far each line moves, crossing, range and doubling;
 * a beam search over the whole track finds the cheapest sequence. Voice leading by least movement: Tymoczko 2006 (from
 * memory); the search is ours.
 */
import type { KeyRange } from '../instruments';
import type { MidiKey, Seconds } from '../time';
import type { Deal } from '../settings';

export interface DealtNote {
  key: MidiKey;
  start: Seconds;
  end: Seconds;
}

export interface Player {
  /** What the instrument has, and where it is at home. */
  range: KeyRange;
  comfort: KeyRange;
  /** Players of one kin double each other sooner than others. */
  kin: string;
}

export interface Dealing {
  /** Players of each note, from 0, same order as the notes. */
  players: number[][];
  /** Notes (by index) that found every player busy and stand in a second voice. */
  crowded: number[];
}

/** Notes this close behind each other are struck together. */
const TOGETHER: Seconds = 0.035;
const CHORD_SPREAD: Seconds = 0.1;
/** A note that sounds this little into the next chord was only let go late. */
const LATE_RELEASE: Seconds = 0.16;
const LATE_SHARE = 0.35;
const BEAM = 12;
/** A leap is a leap, however wide. */
const LARGEST_STEP = 8;

const COST = {
  /** For each semitone a line moves, up to LARGEST_STEP. */
  step: 0.1,
  crossing: 1.1,
  crossingStep: 0.05,
  outOfRange: 2,
  uncomfortable: 0.06,
  /** For each player that one note has more than another. */
  uneven: 0.45,
  strangers: 0.5,
  /** A player rests although doubling is wished. */
  idle: 2.5,
  /** A line that was just sounding is taken up by a player who was silent. */
  newEntry: 0.35,
  /** Without anything else to go by the first players play. */
  laterPlayer: 0.03,
  twoAtOnce: 4,
};

/** Most players needed: notes that truly sound at once, late releases apart. */
export function playersNeeded(notes: readonly DealtNote[]): number {
  return Math.max(0, ...soundingCounts(notes));
}

/** Share of chords and single notes at which more than one note truly sounds, 0–1. */
export function chordShareOf(notes: readonly DealtNote[]): number {
  const counts = soundingCounts(notes);
  return counts.filter((count) => count > 1).length / Math.max(1, counts.length);
}

/** Different keys sounding at each chord. */
function soundingCounts(notes: readonly DealtNote[]): number[] {
  let held: DealtNote[] = [];
  return chordsOf(notes).map(({ at, chord }) => {
    held = [...held.filter((note) => isHeld(note, at)), ...chord.map((i) => notes[i]!)];
    return new Set(held.map((note) => note.key)).size;
  });
}

interface Line {
  key: MidiKey | null;
  /** The note it holds or last held. */
  start: Seconds;
  end: Seconds;
}

interface State {
  cost: number;
  lines: readonly Line[];
  before: State | null;
  /** For each note of the chord its players. */
  given: readonly (readonly number[])[];
  crowded: boolean;
}

export function dealOut(
  notes: readonly DealtNote[],
  players: readonly Player[],
  rules: Pick<Deal, 'spare' | 'lines'>,
): Dealing {
  const chords = chordsOf(notes);
  let beam: State[] = [
    { cost: 0, lines: players.map(() => ({ key: null, start: 0, end: -1 })), before: null, given: [], crowded: false },
  ];
  for (const { at, chord } of chords) {
    const struck = chord.map((i) => notes[i]!);
    const next = new Map<string, State>();
    for (const state of beam) {
      for (const option of waysToGive(struck, state, at, rules)) {
        const after = give(struck, state, option, at, players, rules);
        const signature = after.lines.map((line) => `${line.key}/${line.end}`).join();
        const known = next.get(signature);
        if (!known || after.cost < known.cost) next.set(signature, after);
      }
    }
    beam = [...next.values()].sort((a, b) => a.cost - b.cost).slice(0, BEAM);
  }
  const result: Dealing = { players: notes.map(() => []), crowded: [] };
  let state: State | null = beam[0] ?? null;
  for (let c = chords.length - 1; c >= 0 && state; c--, state = state.before) {
    chords[c]!.chord.forEach((i, k) => {
      result.players[i] = [...state!.given[k]!].sort((a, b) => a - b);
      if (state!.crowded) result.crowded.push(i);
    });
  }
  return result;
}

/** Notes struck together, from the highest to the lowest, in order of time. */
function chordsOf(notes: readonly DealtNote[]): { at: Seconds; chord: number[] }[] {
  const order = notes
    .map((_, i) => i)
    .sort((a, b) => notes[a]!.start - notes[b]!.start || notes[b]!.key - notes[a]!.key);
  const chords: { at: Seconds; last: Seconds; chord: number[] }[] = [];
  for (const i of order) {
    const { start } = notes[i]!;
    const chord = chords.at(-1);
    if (chord && start - chord.last <= TOGETHER && start - chord.at <= CHORD_SPREAD) {
      chord.chord.push(i);
      chord.last = start;
    } else chords.push({ at: start, last: start, chord: [i] });
  }
  for (const { chord } of chords) chord.sort((a, b) => notes[b]!.key - notes[a]!.key);
  return chords;
}

function isHeld({ start, end }: { start: Seconds; end: Seconds }, at: Seconds): boolean {
  return end - at > Math.min(LATE_RELEASE, LATE_SHARE * (end - start));
}

/** For each note its players: every order-keeping way, and those with two neighbours crossed. */
function waysToGive(
  struck: readonly DealtNote[],
  state: State,
  at: Seconds,
  { spare }: Pick<Deal, 'spare'>,
): number[][][] {
  const free = state.lines.flatMap((line, p) => (line.key !== null && isHeld(line, at) ? [] : [p]));
  const count = struck.length;
  if (free.length === 0) return [struck.map((note) => [nearestLine(state.lines, note.key)])];
  if (count > free.length)
    return compositions(count, free.length).map((sizes) =>
      sizes.flatMap((size, f) => Array.from({ length: size }, () => [free[f]!])),
    );
  const ways =
    spare === 'double'
      ? [
          ...compositions(free.length, count).map((sizes) => shared(sizes, free)),
          ...choices(free, count).map((chosen) => chosen.map((p) => [p])),
        ]
      : choices(free, count).map((chosen) => chosen.map((p) => [p]));
  const crossed =
    count > 1 && free.length === count
      ? ways.flatMap((way) => Array.from({ length: count - 1 }, (_, k) => swapped(way, k)))
      : [];
  return [...ways, ...crossed];
}

function give(
  struck: readonly DealtNote[],
  state: State,
  option: readonly (readonly number[])[],
  at: Seconds,
  players: readonly Player[],
  rules: Pick<Deal, 'spare' | 'lines'>,
): State {
  const lines = [...state.lines];
  const taken = new Map<number, DealtNote[]>();
  let cost = state.cost;
  let crowded = false;
  const sizes = option.map((to) => to.length);
  cost += COST.uneven * (Math.max(...sizes) - Math.min(...sizes));
  option.forEach((to, k) => {
    const note = struck[k]!;
    cost += COST.strangers * (new Set(to.map((p) => players[p]!.kin)).size - 1);
    to.forEach((p) => {
      const line = state.lines[p]!;
      const { range, comfort } = players[p]!;
      if (line.key !== null && rules.lines === 'smooth')
        cost += COST.step * Math.min(Math.abs(line.key - note.key), LARGEST_STEP);
      if (note.key < range[0] || note.key > range[1]) cost += COST.outOfRange;
      cost += COST.uncomfortable * Math.max(0, comfort[0] - note.key, note.key - comfort[1]);
      if (
        line.key !== null &&
        at - line.end > 0.5 &&
        state.lines.some(
          (other) =>
            other !== line &&
            other.key !== null &&
            Math.abs(at - other.end) < 0.2 &&
            Math.abs(other.key - note.key) <= 4,
        )
      )
        cost += COST.newEntry;
      cost += COST.laterPlayer * p;
      const already = taken.get(p);
      if (already || (line.key !== null && isHeld(line, at))) {
        crowded = true;
        cost +=
          COST.twoAtOnce + 0.1 * Math.max(0, Math.abs((already?.at(-1)?.key ?? line.key ?? note.key) - note.key) - 9);
      }
      taken.set(p, [...(already ?? []), note]);
    });
  });
  for (const [p, own] of taken)
    lines[p] = {
      key: Math.max(...own.map((note) => note.key)),
      start: own[0]!.start,
      end: Math.max(...own.map((note) => note.end)),
    };
  const sounding = lines.map((line, p) => taken.has(p) || (line.key !== null && isHeld(line, at)));
  if (rules.spare === 'double') cost += COST.idle * sounding.filter((on) => !on).length;
  for (let i = 0; i < lines.length; i++) {
    for (let j = i + 1; j < lines.length; j++) {
      const below = (lines[j]!.key ?? 0) - (lines[i]!.key ?? 0);
      if (sounding[i] && sounding[j] && below > 0 && (taken.has(i) || taken.has(j)))
        cost += COST.crossing * (rules.lines === 'top-down' ? 4 : 1) + COST.crossingStep * below;
    }
  }
  return { cost, lines, before: state, given: option, crowded };
}

function nearestLine(lines: readonly Line[], key: MidiKey): number {
  return lines.reduce(
    (best, line, p) => (Math.abs((line.key ?? 0) - key) < Math.abs((lines[best]!.key ?? 0) - key) ? p : best),
    0,
  );
}

/** Ways to write `total` as a sum of `parts` positive numbers. */
function compositions(total: number, parts: number): number[][] {
  if (parts === 1) return [[total]];
  return Array.from({ length: total - parts + 1 }, (_, i) => i + 1).flatMap((first) =>
    compositions(total - first, parts - 1).map((rest) => [first, ...rest]),
  );
}

function shared(sizes: readonly number[], free: readonly number[]): number[][] {
  let at = 0;
  return sizes.map((size) => free.slice(at, (at += size)));
}

/** Ways to choose `count` of the players, in order. */
function choices(from: readonly number[], count: number): number[][] {
  if (count === 0) return [[]];
  return from.flatMap((first, i) => choices(from.slice(i + 1), count - 1).map((rest) => [first, ...rest]));
}

function swapped(way: readonly number[][], k: number): number[][] {
  const copy = [...way];
  [copy[k], copy[k + 1]] = [copy[k + 1]!, copy[k]!];
  return copy;
}
