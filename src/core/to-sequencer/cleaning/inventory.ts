/*
 * What a MIDI file carries besides its notes, kind by kind and track by track: the data that moves faders and changes
 * sounds.
 */
import { DATA_KINDS, type DataKind } from '../../settings';
import { decodeText, Message, Meta, type SmfEvent, type SmfFile, type SmfTrack } from '../../smf';
const CONTROLLERS: Record<number, DataKind> = {
  0: 'program',
  32: 'program',
  1: 'modulation',
  7: 'volume',
  39: 'volume',
  10: 'pan',
  42: 'pan',
  11: 'expression',
  64: 'sustain',
  91: 'reverb',
  93: 'chorus',
  120: 'reset',
  121: 'reset',
  123: 'reset',
};
const TEXTS: readonly number[] = [Meta.text, Meta.cuePoint, Meta.instrumentName, Meta.programName, Meta.deviceName];

/**
 * The kind of an event; null for notes, tempo, meters, keys, markers, names, lyrics: what is always kept.
 * @param switches keys that are no music
 */
export function kindOf(event: SmfEvent, switches?: ReadonlySet<number>): DataKind | null {
  if (event.kind === 'sysex') return 'sysex';
  if (event.kind === 'meta') {
    if (TEXTS.includes(event.type)) return 'text';
    return event.type === Meta.sequencerSpecific ? 'sysex' : null;
  }
  switch (event.status & 0xf0) {
    case Message.controlChange:
      return CONTROLLERS[event.data1] ?? 'otherControllers';
    case Message.programChange:
      return 'program';
    case Message.pitchBend:
      return 'pitchBend';
    case Message.channelPressure:
    case Message.polyPressure:
      return 'aftertouch';
    case Message.noteOn:
    case Message.noteOff:
      return switches?.has(event.data1) ? 'keyswitches' : null;
    default:
      return null;
  }
}

export interface TrackInventory {
  /** Track chunk, from 0. */
  index: number;
  name: string;
  notes: number;
  channels: number[];
  counts: Record<DataKind, number>;
  /** It carries tempo, meter or markers and no notes: it must not be lost. */
  conductor: boolean;
}

/** @param switches of each track chunk, where there are any */
export function inventoryOf(
  file: SmfFile,
  switches: ReadonlyMap<number, ReadonlySet<number>> = new Map(),
): TrackInventory[] {
  return file.tracks.map((track, index) => ({ index, ...contentsOf(track, switches.get(index)) }));
}

const isStrike = (event: SmfEvent) =>
  event.kind === 'channel' && (event.status & 0xf0) === Message.noteOn && event.data2 > 0;

const TIME_LINES: readonly number[] = [
  Meta.tempo,
  Meta.timeSignature,
  Meta.keySignature,
  Meta.marker,
  Meta.smpteOffset,
];

function contentsOf(track: SmfTrack, switches: ReadonlySet<number> | undefined): Omit<TrackInventory, 'index'> {
  const counts = Object.fromEntries(DATA_KINDS.map((kind) => [kind, 0])) as Record<DataKind, number>;
  const channels = new Set<number>();
  let notes = 0;
  let timeLines = 0;
  for (const event of track.events) {
    const kind = kindOf(event, switches);
    // A switch is struck once, however its release is written.
    if (kind && (kind !== 'keyswitches' || isStrike(event))) counts[kind]++;
    if (event.kind === 'channel') channels.add((event.status & 0x0f) + 1);
    if (isStrike(event)) notes++;
    if (event.kind === 'meta' && TIME_LINES.includes(event.type)) timeLines++;
  }
  const named = track.events.find((event) => event.kind === 'meta' && event.type === Meta.trackName);
  return {
    name: named?.kind === 'meta' ? decodeText(named.data) : '',
    notes,
    channels: [...channels].sort((a, b) => a - b),
    counts,
    conductor: notes === 0 && timeLines > 0,
  };
}
