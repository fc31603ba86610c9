/* The time line of a job as a studio needs it: bars, tempo, meters, keys, markers, on one clock. */
import type { KeyEvent, Performance } from '../performance';
import {
  bpmFromMicroseconds,
  lastNotAfter,
  meterInWords,
  QUARTER,
  secondsAtTick,
  ticksFromUnits,
  writtenUnits,
  type Bar,
  type Bpm,
  type Meter,
  type Seconds,
  type TempoMap,
  type Ticks,
  type WrittenUnits,
} from '../time';

export interface StudioBar {
  /** Of the written bar. */
  index: number;
  /** Where it stands in the score; `start` is where it is played. */
  written: WrittenUnits;
  /** As on the stands. */
  number: number;
  start: WrittenUnits;
  length: WrittenUnits;
  meter: Meter;
  at: Seconds;
}

export interface StudioTimeLine {
  title: string;
  ticksPerQuarter: number;
  tempo: TempoMap;
  /** In the order they are played. */
  bars: StudioBar[];
  keys: KeyEvent[];
  markers: { at: WrittenUnits; text: string }[];
  /** End of the last bar, and the end of the last sound where that is later. */
  end: Ticks;
  seconds: Seconds;
}

/** @param bars in the order they are played, on the performance's time line */
export function timeLineOf(
  performance: Performance,
  bars: readonly { bar: Bar; start: WrittenUnits }[],
): StudioTimeLine {
  const { tempo, ticksPerQuarter, lastNoteEnd } = performance;
  const tick = (units: WrittenUnits): Ticks => ticksFromUnits(units, ticksPerQuarter);
  const last = bars.at(-1)!;
  const end = Math.max(tick(last.start + last.bar.length), lastNoteEnd);
  return {
    title: performance.title,
    ticksPerQuarter,
    tempo,
    bars: bars.map(({ bar, start }) => ({
      index: bar.index,
      written: bar.start,
      number: bar.number,
      start,
      length: bar.length,
      meter: bar.meter,
      at: secondsAtTick(tempo, tick(start)),
    })),
    keys: performance.keys,
    markers: performance.markers.map((marker) => ({
      at: writtenUnits(marker.tick, ticksPerQuarter),
      text: marker.text,
    })),
    end,
    seconds: secondsAtTick(tempo, end),
  };
}

/** Where a place is in the bars, by their starts: 1 is the first beat of the meter's lower number. */
function placeIn(bars: readonly StudioBar[], starts: readonly WrittenUnits[], at: WrittenUnits) {
  const played = lastNotAfter(starts, at);
  const bar = bars[played]!;
  const beat = 1 + ((at - bar.start) * bar.meter.beatType) / (4 * QUARTER);
  return { played, bar, beat: Math.round(beat * 1000) / 1000 };
}

export type ChangeKind = 'tempo' | 'meter' | 'key' | 'marker';

/** Something that changes, or stands, at a place. */
export interface Change {
  kind: ChangeKind;
  /** Of the played bar in the time line. */
  played: number;
  bar: number;
  beat: number;
  at: WrittenUnits;
  /** The same place in the score. */
  written: WrittenUnits;
  seconds: Seconds;
  bpm?: Bpm;
  meter?: Meter;
  key?: { fifths: number; mode: 'major' | 'minor' };
  text?: string;
}

/** Every change in order of time. */
export function changesOf(line: StudioTimeLine): Change[] {
  const { bars, tempo, ticksPerQuarter } = line;
  const starts = bars.map(({ start }) => start);
  const made = (kind: ChangeKind, at: WrittenUnits, more: Partial<Change>): Change => {
    const { played, bar, beat } = placeIn(bars, starts, at);
    const seconds = secondsAtTick(tempo, ticksFromUnits(at, ticksPerQuarter));
    const written = bar.written + at - bar.start;
    return { kind, played, bar: bar.number, beat, at, written, seconds, ...more };
  };
  const meters = bars.flatMap((bar, i) => {
    const before = bars[i - 1]?.meter;
    return before && meterInWords(before) === meterInWords(bar.meter)
      ? []
      : [made('meter', bar.start, { meter: bar.meter })];
  });
  const tempos = tempo.events.map(({ tick, microsecondsPerQuarter }) =>
    made('tempo', writtenUnits(tick, ticksPerQuarter), { bpm: bpmFromMicroseconds(microsecondsPerQuarter) }),
  );
  const keys = line.keys.map(({ at, fifths, mode }) => made('key', at, { key: { fifths, mode } }));
  const markers = line.markers.map(({ at, text }) => made('marker', at, { text }));
  const order: readonly ChangeKind[] = ['marker', 'meter', 'key', 'tempo'];
  return [...meters, ...tempos, ...keys, ...markers].sort(
    (a, b) => a.at - b.at || order.indexOf(a.kind) - order.indexOf(b.kind),
  );
}
