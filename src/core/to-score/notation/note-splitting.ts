/*
 * Note splitting: one sound or rest becomes the fewest symbols that still show the meter.
 *
 *     4/4   from the 2nd eighth, five eighths long      ♪♩ ♩    →   eighth · quarter tied over the middle to quarter
 *
 * Every place in a bar has a level: 0 the barline, then the middle of the bar where it must be seen, the beats, half
 * beats and so on. A symbol may cross places weaker than its start; crossing a stronger one it is cut there and tied,
 * except for the usual simple syncopations (rules of notation handbooks, from memory).
 */
import { commonDivisor } from '../../base';
import { noteValue, type NoteValue } from '../../score';
import {
  barLength,
  beatGroups,
  isCompound,
  meterInWords,
  QUARTER,
  type Bar,
  type Meter,
  type WrittenUnits,
} from '../../time';

/** Level of a place; lower is stronger. */
export type LevelAt = (place: WrittenUnits) => number;

export interface Splitting {
  levelAt: LevelAt;
  /** Every place as strong as a beat's subdivision by the meter lies on multiples of this. */
  unit: WrittenUnits;
  /** Length of the beat, within which anything that is one symbol may stay one. */
  beat: WrittenUnits;
  /** Off-beat notes may cross a beat by half their length (not in compound meters, whose beats must be seen). */
  syncopation: boolean;
  barLength: WrittenUnits;
}

export interface Piece extends NoteValue {
  at: WrittenUnits;
}

/** Cuts [from, to) into symbols, in order. */
export function splitSpan(from: WrittenUnits, to: WrittenUnits, rest: boolean, rules: Splitting): Piece[] {
  // A broken place would be cut without end.
  if (!Number.isInteger(from) || !Number.isInteger(to) || to <= from)
    throw new RangeError(`no symbols from ${from} to ${to}`);
  const value = noteValue(to - from, rest ? 1 : 2);
  if (value && (rest ? restMayStand(from, to, value, rules) : noteMayStand(from, to, value, rules)))
    return [{ ...value, at: from }];
  const cut = bestCut(from, to, rules);
  if (cut === null) {
    if (value) return [{ ...value, at: from }];
    throw new RangeError(`no symbols for ${to - from} written units at ${from}`);
  }
  return [...splitSpan(from, cut, rest, rules), ...splitSpan(cut, to, rest, rules)];
}

/**
 * The strongest place inside; of equal ones the first after a weak start (eighth, half), the last after a strong one
 * (half, eighth).
 */
function bestCut(from: WrittenUnits, to: WrittenUnits, rules: Splitting): WrittenUnits | null {
  const { level, place } = crossed(from, to, rules);
  if (level === Infinity) return null;
  if (rules.levelAt(from) > level) return place;
  let last = place;
  const step = raster(from, to, rules);
  for (let at = place; at < to; at += step) if (rules.levelAt(at) === level) last = at;
  return last;
}

/** The strongest place strictly inside, the first where several are. */
function crossed(from: WrittenUnits, to: WrittenUnits, rules: Splitting): { level: number; place: WrittenUnits } {
  let level = Infinity;
  let strongest = from;
  const step = raster(from, to, rules);
  for (let place = from + step; place < to; place += step) {
    const here = rules.levelAt(place);
    if (here < level) {
      level = here;
      strongest = place;
    }
  }
  return { level, place: strongest };
}

/** Coarser places are stronger ones, so that only those need a look that lie on the span's own raster. */
function raster(from: WrittenUnits, to: WrittenUnits, { unit }: Splitting): WrittenUnits {
  const a = commonDivisor(commonDivisor(from, to), unit);
  // A span of one raster step: look one step finer, there is nothing to cut at otherwise.
  return a === to - from && Number.isInteger(a / 2) ? a / 2 : a;
}

function noteMayStand(from: WrittenUnits, to: WrittenUnits, value: NoteValue, rules: Splitting): boolean {
  if (from === 0 && to === rules.barLength) return true;
  const { level, place } = crossed(from, to, rules);
  const start = rules.levelAt(from);
  const length = to - from;
  if (level >= start) return value.dots < 2 || start <= 1 || length <= rules.beat;
  if (!rules.syncopation) return length < rules.beat && sameBeat(from, to, rules);
  // Within one beat a dotted value may follow a short one (sixteenth, dotted eighth).
  if (value.dots <= 1 && length < rules.beat && sameBeat(from, to, rules)) return true;
  const simple = value.dots === 0 && place - from === to - place && level === start - 1;
  const tail = value.dots === 1 && level === start - 1 && rules.levelAt(to) < level && length < 2 * rules.beat;
  return simple || tail;
}

function restMayStand(from: WrittenUnits, to: WrittenUnits, value: NoteValue, rules: Splitting): boolean {
  const { level } = crossed(from, to, rules);
  if (level === Infinity) return true;
  const start = rules.levelAt(from);
  if (value.dots === 1) return !rules.syncopation && level > start && to - from === rules.beat;
  // Undotted rests lie on multiples of themselves, so that every beat they hide is one they fill.
  return level > start && (rules.levelAt(to) <= start || rules.levelAt(to) < level);
}

function sameBeat(from: WrittenUnits, to: WrittenUnits, { beat }: Splitting): boolean {
  return Math.floor(from / beat) === Math.floor((to - 1) / beat);
}

/** The finest place a plain (not tuplet) symbol can start on: a 128th. */
export const FINEST: WrittenUnits = QUARTER / 32;

const splittings = new Map<string, Splitting>();

/** Rules for plain symbols in a bar, places counted from the bar's start; a pickup counts from the end of its meter. */
export function barSplitting(bar: Bar): Splitting {
  const slot = `${meterInWords(bar.meter)}/${bar.length}/${bar.index === 0}`;
  const known = splittings.get(slot);
  if (known) return known;
  const full = barLength(bar.meter);
  const offset = bar.implicit && bar.index === 0 ? full - bar.length : 0;
  const meterLevel = meterLevels(bar.meter);
  const rules: Splitting = {
    levelAt: (place) => (place === 0 || place === bar.length ? 0 : meterLevel(place + offset)),
    unit: (4 * QUARTER) / bar.meter.beatType,
    beat: beatGroups(bar.meter)[0]!,
    syncopation: !isCompound(bar.meter),
    barLength: bar.length,
  };
  splittings.set(slot, rules);
  return rules;
}

function meterLevels(meter: Meter): LevelAt {
  const full = barLength(meter);
  const groups = beatGroups(meter);
  const places = new Map<WrittenUnits, number>();
  let at = 0;
  groups.forEach((group, i) => {
    const strong = isMiddle(i, groups.length) || groups.length === 2 || groups.length === 3;
    if (i > 0) places.set(at, strong ? 1 : 2);
    at += group;
  });
  const beatLevel = groups.length > 3 ? 2 : 1;
  const unit = (4 * QUARTER) / meter.beatType;
  const inThrees = groups.some((group) => group === 3 * unit) && meter.beatType >= 8;
  return (place) => {
    if (place % full === 0) return 0;
    const known = places.get(place);
    if (known !== undefined) return known;
    // Below the beat: halves, or the eighths of a group of three, then halves of those.
    let level = beatLevel + 1;
    let size = inThrees || meter.beatType >= 8 ? unit : groups[0]! / 2;
    while (place % size !== 0 && size > 1) {
      size /= 2;
      level++;
    }
    return level;
  };
}

/** Middle of a bar of four beats; before the fourth of five (3 + 2); middle of six. */
function isMiddle(beat: number, beats: number): boolean {
  if (beats === 5) return beat === 3;
  return beats >= 4 && beats % 2 === 0 && beat === beats / 2;
}

/** Rules inside a tuplet, places and lengths counted as if it were plain: `units` units of `unit` written units. */
export function tupletSplitting(units: number, unit: WrittenUnits): Splitting {
  const finest = Math.max(1, unit / 8);
  return {
    levelAt: (place) => {
      if (place === 0 || place === units * unit) return 0;
      let level = 1;
      for (let size = unit; place % size !== 0 && size > finest; size /= 2) level++;
      return level;
    },
    unit,
    beat: units * unit,
    syncopation: true,
    barLength: units * unit,
  };
}
