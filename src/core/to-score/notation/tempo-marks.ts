/*
 * Tempo marks: which tempo changes are printed.
 *
 * Takes the tempo map; gives every change for playback, shown where it is the first, or differs from the last shown one
 * and lasts. The many small steps of a ritardando are played, not printed.
 */
import type { TempoPrint } from '../../settings';
import { thinTempo } from '../../studio';
import {
  bpmFromMicroseconds,
  QUARTER,
  ticksFromUnits,
  writtenUnits,
  type Bpm,
  type Milliseconds,
  type TempoEvent,
  type TempoMap,
  type WrittenUnits,
} from '../../time';
import type { TempoMark } from '../../score';
import type { TempoWords } from './texts';

const NOTICEABLE = 0.025;
const LASTS: WrittenUnits = 3 * QUARTER;

/** Which changes are printed. */
export interface TempoPrinting {
  which: TempoPrint;
  /** Printed tempos may be so far from the played ones; 0 looks at every change by itself. */
  tolerance: Milliseconds;
  /** Where sections begin. */
  markers: readonly WrittenUnits[];
}

const EVERY_CHANGE: TempoPrinting = { which: 'all', tolerance: 0, markers: [] };

/** @param said words of tempo in the file; each goes to the tempo change at its place, or stands by itself */
export function tempoMarks(
  tempo: TempoMap,
  end: WrittenUnits,
  said: readonly TempoWords[] = [],
  printing = EVERY_CHANGE,
): TempoMark[] {
  const marks = inUnits(tempo.events, tempo.ticksPerQuarter).filter(({ at }) => at < end || at === 0);
  const candidates = printing.tolerance > 0 ? thinned(tempo, end, printing.tolerance) : marks;
  const printed = new Map(worthPrinting(candidates, printing).map((mark) => [mark.at, mark.bpm]));
  const list: TempoMark[] = marks.map(({ at, bpm }) => {
    const shownBpm = printed.get(at);
    if (shownBpm === undefined) return { at, bpm, shown: false };
    return { at, bpm, shown: true, ...(shownBpm !== bpm && { printed: shownBpm }) };
  });
  return withTempoWords(list, said);
}

/** Words of tempo on the marks at their places; where there is none they stand by themselves. */
export function withTempoWords(marks: readonly TempoMark[], said: readonly TempoWords[]): TempoMark[] {
  const list = marks.map((mark) => ({ ...mark }));
  for (const { at, words } of said) {
    const here = list.find((mark) => Math.abs(mark.at - at) < QUARTER / 2);
    if (here) here.words = here.words ? `${here.words} ${words}` : words;
    else list.push({ at, words, bpm: list.findLast((mark) => mark.at <= at)?.bpm ?? list[0]!.bpm, shown: false });
  }
  return list.sort((a, b) => a.at - b.at);
}

interface Change {
  at: WrittenUnits;
  bpm: Bpm;
}

const inUnits = (events: readonly TempoEvent[], ticksPerQuarter: number): Change[] =>
  events.map(({ tick, microsecondsPerQuarter }) => ({
    at: writtenUnits(tick, ticksPerQuarter),
    bpm: Math.round(bpmFromMicroseconds(microsecondsPerQuarter) * 1000) / 1000,
  }));

/** Few tempos that are never further from the clock than the tolerance; they begin where exact ones do. */
function thinned(tempo: TempoMap, end: WrittenUnits, tolerance: Milliseconds): Change[] {
  const { ticksPerQuarter } = tempo;
  const { events } = thinTempo(tempo, ticksFromUnits(end, ticksPerQuarter), tolerance / 1000);
  return inUnits(events, ticksPerQuarter);
}

function worthPrinting(changes: readonly Change[], { which, tolerance, markers }: TempoPrinting): Change[] {
  if (which === 'none') return [];
  if (which === 'first') return changes.slice(0, 1);
  const inSections = which === 'sections' ? firstOfSections(changes, markers) : changes;
  let shownBpm = 0;
  return inSections.filter(({ at, bpm }, i) => {
    const lasts = (inSections[i + 1]?.at ?? Infinity) - at >= LASTS;
    const worth = i === 0 || ((lasts || tolerance > 0) && Math.abs(bpm / shownBpm - 1) > NOTICEABLE);
    if (worth) shownBpm = bpm;
    return worth;
  });
}

/** The first change at or after each marker, up to the next one. */
function firstOfSections(changes: readonly Change[], markers: readonly WrittenUnits[]): Change[] {
  const begins = [0, ...markers];
  return changes.filter(({ at }, i) => {
    const section = begins.findLast((marker) => marker <= at) ?? 0;
    return i === 0 || changes[i - 1]!.at < section;
  });
}
