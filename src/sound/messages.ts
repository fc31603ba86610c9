/* Music as a synthesizer takes it: messages of MIDI 1.0 in order of time. */
import type { Stretch, SynthChannel } from '@/core/hearing';

/** What the synthesizer gives is so much too soft: this leaves room for a full orchestra, on the page and in files alike. */
export const LEVEL = 4;

/** Seconds that messages are sent ahead of time. */
export const SENT_AHEAD = 0.3;

export interface TimedMessage {
  /** Seconds. */
  at: number;
  channel: number;
  /** Without the channel in the first byte. */
  bytes: readonly [status: number, data1: number, data2: number];
}

const NOTE_OFF = 0x80;
const NOTE_ON = 0x90;
const CONTROL = 0xb0;
const PROGRAM = 0xc0;
const BEND = 0xe0;

/** The state MIDI begins with (General MIDI 1 and RP-015): faders at 100, expression open, wheel in the middle, nothing held. */
export function freshChannels(channels: readonly SynthChannel[], at: number): TimedMessage[] {
  const fresh: TimedMessage['bytes'][] = [
    [CONTROL, 123, 0],
    [CONTROL, 121, 0],
    [CONTROL, 7, 100],
    [CONTROL, 10, 64],
    [CONTROL, 91, 40],
    [CONTROL, 93, 0],
    [BEND, 0, 64],
    [PROGRAM, 0, 0],
  ];
  return channels.flatMap((_, channel) => fresh.map((bytes) => ({ at, channel, bytes })));
}

/**
 * What a stretch says, in order of time.
 *
 * @param from seconds into it: what begins before is not struck any more, what stands is told
 * @param cut notes end with it at the latest: it is not followed by what they last into
 */
export function messagesOf(stretch: Stretch, { from = 0, cut = false } = {}): TimedMessage[] {
  const list: TimedMessage[] = stretch.messages.map(({ at, channel, status, data1, data2 }) => ({
    at: Math.max(at, from),
    channel,
    bytes: [status, data1, data2],
  }));
  for (const { at, seconds, channel, key, velocity } of stretch.notes) {
    if (at < from) continue;
    const ends = at + Math.max(seconds, 0.01);
    list.push({ at, channel, bytes: [NOTE_ON, key, velocity] });
    list.push({ at: cut ? Math.min(ends, stretch.end) : ends, channel, bytes: [NOTE_OFF, key, 64] });
  }
  return inOrder(list);
}

export const isRelease = ({ bytes: [status] }: TimedMessage) => status === NOTE_OFF;

/** At the same time releases come first, then what a channel is set to, then strikes. */
export function inOrder(list: TimedMessage[]): TimedMessage[] {
  const rank = (message: TimedMessage) => {
    if (isRelease(message)) return 0;
    return message.bytes[0] === NOTE_ON ? 2 : 1;
  };
  return list.sort((a, b) => a.at - b.at || rank(a) - rank(b));
}
