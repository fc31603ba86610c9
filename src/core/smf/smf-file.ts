import type { Ticks } from '../time';

/** What the bytes of a Standard MIDI File say, nothing added and nothing interpreted. */
export interface SmfFile {
  format: 0 | 1 | 2;
  division: Division;
  /** Header bytes after the six that the standard defines; usually none. */
  headerExtra: Uint8Array;
  tracks: SmfTrack[];
  /** Chunks that are neither MThd nor MTrk, kept with their place among the tracks. */
  unknownChunks: UnknownChunk[];
}

export type Division =
  | { kind: 'metrical'; ticksPerQuarter: number }
  | { kind: 'smpte'; framesPerSecond: 24 | 25 | 29 | 30; ticksPerFrame: number };

export interface SmfTrack {
  /** In file order; ticks never fall. The end-of-track meta is not among them, see `endTick`. */
  events: SmfEvent[];
  /** Tick of the end-of-track meta; that of the last event when the file has none. */
  endTick: Ticks;
}

export interface UnknownChunk {
  /** Number of track chunks that stand before it. */
  tracksBefore: number;
  type: string;
  data: Uint8Array;
}

export type SmfEvent = ChannelEvent | MetaEvent | SysexEvent;

/** A voice message. `data2` is 0 for program change and channel pressure, which have one data byte. */
export interface ChannelEvent {
  kind: 'channel';
  tick: Ticks;
  /** Message in the upper four bits (0x8 … 0xE), channel 0–15 in the lower. */
  status: number;
  data1: number;
  data2: number;
}

export interface MetaEvent {
  kind: 'meta';
  tick: Ticks;
  type: number;
  data: Uint8Array;
}

/** 0xF0: a system exclusive message or its first packet. 0xF7: a later packet, or any bytes to be sent as they are. */
export interface SysexEvent {
  kind: 'sysex';
  tick: Ticks;
  status: 0xf0 | 0xf7;
  data: Uint8Array;
}

/** Upper four bits of a channel message's status byte. */
export const Message = {
  noteOff: 0x80,
  noteOn: 0x90,
  polyPressure: 0xa0,
  controlChange: 0xb0,
  programChange: 0xc0,
  channelPressure: 0xd0,
  pitchBend: 0xe0,
} as const;

export const Meta = {
  sequenceNumber: 0x00,
  text: 0x01,
  copyright: 0x02,
  trackName: 0x03,
  instrumentName: 0x04,
  lyric: 0x05,
  marker: 0x06,
  cuePoint: 0x07,
  programName: 0x08,
  deviceName: 0x09,
  channelPrefix: 0x20,
  port: 0x21,
  endOfTrack: 0x2f,
  tempo: 0x51,
  smpteOffset: 0x54,
  timeSignature: 0x58,
  keySignature: 0x59,
  sequencerSpecific: 0x7f,
} as const;

/** Data bytes of a channel message by its status. */
export function dataLength(status: number): 1 | 2 {
  const message = status & 0xf0;
  return message === Message.programChange || message === Message.channelPressure ? 1 : 2;
}
