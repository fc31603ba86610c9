import { Message, type SmfFile } from '../smf';

/* What the faders of a track do, before and after cleaning. */

export interface ControllerPoint {
  /** Quarter notes from the start. */
  at: number;
  value: number;
}

export interface ControllerPair {
  controller: number;
  before: ControllerPoint[];
  after: ControllerPoint[];
}

/** Controllers of one track chunk, by number. */
export function controllersIn(file: SmfFile, track: number): Map<number, ControllerPoint[]> {
  const quarter = file.division.kind === 'metrical' ? file.division.ticksPerQuarter : 960;
  const points = new Map<number, ControllerPoint[]>();
  for (const event of file.tracks[track]?.events ?? []) {
    if (event.kind !== 'channel' || (event.status & 0xf0) !== Message.controlChange) continue;
    const list = points.get(event.data1) ?? [];
    points.set(event.data1, list);
    list.push({ at: event.tick / quarter, value: event.data2 });
  }
  return points;
}
