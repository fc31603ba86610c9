/* The time line of a job as a studio needs it: bars, tempo, meters, keys, markers, on one clock. */
import type { KeyEvent, Performance } from '../performance';
import {
  barLength,
  beatGroups,
  bpmFromMicroseconds,
  buildTempoMap,
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
  /** Which playing of the written bar it is, from 1. */
  pass: number;
  /** Silence at its beginning: what fills a pickup up to a full bar. */
  silence: WrittenUnits;
  /** Which bar of the count-in it is, from 1; 0 for the music's own. */
  countIn: number;
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

/** A bar as it is played: its music begins at `start`, after the silence that pads it. */
export interface PlacedBar {
  bar: Bar;
  start: WrittenUnits;
  silence?: WrittenUnits;
  /** It fills up the bar before it: both are one. */
  joins?: boolean;
}

/** @param bars in the order they are played, on the performance's time line */
export function timeLineOf(performance: Performance, bars: readonly PlacedBar[]): StudioTimeLine {
  const { tempo, ticksPerQuarter, lastNoteEnd } = performance;
  const tick = (units: WrittenUnits): Ticks => ticksFromUnits(units, ticksPerQuarter);
  const last = bars.at(-1)!;
  const end = Math.max(tick(last.start + last.bar.length), lastNoteEnd);
  const passes = new Map<number, number>();
  const laid: StudioBar[] = [];
  for (const { bar, start, silence = 0, joins } of bars) {
    const pass = (passes.get(bar.index) ?? 0) + 1;
    passes.set(bar.index, pass);
    const before = laid.at(-1);
    if (joins && before) {
      before.length += bar.length;
      continue;
    }
    laid.push({
      index: bar.index,
      written: bar.start,
      number: bar.number,
      start: start - silence,
      length: bar.length + silence,
      meter: bar.meter,
      at: secondsAtTick(tempo, tick(start - silence)),
      pass,
      silence,
      countIn: 0,
    });
  }
  return {
    title: performance.title,
    ticksPerQuarter,
    tempo,
    bars: laid,
    keys: performance.keys,
    markers: performance.markers.map((marker) => ({
      at: writtenUnits(marker.tick, ticksPerQuarter),
      text: marker.text,
    })),
    end,
    seconds: secondsAtTick(tempo, end),
  };
}

/**
 * The line with bars counted in before it: everything that leaves for a studio is laid out on this one.
 *
 *     music        |1      |2            counted in by one    |count-in|1      |2
 *
 * @param bars full bars of the first meter at the first tempo
 */
export function countedIn(line: StudioTimeLine, bars: number): StudioTimeLine {
  const first = line.bars[0];
  if (bars === 0 || !first) return line;
  const { tempo, ticksPerQuarter } = line;
  const length = barLength(first.meter);
  const before = bars * length;
  const ticks = (before * ticksPerQuarter) / QUARTER;
  const events = tempo.events.map((event, i) => (i === 0 ? event : { ...event, tick: event.tick + ticks }));
  const shifted = buildTempoMap(events, ticksPerQuarter);
  const seconds = secondsAtTick(shifted, ticks);
  const counted = Array.from({ length: bars }, (_, i): StudioBar => ({
    ...first,
    number: first.number - bars + i,
    start: i * length,
    length,
    at: (i * seconds) / bars,
    pass: 1,
    silence: 0,
    countIn: i + 1,
  }));
  return {
    ...line,
    tempo: shifted,
    bars: [...counted, ...line.bars.map((bar) => ({ ...bar, start: bar.start + before, at: bar.at + seconds }))],
    keys: line.keys.map((key) => ({ ...key, at: key.at === 0 ? 0 : key.at + before })),
    markers: [
      { at: 0, text: bars === 1 ? 'count-in' : `count-in, ${bars} bars` },
      ...line.markers.map((marker) => ({ ...marker, at: marker.at + before })),
    ],
    end: line.end + ticks,
    seconds: line.seconds + seconds,
  };
}

/** Where a click strikes: every beat of every bar, also in silence and in what is counted in. */
export interface ClickBeat {
  at: WrittenUnits;
  length: WrittenUnits;
  /** First of a full bar. */
  accent: boolean;
  /** First of its bar. */
  first: boolean;
}

export function clickBeats({ bars }: StudioTimeLine): ClickBeat[] {
  return bars.flatMap(({ index, countIn, start, length, meter }) => {
    const full = barLength(meter);
    const beats: ClickBeat[] = [];
    // A pickup has the last beats of its meter.
    let at = index === 0 && countIn === 0 && length < full ? length - full : 0;
    for (const group of beatGroups(meter)) {
      if (at >= 0 && at < length) {
        const room = Math.min(group, length - at);
        beats.push({ at: start + at, length: room, accent: at === 0 && length === full, first: at === 0 });
      }
      at += group;
    }
    return beats;
  });
}

/** Bar 1 on the stands; where none is, the first of the music. */
export function barOneOf({ bars }: StudioTimeLine): { index: number; bar: StudioBar } {
  const music = bars.findIndex(({ countIn }) => countIn === 0);
  const one = bars.findIndex(({ number, countIn }) => countIn === 0 && number === 1);
  const index = Math.max(0, one >= 0 ? one : music);
  return { index, bar: bars[index]! };
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
    const written = bar.written + Math.max(0, at - bar.start - bar.silence);
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
