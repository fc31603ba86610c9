/*
 * Bars of all parts made one: how long each bar of the score is, whatever single voices say.
 */
import { barLength, COMMON_TIME, type Bar, type Meter, type WrittenUnits } from '../../time';
import type { MusicXmlWarning } from './errors';
import type { RawScore } from './raw';

/** Bars like those of the meter, except where the parts agree on another length: pickups, bars cut by a repeat, cadenzas. */
export function barsOf({ parts }: RawScore, warnings: MusicXmlWarning[]): Bar[] {
  const count = Math.max(...parts.map((part) => part.measures.length));
  const bars: Bar[] = [];
  let start: WrittenUnits = 0;
  let meter: Meter = COMMON_TIME;
  let number = 0;
  for (let b = 0; b < count; b++) {
    const here = parts.flatMap((part) => part.measures[b] ?? []);
    meter = here.find((one) => one.meter)?.meter ?? meter;
    const full = barLength(meter);
    const reaches = here.filter((one) => one.notes.some((note) => !note.wholeBarRest && !note.grace)).map((one) => one.reach);
    const longest = Math.max(0, ...reaches);
    const implicit = here.some((one) => one.implicit);
    const length = lengthOf(longest, full, reaches, implicit, b === 0);
    const said = here.map((one) => one.number).find((one) => /^\d+$/.test(one));
    if (b === 0) number = said !== undefined ? Number(said) : length < full ? 0 : 1;
    else if (said !== undefined && !implicit) number = Number(said);
    else number += here.every((one) => one.implicit) && length < full ? 0 : 1;
    if (longest > length) {
      const part = parts.find((one) => (one.measures[b]?.reach ?? 0) > length)!;
      warnings.push({ part: part.id, bar: b, line: part.measures[b]!.line, message: `a voice is longer than the bar; what reaches over its end is cut off` });
    }
    bars.push({ index: b, number, start, length, meter, implicit: length !== full });
    start += length;
  }
  return bars;
}

function lengthOf(longest: WrittenUnits, full: WrittenUnits, reaches: readonly WrittenUnits[], implicit: boolean, first: boolean): WrittenUnits {
  if (longest === 0) return full;
  if (longest < full) return implicit || first ? longest : full;
  if (longest === full) return full;
  // Several parts that agree mean it; a single voice that is too long is a slip.
  const agreeing = reaches.filter((reach) => reach === longest).length;
  return implicit || (agreeing * 2 > reaches.length && longest <= 4 * full && (reaches.length > 1 || longest <= 2 * full)) ? longest : full;
}
