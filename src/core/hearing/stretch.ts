/* What a synthesizer is told, and when: the language between the engine and whatever sounds. */
import type { PartId } from '../base';
import type { MidiKey, Seconds } from '../time';

/** A channel of a synthesizer, of which there may be more than sixteen. */
export interface SynthChannel {
  drums: boolean;
  /** What the click is played on. */
  click: boolean;
}

export interface SynthNote {
  at: Seconds;
  seconds: Seconds;
  channel: number;
  key: MidiKey;
  /** 1–127 */
  velocity: number;
  part: PartId | null;
}

/** A message of MIDI 1.0 without its channel: controllers, programs, bends. */
export interface SynthMessage {
  at: Seconds;
  channel: number;
  status: number;
  data1: number;
  data2: number;
}

/** A place in the score as it is heard: a repeated bar comes by several times. */
export interface BarPlace {
  /** Index of the bar. */
  bar: number;
  /** From 0: the how-manieth time it is played. */
  pass: number;
}

/** Some bars, to be heard. Times from its beginning, a moment before its first bar: what is early belongs to it. */
export interface Stretch {
  channels: SynthChannel[];
  notes: SynthNote[];
  /** What stands when it begins comes first, at 0. */
  messages: SynthMessage[];
  bars: (BarPlace & { at: Seconds })[];
  /** When its last bar ends; notes may last longer. */
  end: Seconds;
  /** What follows; null at the end of the music. */
  next: BarPlace | null;
}

/** When bars begin, in the order they are played. */
export interface BarClock {
  bars: (BarPlace & { at: Seconds })[];
  end: Seconds;
}

export interface StretchRequest {
  from: BarPlace;
  /** So many bars. */
  bars: number;
  /** None for all. */
  parts: readonly PartId[];
  click: boolean;
  /** It begins where the music's clock does, as a file that is laid beside others must, and not a moment before its first bar. */
  fromZero?: boolean;
}
