/* Cuts a stretch of bars out of music that is to be heard. */
import { firstNotBefore } from '../base';
import { Message } from '../smf';
import type { Seconds } from '../time';
import type { HearingMusic } from './music';
import type { BarPlace, Stretch, StretchRequest, SynthMessage, SynthNote } from './stretch';

/** What begins so shortly before a bar is heard with it: it was played early. */
export const LEAD_IN: Seconds = 0.2;

/** General MIDI 1 percussion: high and low wood block. */
const CLICK = { accent: { key: 76, velocity: 120 }, beat: { key: 77, velocity: 84 }, seconds: 0.05 };

/** @throws RangeError when the music has no bars */
export function hear(music: HearingMusic, { from, bars, parts, click, fromZero }: StretchRequest): Stretch {
  const first = indexOf(music, from);
  const last = Math.min(first + Math.max(1, bars), music.bars.length);
  const following = music.bars[last];
  const begins = fromZero ? 0 : music.bars[first]!.at - LEAD_IN;
  // What follows begins as early as this did.
  const ends = following ? following.at - LEAD_IN : Infinity;
  const inside = <T extends { at: Seconds }>(list: readonly T[]): T[] =>
    between(list, begins, ends).map((one) => ({ ...one, at: one.at - begins }));
  const heard = parts.length === 0 ? null : new Set(parts);
  const notes = inside(music.notes).filter((note) => !heard || (note.part !== null && heard.has(note.part)));
  const clicks = music.channels.length;
  if (click) notes.push(...inside(music.beats).map(({ at, accent }) => clickAt(at, accent, clicks)));
  return {
    channels: [...music.channels, { drums: true, click: true }],
    notes: notes.sort((a, b) => a.at - b.at),
    messages: [...standing(music.messages, begins), ...inside(music.messages)],
    bars: music.bars.slice(first, last).map((bar) => ({ ...bar, at: bar.at - begins })),
    end: (following?.at ?? music.end) - begins - (following ? LEAD_IN : 0),
    next: following ? { bar: following.bar, pass: following.pass } : null,
  };
}

/** A click alone, to be laid beside other files. */
export function clickAlone(beats: readonly { at: Seconds; accent: boolean }[], end: Seconds): Stretch {
  const notes = beats.map(({ at, accent }) => clickAt(at, accent, 0));
  return { channels: [{ drums: true, click: true }], notes, messages: [], bars: [], end, next: null };
}

/** The same after some silence: what stands at the beginning still does. */
export function later(stretch: Stretch, by: Seconds): Stretch {
  const moved = <T extends { at: Seconds }>(list: readonly T[]) => list.map((one) => ({ ...one, at: one.at + by }));
  const messages = stretch.messages.map((one) => (one.at > 0 ? { ...one, at: one.at + by } : one));
  return { ...stretch, notes: moved(stretch.notes), messages, bars: moved(stretch.bars), end: stretch.end + by };
}

function clickAt(at: Seconds, accent: boolean, channel: number): SynthNote {
  const { key, velocity } = accent ? CLICK.accent : CLICK.beat;
  return { at, seconds: CLICK.seconds, channel, key, velocity, part: null };
}

/** Which played bar a place is: the same pass of it, or the last that there is; the next bar where it is not played. */
function indexOf({ bars }: HearingMusic, { bar, pass }: BarPlace): number {
  if (bars.length === 0) throw new RangeError('There are no bars to be heard.');
  const exactly = bars.findIndex((one) => one.bar === bar && one.pass === pass);
  if (exactly >= 0) return exactly;
  const anyPass = bars.findLastIndex((one) => one.bar === bar);
  if (anyPass >= 0) return anyPass;
  const later = bars.findIndex((one) => one.bar > bar);
  return later >= 0 ? later : bars.length - 1;
}

/** Those from one time up to another, of a list in order of time. */
function between<T extends { at: Seconds }>(list: readonly T[], begins: Seconds, ends: Seconds): T[] {
  return list.slice(firstFrom(list, begins), firstFrom(list, ends));
}

const firstFrom = (list: readonly { at: Seconds }[], time: Seconds) => firstNotBefore(list, time, ({ at }) => at);

/** Parameters are set by several controllers in turn: their number (98–101), then the value (6, 38, 96, 97). */
const IN_TURN = new Set([6, 38, 96, 97, 98, 99, 100, 101]);

/** What programs, controllers and wheels stand at when a stretch begins: the last of each kind, in order. */
function standing(messages: readonly SynthMessage[], begins: Seconds): SynthMessage[] {
  const last = new Map<string, SynthMessage>();
  messages.slice(0, firstFrom(messages, begins)).forEach((message, i) => {
    const { channel, status, data1 } = message;
    const controller = status === Message.controlChange ? data1 : null;
    const key = controller !== null && IN_TURN.has(controller) ? `${i}` : `${channel}/${status}/${controller}`;
    last.delete(key);
    last.set(key, message);
  });
  return [...last.values()].map((message) => ({ ...message, at: 0 }));
}
