/*
 * Tempo as it is played: marks where they stand, each time their bar is played; gradual words as steps; fermatas as a
 * moment of slower time.
 */
import { firstNotBefore } from '../../base';
import { symbolsOf, type Fermata, type Part, type Score, type TempoMark } from '../../score';
import {
  buildTempoMap,
  QUARTER,
  secondsAtTick,
  type Bpm,
  type Seconds,
  type Ticks,
  type WrittenUnits,
} from '../../time';
import type { TimeLine } from './time-line';

export interface PlayedTempo {
  at: WrittenUnits;
  bpm: Bpm;
}

/** Tells the clock time of places on the played time line. */
export function clockOf({ tempos }: { tempos: readonly PlayedTempo[] }): (at: WrittenUnits) => Seconds {
  // A map whose ticks are written units.
  const asTicks = (units: number): Ticks => units;
  const map = buildTempoMap(
    tempos.map(({ at, bpm }) => ({ tick: asTicks(at), microsecondsPerQuarter: 60_000_000 / bpm })),
    QUARTER,
  );
  return (at) => secondsAtTick(map, asTicks(at));
}

const SLOWER = /\b(?:rit|ritard|rall|slentando|allarg|calando|morendo)/i;
const FASTER = /\b(?:accel|string|stretto)/i;

function gradualIn(words: string): 'slower' | 'faster' | null {
  if (SLOWER.test(words)) return 'slower';
  return FASTER.test(words) ? 'faster' : null;
}
const BACK = /\ba\s+tempo\b|\btempo\s+(?:primo|i)\b/i;
/** Where no goal is written a gradual change ends here, at this share of the tempo. */
const SLOWER_TO = 0.72;
const FASTER_TO = 1.25;
const LONGEST: WrittenUnits = 16 * QUARTER;
const STEP: WrittenUnits = QUARTER;
/** By its shape, how much longer a fermata holds a note (common practice, no source). */
const HELD: Record<Fermata, number> = {
  normal: 1.8,
  angled: 1.4,
  square: 2.4,
  'double-angled': 1.25,
  'double-square': 3,
  'double-dot': 1.6,
  'half-curve': 1.6,
  curlew: 1.8,
};
/** Everybody stops for a caesura: the end of the note before it takes so much longer. */
const STOP: WrittenUnits = QUARTER / 4;
const STOPPED = 5;

/** Tempo marks in written time with the steps of gradual changes worked in. */
function writtenTempos(score: Score): PlayedTempo[] {
  const marks = [...score.tempos].sort((a, b) => a.at - b.at);
  const end = score.bars.at(-1)!.start + score.bars.at(-1)!.length;
  const list: PlayedTempo[] = [];
  let usual = marks[0]?.bpm ?? 120;
  marks.forEach((mark, i) => {
    const now = list.at(-1)?.bpm ?? mark.bpm;
    if (mark.words && BACK.test(mark.words) && !mark.shown) {
      list.push({ at: mark.at, bpm: usual });
      return;
    }
    const gradual = mark.words ? gradualIn(mark.words) : null;
    if (!gradual) {
      list.push({ at: mark.at, bpm: mark.bpm });
      usual = mark.bpm;
      return;
    }
    const next = marks[i + 1];
    // Where the steps are written out already, they are taken as they are.
    if (next && next.at - mark.at <= 2 * QUARTER && !next.shown && !next.words) {
      list.push({ at: mark.at, bpm: mark.bpm });
      return;
    }
    list.push(...steps(mark, now, gradual, next, end));
  });
  return list;
}

function steps(
  mark: TempoMark,
  from: Bpm,
  gradual: 'slower' | 'faster',
  next: TempoMark | undefined,
  end: WrittenUnits,
): PlayedTempo[] {
  const until = Math.min(next?.at ?? end, mark.at + LONGEST, end);
  const goes =
    next &&
    next.at === until &&
    !BACK.test(next.words ?? '') &&
    (gradual === 'slower' ? next.bpm < from : next.bpm > from);
  const to = goes ? next.bpm : from * (gradual === 'slower' ? SLOWER_TO : FASTER_TO);
  const count = Math.max(1, Math.round((until - mark.at) / STEP));
  return Array.from({ length: count }, (_, i) => ({
    at: mark.at + i * STEP,
    bpm: from + ((to - from) * (i + (goes ? 0.5 : 1))) / count,
  }));
}

export function playedTempos(score: Score, line: TimeLine): PlayedTempo[] {
  const written = writtenTempos(score);
  const holds = holdsOf(score);
  const list: PlayedTempo[] = [];
  const say = (at: WrittenUnits, bpm: Bpm) => {
    const last = list.at(-1);
    if (last?.at === at) last.bpm = bpm;
    else if (!last || Math.abs(last.bpm - bpm) > 1e-6) list.push({ at, bpm });
  };
  for (const { bar, start } of line.bars) {
    const { start: from, length } = score.bars[bar]!;
    const inForce = (at: WrittenUnits) => written.findLast((tempo) => tempo.at <= at)?.bpm ?? written[0]?.bpm ?? 120;
    say(list.length === 0 ? 0 : start, inForce(from));
    const events = [
      ...written
        .filter((tempo) => tempo.at > from && tempo.at < from + length)
        .map((tempo) => ({ at: tempo.at, bpm: tempo.bpm })),
      ...holds
        .filter((hold) => hold.at >= from && hold.at < from + length)
        .flatMap((hold) => [
          { at: hold.at, bpm: inForce(hold.at) / hold.by },
          ...(hold.end < from + length ? [{ at: hold.end, bpm: inForce(hold.end) }] : []),
        ]),
    ].sort((a, b) => a.at - b.at);
    for (const event of events) say(start + event.at - from, event.bpm);
  }
  return list.length > 0 ? list : [{ at: 0, bpm: 120 }];
}

interface Hold {
  at: WrittenUnits;
  end: WrittenUnits;
  /** How much longer it lasts. */
  by: number;
}

/** Where anybody holds a note or a rest, or everybody stops. */
function holdsOf(score: Score): Hold[] {
  const holds = new Map<WrittenUnits, Hold>();
  const add = (hold: Hold) => {
    const there = holds.get(hold.at);
    holds.set(hold.at, there ? { ...hold, end: Math.max(there.end, hold.end), by: Math.max(there.by, hold.by) } : hold);
  };
  for (const part of score.parts)
    for (const { symbol, bar } of symbolsOf(part)) {
      const { fermata, breath } = symbol.marks ?? {};
      const at = score.bars[bar]!.start + symbol.at;
      const end = at + symbol.duration;
      if (fermata) add({ at, end, by: HELD[fermata] });
      if (breath === 'caesura') add({ at: end - Math.min(STOP, symbol.duration / 2), end, by: STOPPED });
    }
  for (const [bar, signs] of Object.entries(score.signs)) if (signs.fermata) add(holdAtBarline(score, Number(bar)));
  const onsets = [...new Set(score.parts.flatMap((part) => onsetsOf(part, score)))].sort((a, b) => a - b);
  // Others may move under a held note: what is held is what stands when the last of them has struck.
  const late = [...holds.values()].map((hold) => ({ ...hold, at: Math.max(hold.at, lastBefore(onsets, hold.end)) }));
  const sorted = late.sort((a, b) => a.at - b.at);
  // A fermata in several voices that end together is one.
  return sorted.filter((hold, i, list) => i === 0 || hold.at >= list[i - 1]!.end);
}

function onsetsOf(part: Part, { bars }: Score): WrittenUnits[] {
  return [...symbolsOf(part)].flatMap(({ symbol, bar }) =>
    symbol.notes.length > 0 && !symbol.cue ? [bars[bar]!.start + symbol.at] : [],
  );
}

/** The last of rising places before one; −∞ where there is none. */
function lastBefore(places: readonly WrittenUnits[], end: WrittenUnits): WrittenUnits {
  return places[firstNotBefore(places, end, (at) => at) - 1] ?? -Infinity;
}

/** The last thing that begins in the bar is held. */
function holdAtBarline({ bars, parts }: Score, b: number): Hold {
  const { start, length } = bars[b]!;
  const places = parts.flatMap((part) =>
    (part.bars[b]?.voices ?? []).flatMap(({ symbols }) => symbols.map(({ at }) => at)),
  );
  return { at: start + Math.max(0, ...places), end: start + length, by: HELD.normal };
}
