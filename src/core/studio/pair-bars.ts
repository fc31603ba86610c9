/*
 * Which bar of one file is which of another: by the notes in them where both have notes, else by tempo, meter and markers, else
 * by length.
 *
 *     ours          |1   |2   |3   |            the same notes two bars later: our bar 1 is their bar 3
 *     theirs   |1   |2   |3   |4   |5   |
 */
import { median } from '../base';
import { lastNotAfter, QUARTER, type MidiKey, type WrittenUnits } from '../time';
import type { StudioBar, StudioTimeLine } from './time-line';

/** Bars with what is struck in them. */
export interface BarsAndNotes {
  line: StudioTimeLine;
  notes: readonly { at: WrittenUnits; key: MidiKey }[];
}

/** Pairs of notes that are one: ours, and where theirs begins. */
export type NotePairs = readonly { ours: WrittenUnits; theirs: WrittenUnits }[];

export type Basis = 'notes' | 'changes' | 'length';

export interface PairedBars {
  basis: Basis;
  /** By our bar: index of theirs; null where none of theirs begins there; undefined where nothing tells. */
  partners: (number | null | undefined)[];
  /** Share of our bars that something tells. */
  told: number;
  /** What else would fit as well: nothing tells one from the other. */
  ambiguous: boolean;
}

/** A note so little before a barline belongs behind it. */
const EARLY: WrittenUnits = QUARTER / 8;
/** Barlines are one when their music is no further apart. */
const TOGETHER: WrittenUnits = QUARTER / 4;

export function pairByNotes(ours: StudioTimeLine, theirs: StudioTimeLine, pairs: NotePairs): PairedBars {
  const starts = ours.bars.map(({ start }) => start);
  const shifts = ours.bars.map((): WrittenUnits[] => []);
  for (const { ours: at, theirs: now } of pairs) shifts[lastNotAfter(starts, at + EARLY)]?.push(now - at);
  const own = shifts.map((list) => (list.length > 0 ? median(list) : undefined));
  const shift = own.map((one, i) => one ?? between(own, i));
  const partners = ours.bars.map(({ start }, i) => {
    const by = shift[i];
    return by === undefined ? undefined : indexAt(theirs.bars, start + by);
  });
  const told = own.filter((one) => one !== undefined).length / Math.max(1, own.length);
  return { basis: 'notes', partners, told, ambiguous: false };
}

/** A bar without notes lies as its neighbours do, where both say the same. */
function between(own: readonly (WrittenUnits | undefined)[], at: number): WrittenUnits | undefined {
  const before = own.slice(0, at).findLast((one) => one !== undefined);
  const after = own.slice(at + 1).find((one) => one !== undefined);
  if (before === undefined || after === undefined) return before ?? after;
  return Math.abs(before - after) <= TOGETHER ? before : undefined;
}

function indexAt(bars: readonly StudioBar[], place: WrittenUnits): number | null {
  const i = lastNotAfter(
    bars.map(({ start }) => start),
    place + TOGETHER,
  );
  return bars[i] && Math.abs(bars[i].start - place) <= TOGETHER ? i : null;
}

/** Two bars last as long when they differ by no more than this share. */
const SAME_PACE = 0.01;
/** Theirs may begin so many bars before or after ours. */
const FURTHEST = 64;

/** How well theirs, so many bars later, fits: bars alike in length and pace, and markers that stand together. */
interface Shifted {
  shift: number;
  alike: number;
  markers: number;
  /** Both end together. */
  ends: boolean;
}

/** For files without notes: a studio's map, a click. */
export function pairByChanges(ours: StudioTimeLine, theirs: StudioTimeLine): PairedBars {
  const shifts = Array.from({ length: 2 * FURTHEST + 1 }, (_, i) => i - FURTHEST).map((shift) =>
    shifted(ours, theirs, shift),
  );
  const worth = ({ alike, markers, ends }: Shifted) => alike + 4 * markers + (ends ? 0.5 : 0);
  const [best, second] = [...shifts].sort((a, b) => worth(b) - worth(a) || Math.abs(a.shift) - Math.abs(b.shift));
  const { shift, alike, markers } = best!;
  const tells = markers > 0 || varies(ours);
  return {
    basis: tells ? 'changes' : 'length',
    partners: ours.bars.map((_, i) => (theirs.bars[i + shift] ? i + shift : null)),
    told: alike / ours.bars.length,
    // Bars alike throughout fit anywhere: only where they end tells.
    ambiguous: !tells && second !== undefined && second.alike === alike,
  };
}

function shifted(ours: StudioTimeLine, theirs: StudioTimeLine, shift: number): Shifted {
  const alike = ours.bars.filter((_, i) => theirs.bars[i + shift] && sameBar(ours, i, theirs, i + shift)).length;
  const texts = new Set(markersByBar(theirs).map(({ bar, text }) => `${bar}/${text}`));
  const markers = markersByBar(ours).filter(({ bar, text }) => texts.has(`${bar + shift}/${text}`)).length;
  return { shift, alike, markers, ends: ours.bars.length + shift === theirs.bars.length };
}

function sameBar(ours: StudioTimeLine, i: number, theirs: StudioTimeLine, j: number): boolean {
  if (Math.abs(ours.bars[i]!.length - theirs.bars[j]!.length) > EARLY) return false;
  const [one, other] = [lasts(ours, i), lasts(theirs, j)];
  return Math.abs(one - other) <= SAME_PACE * one;
}

const lasts = ({ bars, seconds }: StudioTimeLine, i: number) => (bars[i + 1]?.at ?? seconds) - bars[i]!.at;

function markersByBar({ bars, markers }: StudioTimeLine): { bar: number; text: string }[] {
  const starts = bars.map(({ start }) => start);
  return markers.map(({ at, text }) => ({ bar: lastNotAfter(starts, at), text }));
}

/** Bars differ, so that they tell where they are. The last one may be cut. */
function varies(line: StudioTimeLine): boolean {
  return line.bars.slice(0, -1).some((_, i) => !sameBar(line, 0, line, i));
}
