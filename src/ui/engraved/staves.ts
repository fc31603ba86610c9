import type { PartId } from '@/core/base';
import type { Passage } from '@/core/proof';
import type { Lacking } from '@/workers/engrave-client';

/*
 * Staves of an engraved system from top to bottom, each with all that belongs to it, and the room between them: the
 * played lines stand there and cover nothing.
 */

/** In CSS pixels from the top of the drawing. */
interface StaffPlace {
  /** The lines of the staff itself. */
  lines: { top: number; bottom: number };
  /** With notes, ledger lines, slurs, words and all. */
  top: number;
  bottom: number;
}

/** The room for a part's played line, above its first staff or below its last one. */
export interface Lane {
  part: PartId;
  top: number;
  bottom: number;
}

/** Between what is written and the played line. */
const AIR = 5;
/** A played line may be so much lower than wanted before the staves are moved apart. */
const ENOUGH = 0.7;

/** What stands beside the staves without being drawn inside one. */
const BESIDE =
  'g.dynam, g.hairpin, g.dir, g.pedal, g.slur, g.tie, g.lv, g.octave, g.breath, g.fermata, g.trill, g.mordent, g.turn, ' +
  'g.harm, g.fing, g.arpeg, g.gliss, g.ending, g.reh, g.tempo, g.caesura, g.bracketSpan, g.tupletNum, g.tupletBracket';

export function readStaves(root: HTMLElement): StaffPlace[] {
  const { top: origin } = root.getBoundingClientRect();
  const measures = [...root.querySelectorAll('g.measure')].map((measure) => [...measure.querySelectorAll('g.staff')]);
  const staves = (measures[0] ?? []).map((first, s): StaffPlace => {
    const lines = [...first.querySelectorAll(':scope > path')].map((line) => line.getBoundingClientRect());
    const rects = measures.flatMap((staffs) => staffs[s]?.getBoundingClientRect() ?? []);
    return {
      lines: {
        top: Math.min(...lines.map(({ top }) => top)) - origin,
        bottom: Math.max(...lines.map(({ bottom }) => bottom)) - origin,
      },
      top: Math.min(...rects.map(({ top }) => top)) - origin,
      bottom: Math.max(...rects.map(({ bottom }) => bottom)) - origin,
    };
  });
  for (const beside of root.querySelectorAll(BESIDE)) {
    const { top, bottom, height } = beside.getBoundingClientRect();
    if (height > 0) takeIn(staves, top - origin, bottom - origin);
  }
  return staves;
}

/** A sign belongs to the staff whose lines are nearest. */
function takeIn(staves: StaffPlace[], top: number, bottom: number): void {
  const middle = (top + bottom) / 2;
  const distance = ({ lines }: StaffPlace) => Math.max(lines.top - middle, middle - lines.bottom, 0);
  const nearest = staves.reduce<StaffPlace | null>(
    (best, staff) => (best === null || distance(staff) < distance(best) ? staff : best),
    null,
  );
  if (!nearest) return;
  nearest.top = Math.min(nearest.top, top);
  nearest.bottom = Math.max(nearest.bottom, bottom);
}

/** First and last staff of each part. */
function staffRanges({ parts }: Passage): { part: PartId; first: number; last: number }[] {
  let next = 0;
  return parts.map(({ id, staves }) => {
    const first = next;
    next += staves;
    return { part: id, first, last: next - 1 };
  });
}

/** The room of each part: from where it may begin to where it must end. */
function roomsOf(staves: readonly StaffPlace[], passage: Passage, below: boolean): Lane[] {
  return staffRanges(passage).map(({ part, first, last }) =>
    below
      ? { part, top: staves[last]!.bottom + AIR, bottom: (staves[last + 1]?.top ?? Infinity) - AIR }
      : { part, top: (staves[first - 1]?.bottom ?? -AIR) + AIR, bottom: staves[first]!.top - AIR },
  );
}

/** The played lines: as high as wanted where there is room, next to the staves they belong to. */
export function lanesOf(staves: readonly StaffPlace[], passage: Passage, laneHeight: number, below: boolean): Lane[] {
  return roomsOf(staves, passage, below).map(({ part, top, bottom }) =>
    below
      ? { part, top, bottom: Math.min(bottom, top + laneHeight) }
      : { part, top: Math.max(top, bottom - laneHeight), bottom },
  );
}

/**
 * What a drawing lacks for its played lines to stand free and its names to be whole; null when nothing.
 *
 * @param root holds the drawing @param staffHeight of five lines, in CSS pixels
 */
export function lackingIn(
  root: HTMLElement,
  passage: Passage,
  { laneHeight, staffHeight, below }: { laneHeight: number; staffHeight: number; below: boolean },
): Lacking | null {
  const staves = readStaves(root);
  const lacks = roomsOf(staves, passage, below).map(({ top, bottom }) =>
    bottom - top < laneHeight * ENOUGH ? laneHeight - (bottom - top) : 0,
  );
  const left = cutOff(root);
  if (left === 0 && lacks.every((lack) => lack === 0)) return null;
  const distances: (number | null)[] = staves.map(() => null);
  staffRanges(passage).forEach(({ first, last }, p) => {
    const staff = below ? last + 1 : first;
    const [above, own] = [staves[staff - 1], staves[staff]];
    if (above && own && lacks[p]! > 0)
      distances[staff] = (own.lines.top - above.lines.bottom + lacks[p]!) / (staffHeight / 4);
  });
  return { left, top: below ? 0 : (lacks[0] ?? 0), bottom: 0, distances };
}

/** How far names of parts begin before the drawing does. */
function cutOff(root: HTMLElement): number {
  const { left } = root.getBoundingClientRect();
  const names = [...root.querySelectorAll('g.label, g.labelAbbr')].map((name) => name.getBoundingClientRect());
  const most = Math.max(0, ...names.filter(({ width }) => width > 0).map((name) => left - name.left));
  return most > 0 ? Math.ceil(most) + 4 : 0;
}
