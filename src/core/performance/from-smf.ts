import { say } from '../words';
import { trackId, type TrackId } from '../base';
import {
  decodeText,
  guessEncoding,
  Message,
  Meta,
  assertOneTimeLine,
  type ChannelEvent,
  type SmfEvent,
  type SmfFile,
  type SmfReading,
  type SmfTrack,
  type SmfWarning,
  type TextEncoding,
} from '../smf';
import {
  QUARTER,
  barLength,
  buildTempoMap,
  writtenUnits,
  type MeterEvent,
  type TempoEvent,
  type Ticks,
  type WrittenUnits,
} from '../time';
import { titleFromConductor } from './conductor-name';
import { settleMeters } from './meters';
import { pairNotes } from './pair-notes';
import {
  PERCUSSION_CHANNEL,
  type BendEvent,
  type ControllerEvent,
  type KeyEvent,
  type Performance,
  type PerformanceWarning,
  type PlayedTrack,
  type ProgramEvent,
  type TextEvent,
} from './performance';

/**
 * No piece lasts this long: 40,000 quarter notes are more than five hours at 120. What lies beyond comes from a damaged
 * delta time and would fill the page with empty bars.
 */
const MAX_QUARTERS = 40_000;

const TEXT_KINDS: Record<number, TextEvent['kind']> = {
  [Meta.text]: 'text',
  [Meta.instrumentName]: 'instrument',
  [Meta.lyric]: 'lyric',
  [Meta.marker]: 'marker',
  [Meta.cuePoint]: 'cue',
  [Meta.deviceName]: 'device',
};

/**
 * Interprets a file as music: notes paired, time lines gathered from all tracks, tracks of a type 0 file split by
 * channel. The file is not changed.
 *
 * @param encoding of its texts; guessed from all of them when absent
 * @throws SmfError for type 2, whose patterns have no common time line
 */
export function performanceFromSmf(
  { file, warnings: readWarnings }: SmfReading,
  encoding: TextEncoding = guessEncoding(textsOf(file)),
): Performance {
  assertOneTimeLine(file);
  const { ticksPerQuarter, scale, fixedTempo } = resolution(file);
  const warnings: PerformanceWarning[] = readWarnings.map(fromSmfWarning);
  const chunks = file.tracks.map((track, i) => withinReason(scaled(track, scale), i, ticksPerQuarter, warnings));
  const units = (tick: Ticks) => writtenUnits(tick, ticksPerQuarter);

  const tempos: TempoEvent[] = [];
  const meters: MeterEvent[] = [];
  const keys: KeyEvent[] = [];
  const markers: TextEvent[] = [];
  let copyright = '';
  for (const event of chunks.flatMap((chunk) => chunk.events)) {
    if (event.kind !== 'meta') continue;
    const { type, data, tick } = event;
    if (type === Meta.tempo && data.length >= 3 && !fixedTempo) {
      tempos.push({ tick, microsecondsPerQuarter: (data[0]! << 16) | (data[1]! << 8) | data[2]! });
    } else if (type === Meta.timeSignature && data.length >= 2 && data[0]! > 0 && data[1]! <= 6) {
      meters.push({ at: units(tick), beats: data[0]!, beatType: 2 ** data[1]! });
    } else if (type === Meta.keySignature && data.length >= 2) {
      const fifths = (data[0]! << 24) >> 24;
      if (Math.abs(fifths) <= 7) keys.push({ at: units(tick), fifths, mode: data[1] === 1 ? 'minor' : 'major' });
    } else if (type === Meta.marker) markers.push({ tick, kind: 'marker', text: decodeText(data, encoding) });
    else if (type === Meta.copyright) copyright ||= decodeText(data, encoding);
  }

  const allOnOneTrack = chunks.filter((chunk) => chunk.events.some(isNoteOn)).length <= 1;
  const tracks = chunks.flatMap((chunk, i) => playedTracks(chunk, i, allOnOneTrack, encoding, warnings));
  let id = 0;
  for (const track of tracks) for (const note of track.notes) note.id = id++;
  const settled = settleMeters(meters, (at) => Math.round((at * ticksPerQuarter) / QUARTER / scale));
  warnings.push(...settled.moved);
  const conductor = chunks[0] && !chunks[0].events.some(isNoteOn) ? chunks[0] : undefined;
  const lastNoteEnd = tracks.reduce(
    (last, track) => track.notes.reduce((end, note) => Math.max(end, note.end), last),
    0,
  );
  return {
    ticksPerQuarter,
    tempo: buildTempoMap(tempos, ticksPerQuarter),
    meters: withinBars(settled.meters, units(lastNoteEnd), warnings),
    numbering: [],
    keys: lastAtEachPlace(keys),
    markers: markers.sort((a, b) => a.tick - b.tick),
    encoding,
    title: conductor ? titleFromConductor(trackName(conductor.events, encoding)) : '',
    copyright,
    tracks,
    lastNoteEnd,
    warnings,
  };
}

/** A symphony has some 2,000 bars. Meters that make more than this are damaged, or a joke. */
const MOST_BARS = 12_000;

/** The meters, or 4/4 where they would make more bars than anybody reads. @param end of the last note */
function withinBars(meters: MeterEvent[], end: WrittenUnits, warnings: PerformanceWarning[]): MeterEvent[] {
  const bars = meters.reduce((sum, meter, i) => {
    const until = Math.min(end, meters[i + 1]?.at ?? end);
    return sum + Math.max(0, until - meter.at) / barLength(meter);
  }, 0);
  if (bars <= MOST_BARS) return meters;
  const shortest = meters.reduce((a, b) => (barLength(b) < barLength(a) ? b : a));
  warnings.push({
    message: say('performance.theFilesMetersSuchAsBeatsBeatType', {
      beats: shortest.beats,
      beatType: shortest.beatType,
      bars: Math.round(bars),
    }),
  });
  return [];
}

/** SMPTE division counts real time: it is read as 120 quarter notes a minute, so that a quarter is half a second. */
function resolution({ division }: SmfFile): { ticksPerQuarter: number; scale: number; fixedTempo: boolean } {
  if (division.kind === 'metrical') return { ticksPerQuarter: division.ticksPerQuarter, scale: 1, fixedTempo: false };
  const framesPerSecond = division.framesPerSecond === 29 ? 30_000 / 1001 : division.framesPerSecond;
  return { ticksPerQuarter: 960, scale: 1920 / (framesPerSecond * division.ticksPerFrame), fixedTempo: true };
}

function scaled(track: SmfTrack, scale: number): SmfTrack {
  if (scale === 1) return track;
  return {
    events: track.events.map((event) => ({ ...event, tick: Math.round(event.tick * scale) })),
    endTick: Math.round(track.endTick * scale),
  };
}

function withinReason(
  track: SmfTrack,
  chunk: number,
  ticksPerQuarter: number,
  warnings: PerformanceWarning[],
): SmfTrack {
  const limit = MAX_QUARTERS * ticksPerQuarter;
  const events = track.events.filter((event) => event.tick <= limit);
  const beyond = track.events.length - events.length;
  if (beyond > 0) {
    const tick = track.events[events.length]!.tick;
    warnings.push({
      track: trackId(`t${chunk}`),
      tick,
      message: say('performance.trackChunkJumpsToTickTickMoreThan', {
        chunk: chunk + 1,
        tick,
        maxQuarters: MAX_QUARTERS,
        beyond,
      }),
    });
  }
  const last = events.at(-1)?.tick ?? 0;
  return { events, endTick: Math.min(track.endTick, Math.max(last, limit)) };
}

function fromSmfWarning(warning: SmfWarning): PerformanceWarning {
  const place =
    warning.track === undefined
      ? ''
      : say('performance.trackTrackTickTickByteOffset', {
          track: warning.track + 1,
          tick: warning.tick ?? 0,
          offset: warning.offset,
        });
  return {
    track: warning.track === undefined ? undefined : trackId(`t${warning.track}`),
    tick: warning.tick,
    message: place + warning.message,
  };
}

const isChannel = (event: SmfEvent): event is ChannelEvent => event.kind === 'channel';
const isNoteOn = (event: SmfEvent) => isChannel(event) && (event.status & 0xf0) === Message.noteOn && event.data2 > 0;

/** All bytes of text in a file. */
function textsOf(file: SmfFile): Uint8Array[] {
  return file.tracks.flatMap((track) =>
    track.events.flatMap((event) =>
      event.kind === 'meta' && event.type >= Meta.text && event.type <= LAST_TEXT ? [event.data] : [],
    ),
  );
}

/** Meta events 1 to 15 are texts of some kind. */
const LAST_TEXT = 0x0f;

/**
 * One played track for a chunk; one for each channel where the chunk is a whole file. Percussion is never left among
 * pitches: what plays on its channel beside others is a track of its own.
 */
function playedTracks(
  chunk: SmfTrack,
  index: number,
  allOnOneTrack: boolean,
  encoding: TextEncoding,
  warnings: PerformanceWarning[],
): PlayedTrack[] {
  const channels = [
    ...new Set(chunk.events.filter(isNoteOn).map((event) => (event as ChannelEvent).status & 0x0f)),
  ].sort((a, b) => a - b);
  const make = (id: string, only: readonly number[] | null) =>
    playedTrack(chunk, { index, id: trackId(id), only }, encoding, warnings);
  if (channels.length < 2) return [make(`t${index}`, null)];
  if (allOnOneTrack) return channels.map((channel) => make(`t${index}c${channel + 1}`, [channel]));
  const drums = PERCUSSION_CHANNEL - 1;
  if (!channels.includes(drums)) return [make(`t${index}`, null)];
  return [
    make(
      `t${index}`,
      channels.filter((channel) => channel !== drums),
    ),
    make(`t${index}c${PERCUSSION_CHANNEL}`, [drums]),
  ];
}

interface TrackPlace {
  index: number;
  id: TrackId;
  /** Channels from 0 that belong to it; all when null. */
  only: readonly number[] | null;
}

function playedTrack(
  chunk: SmfTrack,
  { index, id, only }: TrackPlace,
  encoding: TextEncoding,
  warnings: PerformanceWarning[],
): PlayedTrack {
  const messages = chunk.events
    .filter(isChannel)
    .filter((event) => only === null || only.includes(event.status & 0x0f));
  const pairing = pairNotes(messages, chunk.endTick);
  const name = trackName(chunk.events, encoding);
  const label = name ? say('base.quoted', { name }) : say('performance.trackIndex', { index: index + 1 });
  const first = pairing.unended[0];
  if (first) {
    warnings.push({
      track: id,
      tick: first.tick,
      message: say('performance.labelNoteIsNeverReleasedTheFirstAt', {
        label,
        unended: pairing.unended.length,
        tick: first.tick,
        key: first.key,
      }),
    });
  }
  if (pairing.strayOffs > 0)
    warnings.push({
      track: id,
      message: say('performance.labelNoteOffHasNoNoteToEnd', { label, strayOffs: pairing.strayOffs }),
    });
  if (pairing.overlapping > 0) {
    warnings.push({
      track: id,
      plain: true,
      message: say('performance.labelNoteStartsWhileTheSameKey', { label, overlapping: pairing.overlapping }),
    });
  }
  const used: number[] = [];
  for (const note of pairing.notes) if (!used.includes(note.channel)) used.push(note.channel);
  const channelWord = only?.length === 1 ? say('performance.channelOnly', { only: only[0]! + 1 }) : '';
  return {
    id,
    chunk: index,
    name: [name, channelWord].filter(Boolean).join(' · '),
    channels: used,
    port: portOf(chunk.events),
    programs: programsOf(messages),
    notes: pairing.notes,
    controllers: messages.filter((event) => (event.status & 0xf0) === Message.controlChange).map(controllerOf),
    bends: messages.filter((event) => (event.status & 0xf0) === Message.pitchBend).map(bendOf),
    texts: chunk.events.flatMap((event) => {
      const kind = event.kind === 'meta' ? TEXT_KINDS[event.type] : undefined;
      return kind && event.kind === 'meta' ? [{ tick: event.tick, kind, text: decodeText(event.data, encoding) }] : [];
    }),
  };
}

function controllerOf(event: ChannelEvent): ControllerEvent {
  return { tick: event.tick, channel: (event.status & 0x0f) + 1, controller: event.data1, value: event.data2 };
}

function bendOf(event: ChannelEvent): BendEvent {
  const value = ((event.data2 << 7) | event.data1) - 8192;
  return { tick: event.tick, channel: (event.status & 0x0f) + 1, value };
}

function programsOf(messages: readonly ChannelEvent[]): ProgramEvent[] {
  const bank = new Map<number, [number, number]>();
  const programs: ProgramEvent[] = [];
  for (const event of messages) {
    const channel = (event.status & 0x0f) + 1;
    const message = event.status & 0xf0;
    const [msb, lsb] = bank.get(channel) ?? [0, 0];
    if (message === Message.controlChange && event.data1 === 0) bank.set(channel, [event.data2, lsb]);
    else if (message === Message.controlChange && event.data1 === 32) bank.set(channel, [msb, event.data2]);
    else if (message === Message.programChange)
      programs.push({ tick: event.tick, channel, program: event.data1 + 1, bankMsb: msb, bankLsb: lsb });
  }
  return programs;
}

function trackName(events: readonly SmfEvent[], encoding: TextEncoding): string {
  const name = events.find((event) => event.kind === 'meta' && event.type === Meta.trackName && event.data.length > 0);
  return name?.kind === 'meta' ? decodeText(name.data, encoding) : '';
}

function portOf(events: readonly SmfEvent[]): number | null {
  const port = events.find((event) => event.kind === 'meta' && event.type === Meta.port && event.data.length > 0);
  return port?.kind === 'meta' ? port.data[0]! : null;
}

function lastAtEachPlace<T extends { at: number }>(events: T[]): T[] {
  const byPlace = new Map(events.map((event) => [event.at, event]));
  return [...byPlace.values()].sort((a, b) => a.at - b.at);
}
