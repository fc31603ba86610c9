/*
 * Doubled lines: the same music is written the same.
 *
 *     flute    played clearly     x.  x x  x         leads
 *     violin   played loosely     x . xx   x    →    written as the flute's
 *
 * Takes the staves of all parts with their written times; gives them with bars that double each other (the same pitch
 * classes struck one after the other, in unison or octaves, at nearly the same moments) in agreement on starts, ends
 * and dots. The part whose timing is clearest decides. Notes that really sound for another length keep it. Common
 * practice, no source.
 */
import type { PartId } from '../../score';
import { lastNotAfter, type Bar, type Seconds, type WrittenUnits } from '../../time';
import type { EndedNote } from './durations';
import type { StaffNotes } from './staff-notes';

export interface DoublingPart {
  id: PartId;
  staves: StaffNotes[];
  /** How far its onsets scatter; 0 for a part that is exact. */
  jitter: Seconds;
  /** Whether it may be written as another part's double, in a bar that starts its notes here. */
  follows: (at: WrittenUnits) => boolean;
  /** Somebody decided that it is written as this one. */
  model?: PartId;
}

/** A part that plays what another one plays. */
export interface Doubling {
  part: PartId;
  /** The clearer one. */
  as: PartId;
  /** Indexes of the bars in which both have the same notes at the same time. */
  bars: number[];
  /** Those of them that were changed to agree, and those that are written differently all the same. */
  followed: number[];
  differing: number[];
}

export interface Doubled {
  /** The same staves, in the same order; a part in which nothing changes keeps its object. */
  staves: StaffNotes[][];
  doublings: Doubling[];
}

const LEAST_STRIKES = 3;
/** Strikes this far apart are not the same music. */
const APART: Seconds = 0.08;
/** A played length this many times another is meant so. */
const OTHER_LENGTH = 2;

/** Notes of one voice that start together. */
interface Strike {
  notes: EndedNote[];
  start: WrittenUnits;
}

interface BarLine {
  part: number;
  staff: number;
  voice: number;
  strikes: Strike[];
  /** Where the voice goes on after the bar. */
  next: WrittenUnits;
}

export function agreeDoubles(parts: readonly DoublingPart[], bars: readonly Bar[]): Doubled {
  const changes = parts.map(() => new Map<EndedNote, EndedNote>());
  const doublings = new Map<string, Doubling>();
  for (const group of doubledBars(parts, bars)) {
    const clearest = group.reduce((best, line) => (parts[line.part]!.jitter < parts[best.part]!.jitter ? line : best));
    for (const line of group) {
      const { model, follows } = parts[line.part]!;
      const chosen = group.find((other) => parts[other.part]!.id === model);
      const leader = chosen ?? clearest;
      if (leader === line) continue;
      // Where the leader itself is written as this one, nothing is left to follow.
      if (leader === clearest && !chosen && parts[leader.part]!.model === parts[line.part]!.id) continue;
      const follower = parts[line.part]!;
      const agreement = follows(line.strikes[0]!.start)
        ? follow(line, leader, changes[line.part]!, chosen !== undefined)
        : agreementOf(line, leader);
      count(
        doublings,
        follower.id,
        parts[leader.part]!.id,
        lastNotAfter(starts(bars), line.strikes[0]!.start),
        agreement,
      );
    }
  }
  const staves = parts.map((part, p) =>
    changes[p]!.size === 0
      ? part.staves
      : part.staves.map((staff) => ({ ...staff, notes: staff.notes.map((note) => changes[p]!.get(note) ?? note) })),
  );
  return { staves, doublings: [...doublings.values()] };
}

/** Alike from the start, made alike, or not alike. */
type Agreement = 'alike' | 'followed' | 'differing';

function count(doublings: Map<string, Doubling>, part: PartId, as: PartId, bar: number, agreement: Agreement): void {
  const slot = `${part} ${as}`;
  const doubling = doublings.get(slot) ?? { part, as, bars: [], followed: [], differing: [] };
  doublings.set(slot, doubling);
  doubling.bars.push(bar);
  if (agreement !== 'alike') doubling[agreement].push(bar);
}

function doubledBars(parts: readonly DoublingPart[], bars: readonly Bar[]): BarLine[][] {
  const groups = new Map<string, BarLine[]>();
  parts.forEach(({ staves }, part) => {
    for (const line of linesByBar(staves, part, bars)) {
      if (line.strikes.length < LEAST_STRIKES) continue;
      const slot = `${lastNotAfter(starts(bars), line.strikes[0]!.start)}/${line.strikes.map(classesOf).join(' ')}`;
      const group = groups.get(slot);
      if (!group) groups.set(slot, [line]);
      else if (group.every((other) => other.part !== part) && together(group[0]!, line)) group.push(line);
    }
  });
  return [...groups.values()].filter((group) => group.length > 1);
}

const knownStarts = new WeakMap<readonly Bar[], number[]>();

function starts(bars: readonly Bar[]): number[] {
  let known = knownStarts.get(bars);
  if (!known) knownStarts.set(bars, (known = bars.map((bar) => bar.start)));
  return known;
}

function classesOf({ notes }: Strike): string {
  return [...new Set(notes.map((note) => note.key % 12))].sort((a, b) => a - b).join('+');
}

function together(a: BarLine, b: BarLine): boolean {
  return a.strikes.every(
    (strike, i) => Math.abs(strike.notes[0]!.onsetSeconds - b.strikes[i]!.notes[0]!.onsetSeconds) <= APART,
  );
}

/** Each voice of each staff, cut at the barlines. */
function linesByBar(staves: readonly StaffNotes[], part: number, bars: readonly Bar[]): BarLine[] {
  return staves.flatMap((staff, s) =>
    [...new Set(staff.voices)].flatMap((voice) => {
      const notes = staff.notes.filter((_, n) => staff.voices[n] === voice).sort((a, b) => a.start - b.start);
      const lines = new Map<number, BarLine>();
      let last: Strike | null = null;
      let lastLine: BarLine | null = null;
      for (const note of notes) {
        if (last && note.start === last.start) {
          last.notes.push(note);
          continue;
        }
        const bar = lastNotAfter(starts(bars), note.start);
        const line: BarLine = lines.get(bar) ?? { part, staff: s, voice, strikes: [], next: Infinity };
        if (lastLine && lastLine !== line) lastLine.next = note.start;
        lines.set(bar, line);
        line.strikes.push((last = { notes: [note], start: note.start }));
        lastLine = line;
      }
      return [...lines.values()];
    }),
  );
}

/** Whether two outcomes for the same notes are written the same. */
export function sameWriting(a: readonly StaffNotes[], b: readonly StaffNotes[]): boolean {
  return a.every((staff, s) =>
    staff.notes.every((note, n) => {
      const other = b[s]!.notes[n]!;
      return note.start === other.start && note.end === other.end && note.short === other.short;
    }),
  );
}

/** Writes a line as its leader's, unless it is really played otherwise. @param decided somebody said so */
function follow(line: BarLine, leader: BarLine, changes: Map<EndedNote, EndedNote>, decided: boolean): Agreement {
  const alike = line.strikes.every((strike, i) => {
    const [own, other] = [lengthOf(strike), lengthOf(leader.strikes[i]!)];
    return own <= OTHER_LENGTH * other && other <= OTHER_LENGTH * own;
  });
  const plain = line.strikes.every(({ notes }) => notes.every((note) => note.ornament === undefined));
  // What the file says of every value is meant, and what it has exactly stays where it stands.
  const meant = line.strikes.every(({ notes }) =>
    notes.every((note) => note.meant !== undefined && note.meantEnd === note.end),
  );
  const moved = line.strikes.some(
    ({ notes, start }, i) => notes.some((note) => note.meant !== undefined) && start !== leader.strikes[i]!.start,
  );
  if (!plain || (!decided && (!alike || meant || moved))) return agreementOf(line, leader);
  if (agreementOf(line, leader) === 'alike') return 'alike';
  line.strikes.forEach((strike, i) => {
    const { start, end, short } = modelFor(line, leader, i);
    for (const note of strike.notes) {
      if (note.start === start && note.end === end && note.short === short) continue;
      const { short: _short, ...rest } = note;
      changes.set(note, { ...rest, start, end, ...(short && { short: true }) });
    }
  });
  return 'followed';
}

/** How a strike of a line would be written as its leader's; the line's own next onset is never run into. */
function modelFor(line: BarLine, leader: BarLine, i: number): Pick<EndedNote, 'start' | 'end' | 'short'> {
  const { start, end, short } = leader.strikes[i]!.notes[0]!;
  const next = line.strikes[i + 1] ? leader.strikes[i + 1]!.start : line.next;
  return { start, end: Math.min(end, next), ...(short && { short }) };
}

function agreementOf(line: BarLine, leader: BarLine): Exclude<Agreement, 'followed'> {
  const alike = line.strikes.every(({ notes }, i) => {
    const model = modelFor(line, leader, i);
    return notes.every((note) => note.start === model.start && note.end === model.end && note.short === model.short);
  });
  return alike ? 'alike' : 'differing';
}

function lengthOf({ notes }: Strike): Seconds {
  return Math.max(0.001, notes[0]!.releaseSeconds - notes[0]!.onsetSeconds);
}
