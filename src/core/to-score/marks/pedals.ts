/*
 * Pedal: where controller 64 is held, from half its way on (MIDI 1.0: 0–63 off, 64–127 on).
 *
 * Takes the part's controllers; gives pedal lines at written places: a press belongs to the strike nearest to it, a
 * release to the place where the next press or the silence begins.
 */
import type { PedalMark } from '../../score';
import { QUARTER, type PlayedUnits, type WrittenUnits } from '../../time';
import type { ControlPoint, PlayedPart } from './marked-part';

const SUSTAIN = 64;
const ON = 64;
/** Pedals change a little after the note they are changed for. */
const LATE: WrittenUnits = QUARTER / 2;

/** @param end of the piece */
export function findPedals({ strikes, controls }: PlayedPart, end: WrittenUnits): PedalMark[] {
  const places = [...new Set(strikes.flatMap((strike) => [strike.start, strike.end]))].sort((a, b) => a - b);
  if (places.length === 0) return [];
  const near = (at: PlayedUnits) => places.reduce((a, b) => (away(b, at) < away(a, at) ? b : a));
  const marks: PedalMark[] = [];
  for (const [down, up] of presses(controls.get(SUSTAIN) ?? [], end)) {
    const start = near(down);
    const stop = Math.min(near(up), end);
    const last = marks.at(-1);
    if (last && last.end > start) last.end = start;
    if (stop > start) marks.push({ start, end: stop });
  }
  return marks.filter((mark) => mark.end > mark.start);
}

/** A place before the press is nearer than one as far behind it. */
function away(place: WrittenUnits, at: PlayedUnits): number {
  return place <= at ? Math.max(0, at - place - LATE / 2) : (place - at) * 1.5;
}

function presses(points: readonly ControlPoint[], end: WrittenUnits): [PlayedUnits, PlayedUnits][] {
  const found: [PlayedUnits, PlayedUnits][] = [];
  let down: PlayedUnits | null = null;
  for (const { at, value } of points) {
    if (value >= ON && down === null) down = at;
    else if (value < ON && down !== null) {
      found.push([down, at]);
      down = null;
    }
  }
  if (down !== null) found.push([down, end]);
  return found;
}
