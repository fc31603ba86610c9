/*
 * The studio's map: a Standard MIDI File with nothing but tempo, meters, keys and markers, as long as the music; a click and
 * bars counted in where they are wanted.
 */
import { encodeText, Message, Meta, type SmfEvent, type SmfFile, type SmfTrack } from '../smf';
import {
  barLength,
  buildTempoMap,
  meterOfLength,
  QUARTER,
  secondsAtTick,
  tempoInFile,
  type Milliseconds,
  type TempoEvent,
  type Ticks,
  type WrittenUnits,
} from '../time';
import { thinTempo } from './thin-tempo';
import { framesAtZero, offsetBytes, type CodeSettings } from './time-code';
import { barOneOf, clickBeats, type StudioTimeLine } from './time-line';

export interface ClickSettings {
  /** 1–16 */
  channel: number;
  accentKey: number;
  beatKey: number;
  /** Key of the subdivisions; none are clicked when null. */
  halfKey: number | null;
}

export interface StudioMapSettings extends CodeSettings {
  ticksPerQuarter: number;
  /** How far the clock may be from the exact one; 0 keeps every change. */
  tolerance: Milliseconds;
  click: ClickSettings | null;
  /** Full bars of the first meter at the first tempo before the music. */
  countIn: number;
}

/** General MIDI 1 percussion: wood blocks and side stick. */
export const USUAL_CLICK: ClickSettings = { channel: 10, accentKey: 76, beatKey: 77, halfKey: null };

export const USUAL_STUDIO_MAP: StudioMapSettings = {
  ticksPerQuarter: 960,
  tolerance: 0,
  click: null,
  countIn: 0,
  rate: '25',
  start: 0,
};

export interface StudioMap {
  file: SmfFile;
  tempos: number;
  /** Largest distance of the clock from the exact one, over all tempo changes. */
  largest: Milliseconds;
}

/** @param line as it leaves, its count-in before it (`countedIn`) */
export function studioMap(line: StudioTimeLine, settings: StudioMapSettings): StudioMap {
  const { ticksPerQuarter } = settings;
  const tick = (units: WrittenUnits): Ticks => Math.round((units * ticksPerQuarter) / QUARTER);
  const end = Math.round((line.end * ticksPerQuarter) / line.ticksPerQuarter);
  const { events: tempos, largest } = temposOf(line, settings);
  const events: SmfEvent[] = [meta(0, Meta.trackName, encodeText(line.title || 'Tempo'))];
  if (settings.start > 0) {
    const zero = framesAtZero(settings, barOneOf(line).bar.at);
    events.push(meta(0, Meta.smpteOffset, offsetBytes(zero, settings.rate)));
  }
  for (const one of tempos) events.push(meta(one.tick, Meta.tempo, threeBytes(one.microsecondsPerQuarter)));
  events.push(...metersOf(line, tick));
  for (const { at, fifths, mode } of line.keys)
    events.push(meta(tick(at), Meta.keySignature, [fifths & 0xff, mode === 'minor' ? 1 : 0]));
  for (const { at, text } of line.markers) events.push(meta(tick(at), Meta.marker, encodeText(text)));
  const tracks: SmfTrack[] = [{ events: inOrder(events), endTick: end }];
  if (settings.click) tracks.push(clickTrack(line, settings.click, tick, end));
  return {
    file: {
      format: 1,
      division: { kind: 'metrical', ticksPerQuarter },
      headerExtra: new Uint8Array(),
      tracks,
      unknownChunks: [],
    },
    tempos: tempos.length,
    largest: largest * 1000,
  };
}

/** The tempo on another grid of ticks, and as few changes of it as the tolerance allows. */
function temposOf(line: StudioTimeLine, { ticksPerQuarter, tolerance }: StudioMapSettings) {
  const end = Math.round((line.end * ticksPerQuarter) / line.ticksPerQuarter);
  const exact = regridded(line, ticksPerQuarter, end);
  const map = buildTempoMap(exact.events, ticksPerQuarter);
  // What the grid has taken of the tolerance is not there to be taken again.
  const { events, largest } = thinTempo(map, end, Math.max(0, tolerance / 1000 - exact.largest));
  return { events, largest: largest + exact.largest };
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

function metersOf({ bars }: StudioTimeLine, tick: (units: WrittenUnits) => Ticks): SmfEvent[] {
  const events: SmfEvent[] = [];
  let now = '';
  for (const { start, length, meter } of bars) {
    // A bar that is cut short says so by a meter of its own length; where none can be written, the next one begins anew.
    const full = length === barLength(meter);
    const own = full ? meter : meterOfLength(length);
    const { beats, beatType } = own ?? meter;
    if (`${beats}/${beatType}` !== now)
      events.push(meta(tick(start), Meta.timeSignature, [beats, Math.log2(beatType), 24, 8]));
    now = own ? `${beats}/${beatType}` : '';
  }
  return events;
}

function clickTrack(
  line: StudioTimeLine,
  click: ClickSettings,
  tick: (units: WrittenUnits) => Ticks,
  end: Ticks,
): SmfTrack {
  const events: SmfEvent[] = [meta(0, Meta.trackName, encodeText('Click'))];
  const channel = click.channel - 1;
  const strike = (at: Ticks, key: number, velocity: number) => {
    events.push({ kind: 'channel', tick: at, status: Message.noteOn | channel, data1: key, data2: velocity });
    events.push({ kind: 'channel', tick: at + CLICK_TICKS, status: Message.noteOff | channel, data1: key, data2: 64 });
  };
  for (const { at, length, accent, first } of clickBeats(line)) {
    strike(tick(at), accent ? click.accentKey : click.beatKey, first ? 120 : 96);
    if (click.halfKey !== null && length > QUARTER / 4) strike(tick(at + length / 2), click.halfKey, 64);
  }
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
