/*
 * Gates: sequencers let go of every note a little early (or late), by a share of its value or by a few ticks. That is a
 * habit of the machine and says nothing about the music; where one habit explains the ends of a track, the values
 * behind it are meant.
 *
 *     value   960        960        480  480
 *     ticks   912        912        456  456           a gate of 95 %: half, half, quarter, quarter
 *
 * Takes the notes of one track whose starts are exact; gives written ends. Each habit in question (shares and ticks
 * that occur between a note and the onset after it, and none) is judged by how plain the ends are that it gives, over
 * all notes.
 */
import type { NoteId, PlayedNote } from '../../performance';
import { noteValue } from '../../score';
import { QUARTER, type Beat, type Ticks, type WrittenUnits } from '../../time';
import { beatIndexAt, type BeatLine } from './beats';

export interface Gate {
  /**
   * Share of its value that a note sounds, and ticks taken off that; negative where all notes sound into the next ones.
   */
  share: number;
  ticks: Ticks;
}

export interface MeantEnds {
  gate: Gate;
  /** Written ends of the notes that the gate explains. */
  ends: ReadonlyMap<NoteId, WrittenUnits>;
}

const FULL: Gate = { share: 1, ticks: 0 };
const LEAST_SHARE = 0.5;
const MOST_TICKS_OF_QUARTER = 1 / 8;
/** Nats for a habit of any kind, and for an end that it does not explain. */
const HABIT = 3;
const UNEXPLAINED = 4;
/**
 * Nats a note for a share that leaves nothing of it: rests are written more often than notes are played at half their
 * length.
 */
const SHORTENED = 1.5;
/** Nats from which an end needs thirty-seconds, or thirds where nothing else is in thirds. */
const ODD_END = 2;
const CANDIDATES = 6;
/** Fewer explained ends than this share were played, not made. */
const LEAST_EXPLAINED = 0.6;
const MOST_LOOKED_AT = 600;
/** From this share of equal lengths on, a track's notes were drawn with one length. */
const DRAWN = 0.9;
const LEAST_DRAWN = 12;

interface Sounding {
  id: NoteId;
  start: WrittenUnits;
  length: Ticks;
  /** Ticks to the next onset of the track, and its written place. */
  toNext: Ticks;
  next: WrittenUnits;
}

/** @param places written starts of the notes that stand exactly on a grid */
export function findMeantEnds(
  notes: readonly PlayedNote[],
  places: ReadonlyMap<NoteId, WrittenUnits>,
  line: BeatLine,
): MeantEnds {
  const sounding = soundingNotes(notes, places);
  if (sounding.length === 0) return { gate: FULL, ends: new Map() };
  const thirds = beatsInThirds(sounding, line);
  const sample = sounding.slice(0, MOST_LOOKED_AT);
  let gate = FULL;
  let least = Infinity;
  for (const candidate of candidates(sample)) {
    const each = (1 - candidate.share) * SHORTENED;
    const cost = sample.reduce(
      (sum, note) => sum + each + (endBy(note, candidate, line, thirds)?.cost ?? UNEXPLAINED),
      candidate === FULL ? 0 : HABIT,
    );
    if (cost < least) [gate, least] = [candidate, cost];
  }
  const ends = new Map<NoteId, WrittenUnits>();
  const drawn = isDrawn(sounding);
  for (const note of sounding) {
    if (drawn && note.length > note.toNext && Number.isFinite(note.next)) {
      ends.set(note.id, note.next);
      continue;
    }
    const found = endBy(note, gate, line, thirds) ?? endBy(note, FULL, line, thirds);
    // An end on a place that nothing else uses was played: it is rounded with those that were.
    if (found && !found.odd) ends.set(note.id, found.end);
  }
  return ends.size >= LEAST_EXPLAINED * sounding.length ? { gate, ends } : { gate: FULL, ends: new Map() };
}

/** All notes were given one length, whatever follows them: what sounds over the next onset was not held. */
function isDrawn(notes: readonly Sounding[]): boolean {
  const lengths = new Map<Ticks, number>();
  for (const { length } of notes) lengths.set(length, (lengths.get(length) ?? 0) + 1);
  const usual = Math.max(...lengths.values());
  return (
    notes.length >= LEAST_DRAWN && usual >= DRAWN * notes.length && notes.some(({ length, toNext }) => length < toNext)
  );
}

function soundingNotes(notes: readonly PlayedNote[], places: ReadonlyMap<NoteId, WrittenUnits>): Sounding[] {
  const starts = [...new Set(notes.map((note) => note.start))].sort((a, b) => a - b);
  const following = new Map(starts.map((start, i) => [start, starts[i + 1] ?? Infinity]));
  const placeAt = new Map(
    notes.flatMap((note) => (places.has(note.id) ? [[note.start, places.get(note.id)!] as const] : [])),
  );
  return notes.flatMap((note): Sounding[] => {
    const start = places.get(note.id);
    if (start === undefined) return [];
    const next = following.get(note.start)!;
    return [
      {
        id: note.id,
        start,
        length: note.end - note.start,
        toNext: next - note.start,
        next: placeAt.get(next) ?? Infinity,
      },
    ];
  });
}

/** Beats in which something starts on a third: there ends on thirds are plain. */
function beatsInThirds(notes: readonly Sounding[], line: BeatLine): Set<number> {
  return new Set(
    notes
      .map(({ start }) => ({ start, beat: beatIndexAt(line, start) }))
      .filter(({ start, beat }) => (start - line.beats[beat]!.start) % (QUARTER / 8) !== 0)
      .map(({ beat }) => beat),
  );
}

/** The usual differences between a note's length and the time to the next onset, as shares and as ticks. */
function candidates(notes: readonly Sounding[]): Gate[] {
  const shares = new Map<number, number>();
  const ticks = new Map<Ticks, number>();
  const add = (counts: Map<number, number>, value: number) => counts.set(value, (counts.get(value) ?? 0) + 1);
  for (const { length, toNext } of notes) {
    if (!Number.isFinite(toNext) || length === toNext) continue;
    const share = Math.round((200 * length) / toNext) / 200;
    if (share >= LEAST_SHARE && share < 1) add(shares, share);
    if (length < 2 * toNext) add(ticks, toNext - length);
  }
  // What sounds over the next onset tells by how far its end lies before a later one; usual shares stand in for those.
  for (const share of [0.5, 0.75, 0.8, 0.85, 0.9, 0.95, 0.97, 0.98, 0.99])
    if (!shares.has(share)) shares.set(share, 0.5);
  const top = (counts: Map<number, number>) =>
    [...counts]
      .sort((a, b) => b[1] - a[1] || b[0] - a[0])
      .slice(0, CANDIDATES)
      .map(([value]) => value);
  for (const few of [1, 2]) if (!ticks.has(few)) ticks.set(few, 0.5);
  return [
    FULL,
    ...top(ticks).map((off): Gate => ({ share: 1, ticks: off })),
    ...[...shares.keys()].map((share): Gate => ({ share, ticks: 0 })),
  ];
}

interface End {
  end: WrittenUnits;
  /** Nats. */
  cost: number;
  /** On a place that nothing else uses. */
  odd: boolean;
}

/** The end a note has if its length came about by a gate: the nearest place that lies within the rounding, or none. */
function endBy(note: Sounding, gate: Gate, line: BeatLine, thirds: ReadonlySet<number>): End | null {
  const { unitsPerTick } = line;
  const quarterTicks = QUARTER / unitsPerTick;
  if (Math.abs(gate.ticks) > quarterTicks * MOST_TICKS_OF_QUARTER) return null;
  // The written value was multiplied and rounded one way or the other.
  const value = ((note.length + gate.ticks) / gate.share) * unitsPerTick;
  const tolerance = (unitsPerTick / gate.share) * 1.01 + 1e-6;
  const wanted = note.start + value;
  if (Math.abs(note.next - wanted) <= tolerance) return { end: note.next, cost: 0, odd: false };
  // What was let go before the next onset was not meant to last beyond it.
  if (gate !== FULL && note.length < note.toNext && wanted > note.next) return null;
  const b = beatIndexAt(line, wanted);
  let best: End | null = null;
  for (const beat of [line.beats[b]!, line.beats[b + 1]]) {
    if (!beat) continue;
    for (const division of [1, 2, 4, 8, 3, 6, 16, 5, 7, 12]) {
      const unit = beat.length / division;
      if (!Number.isInteger(unit)) continue;
      const end = beat.start + Math.round((wanted - beat.start) / unit) * unit;
      if (end <= note.start || Math.abs(end - wanted) > tolerance) continue;
      const cost = endCost(beat, unit, thirds.has(b));
      if (!best || cost < best.cost) best = { end, cost, odd: isOdd(unit, thirds.has(b)) };
    }
  }
  // A share that gives odd ends is not what cut this note.
  return best && gate.share < 1 && best.cost >= ODD_END ? null : best;
}

/** Finer than a thirty-second, or in thirds where nothing is struck in thirds. */
function isOdd(unit: WrittenUnits, thirds: boolean): boolean {
  if (noteValue(unit, 0)) return unit < QUARTER / 8;
  return !thirds;
}

function endCost(beat: Beat, unit: WrittenUnits, thirds: boolean): number {
  if (unit === beat.length) return 0.2;
  if (noteValue(unit, 0)) {
    if (unit >= QUARTER / 2) return 0.4;
    if (unit >= QUARTER / 4) return 0.8;
    return unit >= QUARTER / 8 ? 2 : 3.5;
  }
  if (noteValue(unit * 1.5, 0)) return thirds ? 0.5 : 2;
  return thirds ? 1.5 : 3.5;
}
