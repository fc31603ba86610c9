/*
 * Music to be heard, whatever it comes from: every track's channel becomes a channel of its own, so that tracks that share
 * one in the file do not share its faders by accident.
 */
import type { PartId } from '../base';
import { PERCUSSION_CHANNEL, type Performance, type PlayedNote, type PlayedTrack } from '../performance';
import { Message } from '../smf';
import { beatsOfBar, secondsAtTick, ticksFromUnits, type Bar, type Seconds, type WrittenUnits } from '../time';
import type { BarPlace, SynthChannel, SynthMessage, SynthNote } from './stretch';

/** What is to be heard of a performance, and along which bars. */
export interface MusicSource {
  performance: Performance;
  /** Whom a note belongs to; null for what no part plays, which is not heard. */
  partOf: (note: PlayedNote, track: PlayedTrack) => PartId | null;
  /** 1–128, for tracks that name none. */
  usualProgram: (track: PlayedTrack) => number | null;
  /** In the order they are played, on the performance's time line. */
  bars: readonly { bar: Bar; start: WrittenUnits }[];
}

export interface HearingMusic {
  channels: SynthChannel[];
  /** In order of time, as `messages` and `beats` are. */
  notes: SynthNote[];
  messages: SynthMessage[];
  beats: { at: Seconds; accent: boolean }[];
  bars: (BarPlace & { at: Seconds })[];
  end: Seconds;
}

export function hearingMusic({ performance, partOf, usualProgram, bars }: MusicSource): HearingMusic {
  const clock = (tick: number): Seconds => secondsAtTick(performance.tempo, tick);
  const place = (units: WrittenUnits): Seconds => clock(ticksFromUnits(units, performance.ticksPerQuarter));
  const music: HearingMusic = { channels: [], notes: [], messages: [], beats: [], bars: [], end: 0 };
  const homeless: PlayedTrack[] = [];
  const ofMidiChannel = new Map<string, number[]>();
  for (const track of performance.tracks) {
    const used = new Map<number, number>();
    for (const note of track.notes) {
      const part = partOf(note, track);
      if (part === null) continue;
      const channel = used.get(note.channel) ?? openChannel(music, note.channel);
      if (!used.has(note.channel)) {
        used.set(note.channel, channel);
        const line = lineOf(track, note.channel);
        ofMidiChannel.set(line, [...(ofMidiChannel.get(line) ?? []), channel]);
      }
      const at = clock(note.start);
      const { key, velocity } = note;
      music.notes.push({ at, seconds: clock(note.end) - at, channel, key, velocity, part });
    }
    for (const [midiChannel, channel] of used) tell(music, track, clock, midiChannel, [channel]);
    if (!track.programs.length) for (const channel of used.values()) nameProgram(music, channel, usualProgram(track));
    if (used.size === 0) homeless.push(track);
  }
  // Controllers of a track without notes are for whoever plays on their channel.
  for (const track of homeless)
    for (let midiChannel = 1; midiChannel <= 16; midiChannel++)
      tell(music, track, clock, midiChannel, ofMidiChannel.get(lineOf(track, midiChannel)) ?? []);
  layOut(music, bars, place);
  const byTime = (a: { at: Seconds }, b: { at: Seconds }) => a.at - b.at;
  music.notes.sort(byTime);
  music.messages.sort(byTime);
  return music;
}

const lineOf = (track: PlayedTrack, midiChannel: number) => `${track.port ?? 0}/${midiChannel}`;

function openChannel(music: HearingMusic, midiChannel: number): number {
  music.channels.push({ drums: midiChannel === PERCUSSION_CHANNEL, click: false });
  return music.channels.length - 1;
}

/** Programs from 1–128. */
function nameProgram(music: HearingMusic, channel: number, program: number | null): void {
  if (program !== null && !music.channels[channel]!.drums)
    music.messages.push({ at: -Infinity, channel, status: Message.programChange, data1: program - 1, data2: 0 });
}

/** Everything a track says on one of its channels, in the order it says it. */
function tell(
  music: HearingMusic,
  track: PlayedTrack,
  clock: (tick: number) => Seconds,
  midiChannel: number,
  channels: readonly number[],
): void {
  const own = <T extends { channel: number }>(list: readonly T[]) => list.filter((one) => one.channel === midiChannel);
  const told = [
    ...own(track.controllers).map(({ tick, controller, value }) => ({
      tick,
      status: Message.controlChange,
      data1: controller,
      data2: value,
    })),
    ...own(track.programs).map(({ tick, program }) => ({
      tick,
      status: Message.programChange,
      data1: program - 1,
      data2: 0,
    })),
    ...own(track.bends).map(({ tick, value }) => {
      const wheel = value + 8192;
      return { tick, status: Message.pitchBend, data1: wheel & 0x7f, data2: wheel >> 7 };
    }),
  ];
  for (const { tick, ...message } of told)
    for (const channel of channels) music.messages.push({ at: clock(tick), channel, ...message });
}

function layOut(music: HearingMusic, bars: MusicSource['bars'], place: (units: WrittenUnits) => Seconds): void {
  const passes = new Map<number, number>();
  for (const { bar, start } of bars) {
    const pass = passes.get(bar.index) ?? 0;
    passes.set(bar.index, pass + 1);
    music.bars.push({ bar: bar.index, pass, at: place(start) });
    for (const beat of beatsOfBar(bar)) {
      const inside = beat.start - bar.start;
      music.beats.push({ at: place(start + inside), accent: inside === 0 && !bar.implicit });
    }
  }
  const last = bars.at(-1);
  music.end = last ? place(last.start + last.bar.length) : 0;
}
