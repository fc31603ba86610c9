/*
 * The studio's map: a Standard MIDI File with nothing but tempo, meters, keys and markers, as long as the music; a click and
 * bars counted in where they are wanted.
 */
import { encodeText, Message, Meta, type SmfEvent, type SmfFile, type SmfTrack } from '../smf';
import {
  beatGroups,
  barLength,
  buildTempoMap,
  meterOfLength,
  QUARTER,
  secondsAtTick,
  tempoInFile,
  type Meter,
  type Milliseconds,
  type Seconds,
  type TempoEvent,
  type Ticks,
  type WrittenUnits,
} from '../time';
import { thinTempo } from './thin-tempo';
import { offsetBytes, type FrameRate } from './time-code';
import type { StudioTimeLine } from './time-line';

export interface ClickSettings {
  /** 1–16 */
  channel: number;
  accentKey: number;
  beatKey: number;
  /** Key of the subdivisions; none are clicked when null. */
  halfKey: number | null;
}

export interface StudioMapSettings {
  ticksPerQuarter: number;
  /** How far the clock may be from the exact one; 0 keeps every change. */
  tolerance: Milliseconds;
  click: ClickSettings | null;
  /** Full bars of the first meter at the first tempo before the music. */
  countIn: number;
  /** Code at the first bar, as a count of frames. */
  start: { rate: FrameRate; frames: number } | null;
}

/** General MIDI 1 percussion: wood blocks and side stick. */
export const USUAL_CLICK: ClickSettings = { channel: 10, accentKey: 76, beatKey: 77, halfKey: null };

export const USUAL_STUDIO_MAP: StudioMapSettings = {
  ticksPerQuarter: 960,
  tolerance: 0,
  click: null,
  countIn: 0,
  start: null,
};

export interface StudioMap {
  file: SmfFile;
  /** What stands before the first bar. */
  countIn: { ticks: Ticks; seconds: Seconds };
  tempos: number;
  /** Largest distance of the clock from the exact one, over all tempo changes. */
  largest: Milliseconds;
}

export function studioMap(line: StudioTimeLine, settings: StudioMapSettings): StudioMap {
  const { ticksPerQuarter, countIn } = settings;
  const first = line.bars[0]!;
  const before = countIn * barLength(first.meter);
  const tick = (units: WrittenUnits): Ticks => Math.round(((units + before) * ticksPerQuarter) / QUARTER);
  const end = Math.round(((line.end / line.ticksPerQuarter) * QUARTER + before) * (ticksPerQuarter / QUARTER));
  const { events: tempos, largest } = temposOf(line, settings, tick(0));
  const events: SmfEvent[] = [meta(0, Meta.trackName, encodeText(line.title || 'Tempo'))];
  if (settings.start) events.push(meta(0, Meta.smpteOffset, offsetBytes(settings.start.frames, settings.start.rate)));
  for (const one of tempos) events.push(meta(one.tick, Meta.tempo, threeBytes(one.microsecondsPerQuarter)));
  events.push(...metersOf(line, tick, countIn > 0));
  for (const { at, fifths, mode } of line.keys)
    events.push(meta(tick(at), Meta.keySignature, [fifths & 0xff, mode === 'minor' ? 1 : 0]));
  if (countIn > 0)
    events.push(meta(0, Meta.marker, encodeText(countIn === 1 ? 'count-in' : `count-in, ${countIn} bars`)));
  for (const { at, text } of line.markers) events.push(meta(tick(at), Meta.marker, encodeText(text)));
  const tracks: SmfTrack[] = [{ events: inOrder(events), endTick: end }];
  if (settings.click) tracks.push(clickTrack(line, settings.click, { tick, countIn, before, end }));
  return {
    file: {
      format: 1,
      division: { kind: 'metrical', ticksPerQuarter },
      headerExtra: new Uint8Array(),
      tracks,
      unknownChunks: [],
    },
    countIn: { ticks: tick(0), seconds: (tick(0) / ticksPerQuarter) * (tempos[0]!.microsecondsPerQuarter / 1e6) },
    tempos: tempos.length,
    largest: largest * 1000,
  };
}

/** The tempo on another grid of ticks, and as few changes of it as the tolerance allows. */
function temposOf(line: StudioTimeLine, { ticksPerQuarter, tolerance }: StudioMapSettings, shift: Ticks) {
  const end = Math.round((line.end * ticksPerQuarter) / line.ticksPerQuarter);
  const exact = regridded(line, ticksPerQuarter, end);
  const map = buildTempoMap(exact.events, ticksPerQuarter);
  // What the grid has taken of the tolerance is not there to be taken again.
  const { events, largest } = thinTempo(map, end, Math.max(0, tolerance / 1000 - exact.largest));
  const moved = events.map((event, i) => ({ ...event, tick: i === 0 ? 0 : shift + event.tick }));
  return { events: moved, largest: largest + exact.largest };
}

/** Each change as near as there is a tick; where it falls between two, its neighbours make good for it. */
function regridded({ tempo, ticksPerQuarter, end }: StudioTimeLine, grid: number, gridEnd: Ticks) {
  const scale = grid / ticksPerQuarter;
  const before = tempo.events.filter(({ tick }) => tick < end || tick === 0);
  if (Number.isInteger(scale))
    return { events: before.map((event) => ({ ...event, tick: event.tick * scale })), largest: 0 };
  const ticks = [...new Set(before.map((event) => Math.round(event.tick * scale)))];
  const events: TempoEvent[] = [];
  let now = 0;
  let largest = 0;
  ticks.forEach((tick, i) => {
    const next = ticks[i + 1] ?? Math.max(gridEnd, tick + 1);
    const target = secondsAtTick(tempo, next / scale);
    const quarters = (next - tick) / grid;
    const microseconds = tempoInFile(((target - now) * 1e6) / quarters);
    now += (microseconds * quarters) / 1e6;
    largest = Math.max(largest, Math.abs(now - target));
    events.push({ tick, microsecondsPerQuarter: microseconds });
  });
  return { events, largest };
}

function metersOf({ bars }: StudioTimeLine, tick: (units: WrittenUnits) => Ticks, countedIn: boolean): SmfEvent[] {
  const events: SmfEvent[] = [];
  let now = '';
  const say = (at: Ticks, { beats, beatType }: Meter) => {
    if (`${beats}/${beatType}` === now) return;
    now = `${beats}/${beatType}`;
    events.push(meta(at, Meta.timeSignature, [beats, Math.log2(beatType), 24, 8]));
  };
  if (countedIn) say(0, bars[0]!.meter);
  for (const bar of bars) {
    // A bar that is cut short says so by a meter of its own length, where one can be written.
    const { meter } = bar;
    say(tick(bar.start), bar.length === barLength(meter) ? meter : (meterOfLength(bar.length) ?? meter));
  }
  return events;
}

interface Layout {
  tick: (units: WrittenUnits) => Ticks;
  countIn: number;
  before: WrittenUnits;
  end: Ticks;
}

function clickTrack(line: StudioTimeLine, click: ClickSettings, { tick, countIn, before, end }: Layout): SmfTrack {
  const events: SmfEvent[] = [meta(0, Meta.trackName, encodeText('Click'))];
  const channel = click.channel - 1;
  const strike = (at: Ticks, key: number, velocity: number) => {
    events.push({ kind: 'channel', tick: at, status: Message.noteOn | channel, data1: key, data2: velocity });
    events.push({ kind: 'channel', tick: at + CLICK_TICKS, status: Message.noteOff | channel, data1: key, data2: 64 });
  };
  const bar = (start: WrittenUnits, length: WrittenUnits, meter: Meter) => {
    const full = barLength(meter);
    // A pickup has the last beats of its meter.
    let at = start === 0 && length < full ? -(full - length) : 0;
    for (const group of beatGroups(meter)) {
      if (at >= 0 && at < length) {
        strike(tick(start + at), at === 0 && length === full ? click.accentKey : click.beatKey, at === 0 ? 120 : 96);
        const half = click.halfKey !== null && at + group / 2 < length ? click.halfKey : null;
        if (half !== null) strike(tick(start + at + group / 2), half, 64);
      }
      at += group;
    }
  };
  const { meter } = line.bars[0]!;
  for (let i = 0; i < countIn; i++) bar(i * barLength(meter) - before, barLength(meter), meter);
  for (const { start, length, meter: own } of line.bars) bar(start, length, own);
  return { events: inOrder(events), endTick: end };
}

const CLICK_TICKS: Ticks = 30;

const meta = (tick: Ticks, type: number, data: ArrayLike<number>): SmfEvent => ({
  kind: 'meta',
  tick,
  type,
  data: Uint8Array.from(data),
});

const threeBytes = (n: number) => [(n >> 16) & 0xff, (n >> 8) & 0xff, n & 0xff];

/** Stable: at one place names come first, releases before strikes. */
function inOrder(events: SmfEvent[]): SmfEvent[] {
  const rank = (event: SmfEvent) => (event.kind === 'channel' && (event.status & 0xf0) === Message.noteOn ? 1 : 0);
  return events
    .map((event, i) => ({ event, i }))
    .sort((a, b) => a.event.tick - b.event.tick || rank(a.event) - rank(b.event) || a.i - b.i)
    .map(({ event }) => event);
}
