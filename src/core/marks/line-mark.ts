import type { PartLines } from '../score';
import type { WrittenUnits } from '../time';
import type { Colour, MarkElement, ReadElement, Attributes } from './elements';

/** A sign beside the staff, to be written. */
export interface PlacedSign {
  at: WrittenUnits;
  staff: number;
  /** What ends at a barline belongs to the bar before it. */
  ends?: true;
  /** Among those at one place: what ends comes before what begins. */
  rank: number;
  placement: 'above' | 'below';
  /** Null: nothing is printed, only playback is told. */
  element: MarkElement | null;
  /** Printed before it in one direction. */
  with?: MarkElement[];
  /** For playback. */
  sound?: Attributes;
}

/** A sign beside the staff, as it was read. */
export interface LineEvent {
  at: WrittenUnits;
  staff: number;
  element: ReadElement;
}

/** A kind of line or sign of a part: how it is written and read. */
export interface LineKind<T> {
  /** Names of the elements it is read from. */
  elements: readonly string[];
  /** @param lastStaff the lowest staff of the part */
  write(lines: readonly T[], how: { colour: Colour; lastStaff: number }): PlacedSign[];
  /** @param events of these elements, in order @param end of the part: what nobody ended does not go beyond */
  read(events: readonly LineEvent[], end: WrittenUnits): T[];
}

export type LineKinds = { [K in Exclude<keyof PartLines, 'slurs'>]: LineKind<PartLines[K][number]> };

/** Lines that overlap need different numbers; the standard has six. */
export function numbered<T extends { start: WrittenUnits; end: WrittenUnits }>(
  lines: readonly T[],
): { line: T; number: number }[] {
  const busyUntil: WrittenUnits[] = [];
  return [...lines]
    .sort((a, b) => a.start - b.start)
    .map((line) => {
      const free = busyUntil.findIndex((until) => until <= line.start);
      const slot = free >= 0 ? free : busyUntil.length;
      busyUntil[slot] = line.end;
      return { line, number: (slot % 6) + 1 };
    });
}
