/*
 * A ledger taken over to a new version: every decision points at the tracks, notes, bars and places where its music is now.
 * What has nothing left to point at stays behind, and is told.
 */
import { partId, trackInFile, type NoteId } from '../base';
import { asOne, PART, rolesOf, singles, type Decision, type Role, type Roles, type SingleDecision } from '../decisions';
import type { Ledger } from '../documents';
import { FIRST_ADDED } from '../settings';
import type { WrittenUnits } from '../time';

/** Where things are now; null where they are no more. */
export interface Whereabouts {
  id(id: string): string | null;
  note(note: NoteId): NoteId | null;
  bar(index: number): number | null;
  place(at: WrittenUnits): WrittenUnits | null;
  chunk(chunk: number): number | null;
  /** Whether a bar of the new version is another than it was, by index. */
  changed(bar: number): boolean;
}

export interface CarriedLedger {
  ledger: Ledger;
  /** Decisions that are there as they were, by their number in the old ledger. */
  whole: number[];
  /** Those of which only a part is there: some of their notes or tracks are gone. */
  partly: number[];
  lost: number[];
}

/** @param before of the old version; its decisions in force are carried over */
export function carryOver(before: Ledger, now: Whereabouts): CarriedLedger {
  const carried: CarriedLedger = { ledger: { decisions: [], position: 0 }, whole: [], partly: [], lost: [] };
  const decisions: Decision[] = [];
  before.decisions.slice(0, before.position).forEach((made, i) => {
    const moving = new Moving(now);
    const there = singles(made).flatMap((one) => moving.decision(one) ?? []);
    if (there.length === 0) carried.lost.push(i);
    else (moving.left ? carried.partly : carried.whole).push(i);
    if (there.length > 0) decisions.push(asOne(there));
  });
  return { ...carried, ledger: { decisions, position: decisions.length } };
}

/** Moves one decision and knows whether anything of it was left behind. */
class Moving {
  left = false;

  constructor(private readonly now: Whereabouts) {}

  /** null where nothing is left of it */
  decision(made: SingleDecision): SingleDecision | null {
    const moved = this.object(made, rolesOf(made));
    if (moved !== null && stillMeant(made, moved, this.now)) return moved;
    this.left = true;
    return null;
  }

  /** Only fields with a role are touched, each by one of its own kind. */
  private object<T extends object>(value: T, roles: Roles): T | null {
    const fields = new Map<string, unknown>(Object.entries(value));
    const moved = { ...value };
    for (const [field, role] of Object.entries(roles)) {
      const before = fields.get(field);
      if (before === undefined || before === null) continue;
      const after = this.field(before, role);
      if (after === null) return null;
      Object.assign(moved, { [field]: after });
    }
    return moved;
  }

  private field(value: unknown, role: Role | Roles): unknown {
    if (Array.isArray(value)) {
      const kept = value.map((one: unknown) => this.field(one, role)).filter((one) => one !== null);
      if (kept.length < value.length) this.left = true;
      return kept.length > 0 || value.length === 0 ? kept : null;
    }
    if (typeof role !== 'string') return typeof value === 'object' && value ? this.object(value, role) : value;
    return this.thing(value, role);
  }

  private thing(value: unknown, role: Role): unknown {
    const { now } = this;
    switch (role) {
      case 'id':
        return now.id(String(value));
      case 'note':
        return Number(value) >= FIRST_ADDED ? value : now.note(Number(value));
      case 'bar':
        return now.bar(Number(value));
      case 'span':
        return isSpan(value) ? spanNow(value, now) : value;
      case 'place':
        return now.place(Number(value));
      case 'placeEnd': {
        // The place before it says in which bar it is.
        const last = now.place(Number(value) - 1);
        return last === null ? null : last + 1;
      }
      case 'chunk':
        return now.chunk(Number(value));
      case 'query':
        return queryNow(String(value), now);
    }
  }
}

/** A query about a track that is gone is asked no more, and another track may have its number. */
function queryNow(query: string, now: Whereabouts): string | null {
  const words = query.split(/([/+])/).map((word) => (PART.test(word) ? now.id(word) : word));
  return words.includes(null) ? null : words.join('');
}

/** Whether what is left of a decision still says what it said. */
function stillMeant(made: SingleDecision, moved: SingleDecision, now: Whereabouts): boolean {
  if (moved.kind === 'gather') return moved.tracks.length >= 2;
  if (moved.kind === 'joinNotes') return moved.notes.length >= 2;
  if (moved.kind !== 'foldRepeat' || made.kind !== 'foldRepeat') return true;
  // What is written once stands for every playing: none of them may be another now.
  const bars = Array.from({ length: moved.length * moved.times }, (_, i) => i);
  return bars.every((i) => now.bar(made.from + i) === moved.from + i && !now.changed(moved.from + i));
}

interface Span {
  from: number;
  to: number;
}

const isSpan = (value: unknown): value is Span =>
  typeof value === 'object' && value !== null && 'from' in value && 'to' in value;

/** From the first of its bars that is there to the last. */
function spanNow({ from, to }: Span, now: Whereabouts): Span | null {
  const bars = Array.from({ length: Math.min(to - from, MOST_BARS) }, (_, i) => now.bar(from + i)).filter(
    (bar) => bar !== null,
  );
  return bars.length > 0 ? { from: bars[0]!, to: bars.at(-1)! + 1 } : null;
}

/** Whole pieces are given as bars without end sometimes. */
const MOST_BARS = 100_000;

/** An id of a track or part whose track has another number now, with what stands behind it: "t3c10p2". */
export function idNow(id: string, tracks: ReadonlyMap<string, string | null>): string | null {
  // Parts of a score file have ids of their own.
  if (!PART.test(id)) return tracks.has(id) ? (tracks.get(id) ?? null) : id;
  const track = trackInFile(partId(id));
  const now = tracks.get(track);
  return now ? `${now}${id.slice(track.length)}` : null;
}
