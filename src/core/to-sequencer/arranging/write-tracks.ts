/* The arranged tracks as a Standard MIDI File: what belongs to the whole on the first track, then a track for each. */
import { conductorName } from '../../performance';
import { encodeText, Message, Meta, type SmfEvent, type SmfFile, type SmfTrack } from '../../smf';
import { exactTicks, playedUnits, type PlayedUnits, type Ticks } from '../../time';
import { inTrackOrder } from '../tracks/event-order';
import type { Placing } from './time-window';
import { isOfTheWhole, type WorkingTrack } from './working-tracks';

export interface Outgoing {
  /** What goes along of what was received; its resolution is the one all ticks here are in. */
  cleaned: SmfFile;
  ticksPerQuarter: number;
  /** Chunks without notes that go along as they are. */
  silent: readonly number[];
  tracks: readonly WorkingTrack[];
  /** Tempo, meter, keys, markers as they were mended; null for as they were received. */
  whole: readonly SmfEvent[] | null;
  title: string;
  type: 0 | 1;
  /** Of the result. */
  resolution: number;
  placing: Placing;
}

const metaEvent = (tick: Ticks, type: number, data: ArrayLike<number>): SmfEvent => ({
  kind: 'meta',
  tick,
  type,
  data: Uint8Array.from(data),
});

export function writeTracks(outgoing: Outgoing): SmfFile {
  const { cleaned, type, tracks, silent, resolution } = outgoing;
  const ports = tracks.some(({ port }) => (port ?? 0) > 0);
  const conductor = conductorTrack(outgoing);
  const others = silent.filter((chunk) => chunk !== conductor.chunk).map((chunk) => receivedTrack(chunk, outgoing));
  const played = tracks.map((track) =>
    !track.touched && !track.shared ? receivedTrack(track.chunk, outgoing) : playedTrack(track, ports, outgoing),
  );
  const all = [conductor.track, ...others, ...played];
  const endTick = all.reduce((end, track) => Math.max(end, track.endTick), 0);
  return {
    ...cleaned,
    format: type,
    division: { kind: 'metrical', ticksPerQuarter: resolution },
    tracks: type === 1 ? all : [{ events: merged(all), endTick }],
    unknownChunks: [],
  };
}

const SAID_BY_TIME_LINE: ReadonlySet<number> = new Set([
  Meta.tempo,
  Meta.timeSignature,
  Meta.keySignature,
  Meta.marker,
]);

/**
 * The first chunk, or a later one that carries what belongs to the whole, where it has no notes; or a track of our
 * own. It takes all of that from every chunk, also those that do not go along: their tempo holds for the others.
 */
function conductorTrack(outgoing: Outgoing): { track: SmfTrack; chunk: number | null } {
  const { cleaned, silent, whole, title, placing } = outgoing;
  const chunk = silent.find((one) => one === 0 || cleaned.tracks[one]!.events.some(isOfTheWhole)) ?? null;
  const own = chunk === null ? null : cleaned.tracks[chunk]!;
  const received = cleaned.tracks.flatMap(({ events }) => events.filter(isOfTheWhole));
  const rest = own?.events.filter((event) => !isOfTheWhole(event)) ?? [
    metaEvent(0, Meta.trackName, encodeText(conductorName(title))),
  ];
  // What a time line says is said anew; where the file starts on tape, and the like, stays.
  const others = received.filter((event) => event.kind === 'meta' && !SAID_BY_TIME_LINE.has(event.type));
  const ofTheWhole = whole ? [...whole, ...others] : received;
  const events = inTrackOrder([...inForce(ofTheWhole, outgoing), ...moved(rest, outgoing)]);
  const end = own && placing.isWhole ? placing.tick(unitsOf(own.endTick, outgoing)) : 0;
  return { track: { events, endTick: Math.max(end, events.at(-1)?.tick ?? 0) }, chunk };
}

/** A chunk as it was received, without what belongs to the whole: that stands on the first track. */
function receivedTrack(chunk: number, outgoing: Outgoing): SmfTrack {
  const { events, endTick } = outgoing.cleaned.tracks[chunk]!;
  const { placing } = outgoing;
  const own = events.filter((event) => !isOfTheWhole(event));
  if (!placing.isWhole) return cutTrack(own, outgoing);
  return {
    events: own.map((event) => ({ ...event, tick: placing.tick(unitsOf(event.tick, outgoing), true) })),
    endTick: placing.tick(unitsOf(endTick, outgoing)),
  };
}

const unitsOf = (tick: Ticks, { ticksPerQuarter }: Outgoing): PlayedUnits => playedUnits(tick, ticksPerQuarter);
const isStrike = (event: SmfEvent) =>
  event.kind === 'channel' && ((event.status & 0xf0) === Message.noteOn || (event.status & 0xf0) === Message.noteOff);

/** Some bars of a track: notes that begin in them, cut where the bars end. */
function cutTrack(events: readonly SmfEvent[], outgoing: Outgoing): SmfTrack {
  const { placing } = outgoing;
  const sounding = new Set<string>();
  const strikes: SmfEvent[] = [];
  for (const event of events) {
    if (event.kind !== 'channel' || !isStrike(event)) continue;
    const at = unitsOf(event.tick, outgoing);
    const slot = `${event.status & 0x0f}/${event.data1}`;
    const on = (event.status & 0xf0) === Message.noteOn && event.data2 > 0;
    if (on ? !placing.holds(at) : !sounding.has(slot)) continue;
    if (on) sounding.add(slot);
    else sounding.delete(slot);
    strikes.push({ ...event, tick: placing.tick(Math.min(at, placing.to)) });
  }
  const ends = [...sounding].map((slot): SmfEvent => {
    const [channel, key] = slot.split('/').map(Number);
    return {
      kind: 'channel',
      tick: placing.tick(placing.to),
      status: Message.noteOff | channel!,
      data1: key!,
      data2: 0,
    };
  });
  const all = inTrackOrder([
    ...moved(
      events.filter((event) => !isStrike(event)),
      outgoing,
    ),
    ...strikes,
    ...ends,
  ]);
  return { events: all, endTick: all.at(-1)?.tick ?? 0 };
}

/** Events of a window: what holds when it begins stands at its beginning, what comes later in its place. */
function moved(events: readonly SmfEvent[], outgoing: Outgoing): SmfEvent[] {
  const { placing } = outgoing;
  const standing = new Map<string, SmfEvent>();
  const inside: SmfEvent[] = [];
  for (const event of events) {
    const at = unitsOf(event.tick, outgoing);
    if (at < placing.from) {
      const slot = standingSlot(event);
      if (slot) standing.set(slot, { ...event, tick: 0 });
    } else if (placing.holds(at) || placing.to === Infinity) {
      // What is set at the very beginning is set before the silence too.
      const tick = at === 0 ? 0 : placing.tick(at, true);
      inside.push({ ...event, tick });
    }
  }
  return [...standing.values(), ...inside];
}

/** What an event sets until another one sets it again; null for what only happens. */
function standingSlot(event: SmfEvent): string | null {
  if (event.kind === 'meta')
    return event.type === Meta.trackName || event.type === Meta.port ? `meta ${event.type}` : null;
  if (event.kind !== 'channel') return null;
  const message = event.status & 0xf0;
  if (message === Message.controlChange) return `${event.status}/${event.data1}`;
  return message === Message.programChange || message === Message.pitchBend || message === Message.channelPressure
    ? String(event.status)
    : null;
}

/** Tempo, meter, key: one of each holds; markers and the rest only where they stand. */
const HOLDING: ReadonlySet<number> = new Set([Meta.tempo, Meta.timeSignature, Meta.keySignature]);

function inForce(events: readonly SmfEvent[], outgoing: Outgoing): SmfEvent[] {
  const { placing } = outgoing;
  // Of several at one place the first chunk's counts: others may write their own part's key there.
  const said = new Set<string>();
  const standing = new Map<number, SmfEvent>();
  const inside: SmfEvent[] = [];
  for (const event of [...events].sort((a, b) => a.tick - b.tick)) {
    if (event.kind !== 'meta') continue;
    const holds = HOLDING.has(event.type);
    const slot = `${event.type}/${event.tick}`;
    if (holds && said.has(slot)) continue;
    said.add(slot);
    const at = unitsOf(event.tick, outgoing);
    if (at <= placing.from && holds) standing.set(event.type, { ...event, tick: 0 });
    // What is said of the file stands at its beginning, whatever silence is put before the music.
    else if (at === 0 && isOfTheFile(event.type, placing)) inside.push({ ...event, tick: 0 });
    else if (placing.holds(at)) inside.push({ ...event, tick: placing.tick(at, true) });
  }
  const meter = standing.get(Meta.timeSignature);
  if (meter?.kind === 'meta') {
    const [beats = 4, power = 2, ...clocks] = meter.data;
    const opening = placing.opening({ beats, beatType: 2 ** power });
    if (opening) {
      const { meter: full, ownAt } = opening;
      const data = Uint8Array.from([full.beats, Math.log2(full.beatType), ...clocks]);
      standing.set(Meta.timeSignature, { ...meter, data });
      if (ownAt !== null) inside.push({ ...meter, tick: ownAt });
    }
  }
  return [...standing.values(), ...inside];
}

/** Where it starts on tape is no longer true of a file that begins in the middle. */
function isOfTheFile(type: number, { from }: Placing): boolean {
  return type === Meta.copyright || (from === 0 && type !== Meta.marker);
}

function playedTrack(track: WorkingTrack, ports: boolean, outgoing: Outgoing): SmfTrack {
  const { placing } = outgoing;
  const channel = track.channel - 1;
  const ownChannel = new Set(track.notes.map((note) => note.channel)).size <= 1;
  const events: SmfEvent[] = [metaEvent(0, Meta.trackName, encodeText(track.name))];
  if (ports) events.push(metaEvent(0, Meta.port, [track.port ?? 0]));
  if (track.sound !== null)
    events.push({
      kind: 'channel',
      tick: 0,
      status: Message.programChange | channel,
      data1: track.sound - 1,
      data2: 0,
    });
  const kept = track.others.filter((event) => track.sound === null || !setsSound(event));
  events.push(...moved(kept, outgoing).map((event) => (ownChannel ? onChannel(event, channel) : event)));
  for (const { start, end, key, velocity, channel: on } of track.notes) {
    if (!placing.holds(start)) continue;
    const from = placing.tick(start, isReceived(start, outgoing));
    const until = Math.max(from + 1, placing.tick(Math.min(end, placing.to), isReceived(end, outgoing)));
    events.push({ kind: 'channel', tick: from, status: Message.noteOn | (on - 1), data1: key, data2: velocity });
    events.push({ kind: 'channel', tick: until, status: Message.noteOff | (on - 1), data1: key, data2: 0 });
  }
  const all = inTrackOrder(events);
  return { events: all, endTick: all.at(-1)?.tick ?? 0 };
}

/** It stands on a tick of the file: nobody has moved it. */
function isReceived(at: PlayedUnits, { ticksPerQuarter }: Outgoing): boolean {
  const tick = exactTicks(at, ticksPerQuarter);
  return Math.abs(tick - Math.round(tick)) < 1e-6;
}

const setsSound = (event: SmfEvent) =>
  event.kind === 'channel' &&
  ((event.status & 0xf0) === Message.programChange ||
    ((event.status & 0xf0) === Message.controlChange && (event.data1 === 0 || event.data1 === 32)));

function onChannel(event: SmfEvent, channel: number): SmfEvent {
  return event.kind === 'channel' ? { ...event, status: (event.status & 0xf0) | channel } : event;
}

/** All tracks as one; only the first one's name has a place there. */
function merged([first, ...others]: readonly SmfTrack[]): SmfEvent[] {
  const named = (event: SmfEvent) =>
    event.kind === 'meta' && (event.type === Meta.trackName || event.type === Meta.port);
  return inTrackOrder([...first!.events, ...others.flatMap(({ events }) => events.filter((event) => !named(event)))]);
}
