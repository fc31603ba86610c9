/* Sound as fast as it can be computed: stretches of music become samples, message by message to the sample. */
import { SoundBankLoader, SpessaLog, SpessaSynthProcessor } from 'spessasynth_core';
import type { Stretch, SynthChannel } from '@/core/hearing';
import { freshChannels, inOrder, LEVEL, messagesOf, type TimedMessage } from './messages';

export const RENDER_RATE = 44_100;
/** As many samples as the synthesizer takes at once. */
const BLOCK = 128;

// Its remarks about banks are of no use to a user.
SpessaLog.warnEnabled = false;
SpessaLog.infoEnabled = false;

export interface Rendered {
  left: Float32Array;
  right: Float32Array;
}

/** A synthesizer that does not sound but gives samples. */
export interface Renderer {
  /**
   * Renders messages in order of time and yields the share that is done, twice a second of music. Each time from silence:
   * nothing of an earlier one rings on.
   *
   * @param seconds length of what is rendered
   */
  render: (
    channels: readonly SynthChannel[],
    messages: readonly TimedMessage[],
    seconds: number,
  ) => Generator<number, Rendered>;
}

/** @throws Error when the bank cannot be read */
export async function openRenderer(bytes: ArrayBuffer, sampleRate = RENDER_RATE): Promise<Renderer> {
  const bank = SoundBankLoader.fromArrayBuffer(bytes);
  // Compressed banks have a decoder to wait for.
  await new SpessaSynthProcessor(sampleRate).processorInitialized;
  const fresh = (channels: readonly SynthChannel[]) => {
    const processor = new SpessaSynthProcessor(sampleRate, { eventsEnabled: false, maxBufferSize: BLOCK });
    processor.soundBankManager.addSoundBank(bank, 'bank');
    while (processor.midiChannels.length < channels.length) processor.createMIDIChannel();
    channels.forEach(({ drums }, i) => processor.midiChannels[i]!.setDrums(drums));
    return processor;
  };
  return { render: (channels, messages, seconds) => render(fresh(channels), messages, seconds) };
}

function* render(
  processor: SpessaSynthProcessor,
  messages: readonly TimedMessage[],
  seconds: number,
): Generator<number, Rendered> {
  const { sampleRate } = processor;
  const length = Math.ceil(seconds * sampleRate);
  const [left, right] = [new Float32Array(length), new Float32Array(length)];
  const sampleOf = (message: TimedMessage) => Math.round(message.at * sampleRate);
  let next = 0;
  let told = 0;
  for (let at = 0; at < length;) {
    for (; next < messages.length && sampleOf(messages[next]!) <= at; next++) say(processor, messages[next]!);
    const until = next < messages.length ? sampleOf(messages[next]!) : length;
    const samples = Math.min(BLOCK, length - at, until - at);
    processor.process(left, right, at, samples);
    at += samples;
    if (at - told > sampleRate / 2) {
      told = at;
      yield at / length;
    }
  }
  for (const side of [left, right]) for (let i = 0; i < length; i++) side[i]! *= LEVEL;
  return { left, right };
}

function say(processor: SpessaSynthProcessor, { channel, bytes: [status, data1, data2] }: TimedMessage): void {
  const sixteen = Math.floor(channel / 16) * 16;
  processor.processMessage([status | (channel - sixteen), data1, data2], sixteen);
}

/** Stretches one after the other, as messages. */
export function messagesOfAll(stretches: readonly Stretch[]): TimedMessage[] {
  const [first] = stretches;
  if (!first) return [];
  const list = freshChannels(first.channels, 0);
  let at = 0;
  for (const stretch of stretches) {
    // What stands at the beginning of a later one was said before.
    const messages =
      at === 0 ? messagesOf(stretch) : messagesOf({ ...stretch, messages: stretch.messages.filter((m) => m.at > 0) });
    for (const message of messages) list.push({ ...message, at: at + message.at });
    at += stretch.end;
  }
  return inOrder(list);
}
