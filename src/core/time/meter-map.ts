import { say } from '../words';
import { lastNotAfter } from './tempo-map';
import { QUARTER, type WrittenUnits } from './units';

export interface Meter {
  /** Beats a bar as written: the upper number. */
  beats: number;
  /** The lower number: 1, 2, 4, 8, 16, 32 or 64. */
  beatType: number;
  /** How the upper number is written as a sum, where it is: 3+2 of 5/8. */
  groups?: readonly number[];
  /** Written as a sign: C, or C with a stroke. */
  symbol?: 'common' | 'cut';
}

/** Whether two meters are written alike. */
export function sameMeter(a: Meter, b: Meter): boolean {
  return (
    a.beats === b.beats &&
    a.beatType === b.beatType &&
    a.symbol === b.symbol &&
    (a.groups ?? []).join('+') === (b.groups ?? []).join('+')
  );
}

/** As people write it: 3/4, 3+2+2/8. */
export const meterInWords = ({ beats, beatType, groups }: Meter): string => `${groups?.join('+') ?? beats}/${beatType}`;

/** A meter whose beats are counted in such groups; they are written where nobody would count so without being told. */
export function groupedMeter(plain: Meter, groups: readonly number[]): Meter {
  const usual = beatGroups(plain).map((length) => (length * plain.beatType) / (4 * QUARTER));
  return usual.join() === groups.join() ? plain : { ...plain, groups };
}

export interface MeterEvent extends Meter {
  at: WrittenUnits;
}

/** The bar that begins there has this number. */
export interface BarNumber {
  at: WrittenUnits;
  number: number;
}

/** One bar of the score's time line. */
export interface Bar {
  /** 0 for the first bar on the line, whatever its number. */
  index: number;
  /** The number on the paper: 0 for a pickup bar, 1 for the first full bar. */
  number: number;
  start: WrittenUnits;
  length: WrittenUnits;
  meter: Meter;
  /** Shorter or longer than its meter says: a pickup, or a bar cut by the next meter. */
  implicit: boolean;
  /** Written without a meter (senza misura). */
  free?: true;
}

export const COMMON_TIME: Meter = { beats: 4, beatType: 4 };

export function barLength(meter: Meter): WrittenUnits {
  return (meter.beats * 4 * QUARTER) / meter.beatType;
}

/** 6/8, 9/8, 12/8 …: beats of three; 3/8 counts as one such beat. */
export function isCompound(meter: Meter): boolean {
  return meter.beatType >= 8 && meter.beats % 3 === 0;
}

/**
 * The lengths of a bar's beat groups, in order: four quarters in 4/4, two dotted quarters in 6/8, 3+2 eighths in 5/8,
 * 2+2+3 eighths in 7/8 (common practice), unless the meter itself is written as a sum.
 */
export function beatGroups(meter: Meter): WrittenUnits[] {
  const unit = (4 * QUARTER) / meter.beatType;
  if (meter.groups) return meter.groups.map((count) => unit * count);
  if (isCompound(meter)) return Array<WrittenUnits>(meter.beats / 3).fill(unit * 3);
  if (meter.beatType < 8) return Array<WrittenUnits>(meter.beats).fill(unit);
  if (meter.beats % 2 === 0 || meter.beats < 3) {
    return meter.beats < 3 ? [unit * meter.beats] : Array<WrittenUnits>(meter.beats / 2).fill(unit * 2);
  }
  if (meter.beats === 5) return [unit * 3, unit * 2];
  return [...Array<WrittenUnits>((meter.beats - 3) / 2).fill(unit * 2), unit * 3];
}

export interface Beat {
  start: WrittenUnits;
  length: WrittenUnits;
  /** Bar index. */
  bar: number;
  /** The beat falls into three by nature: a dotted quarter in 6/8. */
  compound: boolean;
}

/** The beat groups of a bar, placed. A pickup keeps the last beats of its meter, a cut bar the first ones. */
export function beatsOfBar(bar: Bar): Beat[] {
  const groups = beatGroups(bar.meter);
  const full = barLength(bar.meter);
  const offset = bar.implicit && bar.index === 0 ? full - bar.length : 0;
  const beats: Beat[] = [];
  let at = -offset;
  for (const group of groups) {
    const start = Math.max(at, 0);
    const end = Math.min(at + group, bar.length);
    const threes = Math.round((group * bar.meter.beatType) / (4 * QUARTER)) === 3 && bar.meter.beatType >= 8;
    if (end > start)
      beats.push({
        start: bar.start + start,
        length: end - start,
        bar: bar.index,
        compound: threes && end - start === group,
      });
    at += group;
  }
  return beats;
}

/**
 * Lays bars from 0 until `end` is covered (at least one bar).
 *
 * A meter that arrives inside a bar cuts that bar short. A first bar that is shorter than the bar after it, by a meter
 * change and nothing else, is a pickup: it takes the meter of the second bar and the number 0. Where meters change on and
 * on it is a bar like the others.
 *
 *     1/4 |4/4          |            pickup  bar 1          bar 2
 *     x   |x   x  x  x  |     →      (0)     |4/4 ...       | ...
 */
export function layBars(events: readonly MeterEvent[], end: WrittenUnits, numbering: readonly BarNumber[] = []): Bar[] {
  const meters = [...events].sort((a, b) => a.at - b.at);
  if (meters[0]?.at !== 0) meters.unshift({ ...COMMON_TIME, at: 0 });
  const bars: Bar[] = [];
  let at: WrittenUnits = 0;
  let current = 0;
  do {
    while (meters[current + 1] && meters[current + 1]!.at <= at) current++;
    const { beats, beatType, groups } = meters[current]!;
    const meter: Meter = { beats, beatType, ...(groups && { groups }) };
    const next = meters[current + 1]?.at ?? Infinity;
    const full = barLength(meter);
    const length = Math.min(full, next - at);
    bars.push({ index: bars.length, number: bars.length + 1, start: at, length, meter, implicit: length !== full });
    at += length;
  } while (at < end);
  return countAnew(numberBars(markPickup(bars, meters)), numbering);
}

function markPickup(bars: Bar[], meters: readonly MeterEvent[]): Bar[] {
  const [first, second] = bars;
  if (!first || !second || first.length >= second.length) return bars;
  const changed = first.meter.beats !== second.meter.beats || first.meter.beatType !== second.meter.beatType;
  if (!first.implicit && (!changed || isOneOfMany(first, second, meters))) return bars;
  return [{ ...first, meter: second.meter, implicit: true }, ...bars.slice(1)];
}

/** The next meter stays for a single bar, the first one comes again: music of changing meters, and no pickup. */
function isOneOfMany(first: Bar, second: Bar, meters: readonly MeterEvent[]): boolean {
  const later = meters.filter(({ at }) => at > second.start);
  const isAs = (one: Meter, other: Meter) => one.beats === other.beats && one.beatType === other.beatType;
  const comesAgain = later.some((one) => isAs(one, first.meter));
  const staysOneBar = later.some((one) => one.at <= second.start + second.length && !isAs(one, second.meter));
  const isLong = 2 * first.length > second.length;
  return isLong ? staysOneBar || comesAgain : staysOneBar && comesAgain;
}

function numberBars(bars: Bar[]): Bar[] {
  const first = bars[0]?.implicit && bars.length > 1 && bars[0].length < barLength(bars[0].meter) ? 0 : 1;
  return bars.map((bar, i) => ({ ...bar, number: first + i }));
}

/** From a bar that begins at such a place they are counted as was said, and on from there. */
function countAnew(bars: Bar[], numbering: readonly BarNumber[]): Bar[] {
  if (numbering.length === 0) return bars;
  const saidAt = new Map(numbering.map(({ at, number }) => [at, number]));
  let number: number | null = null;
  return bars.map((bar) => {
    const said = saidAt.get(bar.start);
    if (said !== undefined) number = said;
    else if (number !== null) number++;
    return number === null ? bar : { ...bar, number };
  });
}

/** The plainest meter of a length: quarters where they fit, then eighths and smaller; null where none does. */
export function meterOfLength(length: WrittenUnits): Meter | null {
  for (const beatType of [4, 8, 16, 32]) {
    const beats = (length * beatType) / (4 * QUARTER);
    if (Number.isInteger(beats) && beats > 0 && beats < 256) return { beats, beatType };
  }
  return null;
}

/** Index of the bar that holds `at`; places before the first bar give 0, after the last one the last. */
export function barIndexAt(barStarts: ArrayLike<WrittenUnits>, at: number): number {
  return lastNotAfter(barStarts, at);
}

export interface BarBeat {
  /** Bar number as printed. */
  bar: number;
  /** 1 is the downbeat; fractions count within the beat of the meter's lower number. */
  beat: number;
}

/** The bar and beat of a place, for reading out to people. */
export function barBeat(bars: readonly Bar[], at: number): BarBeat {
  const starts = bars.map((bar) => bar.start);
  const bar = bars[barIndexAt(starts, at)]!;
  const beat = 1 + ((at - bar.start) * bar.meter.beatType) / (4 * QUARTER);
  return { bar: bar.number, beat: Math.round(beat * 1000) / 1000 };
}

/** "beat 3"; off the beat "after beat 3" or, where the next one is nearer, "just before beat 4". */
export function beatInWords(beat: number): string {
  const whole = Math.floor(beat);
  const off = beat - whole;
  if (off < 0.001) return say('time.beatWhole', { whole });
  return off < NEARER_TO_NEXT
    ? say('time.afterBeatWhole', { whole })
    : say('time.justBeforeBeatWhole', { whole: whole + 1 });
}
const NEARER_TO_NEXT = 0.6;

/** "bar 9, beat 3" */
export function placeInWords(bars: readonly Bar[], at: number): string {
  const { bar, beat } = barBeat(bars, at);
  return say('time.barBarBeatInWords', { bar, beatInWords: beatInWords(beat) });
}
