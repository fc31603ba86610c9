/* The synthesizer of the page: spessasynth in an audio worklet, with our own sound bank or one of the user's. */
import { WorkletSynthesizer } from 'spessasynth_lib';
import { LEVEL, SENT_AHEAD } from './messages';
import type { Sink } from './sinks';
import { say } from '@/core/words';

const OWN_BANK = '/sounds/general-midi.sf2';
/** Served as it is: an audio worklet is a script of its own. */
const WORKLET = new URL('spessasynth_lib/dist/spessasynth_processor.min.js', import.meta.url);

/** So long a fade lasts that is not heard as a click. */
const FADE = 0.015;

export interface Synthesizer {
  context: AudioContext;
  sink: Sink;
  /** Uses another bank. @throws Error when it cannot be read */
  load: (bank: ArrayBuffer) => Promise<void>;
  /** Anything else to be heard beside it goes in here. */
  out: AudioNode;
}

let made: Promise<Synthesizer> | null = null;

/** The one synthesizer of the page, made when first needed. @throws Error when sounds cannot be fetched or played here */
export function synthesizer(bank: () => Promise<ArrayBuffer> = ownBank): Promise<Synthesizer> {
  made ??= make(bank).catch((error: unknown) => {
    made = null;
    throw error;
  });
  return made;
}

/** The bank that comes with the application. */
export async function ownBank(): Promise<ArrayBuffer> {
  const answer = await fetch(OWN_BANK);
  if (!answer.ok) throw new Error(say('workers.soundsNotFetched'));
  return answer.arrayBuffer();
}

async function make(bank: () => Promise<ArrayBuffer>): Promise<Synthesizer> {
  const context = new AudioContext({ latencyHint: 'interactive' });
  await context.audioWorklet.addModule(WORKLET.href);
  const synth = new WorkletSynthesizer(context, { eventsEnabled: false });
  const level = context.createGain();
  const limiter = context.createDynamicsCompressor();
  // Only what would clip is held back.
  limiter.threshold.value = -3;
  limiter.ratio.value = 20;
  limiter.knee.value = 3;
  synth.connect(level);
  level.connect(limiter).connect(context.destination);
  const load = async (bytes: ArrayBuffer) => {
    await synth.soundBankManager.addSoundBank(bytes, 'bank');
    await synth.isReady;
  };
  await load(await bank());
  return { context, load, out: limiter, sink: worklet(context, synth, level) };
}

function worklet(context: AudioContext, synth: WorkletSynthesizer, level: GainNode): Sink {
  const drummed: boolean[] = [];
  let silenced = -Infinity;
  return {
    now: () => context.currentTime,
    prepare: (channels) => {
      while (synth.channelCount < channels.length) synth.addNewChannel();
      channels.forEach(({ drums }, i) => {
        if (drummed[i] !== drums) synth.midiChannels[i]!.setDrums((drummed[i] = drums));
      });
    },
    send: ({ at, channel, bytes: [status, data1, data2] }) => {
      const sixteen = Math.floor(channel / 16) * 16;
      synth.sendMessage([status | (channel - sixteen), data1, data2], sixteen, { time: at });
    },
    silence: () => {
      silenced = context.currentTime;
      level.gain.setTargetAtTime(0, silenced, FADE / 3);
    },
    wake: async () => {
      if (context.state === 'suspended') await context.resume();
      // What was sent ahead must have passed before anything is heard again.
      const wait = silenced + SENT_AHEAD - context.currentTime;
      if (wait > 0) await new Promise((resolve) => setTimeout(resolve, wait * 1000));
      synth.stopAll(true);
      level.gain.cancelScheduledValues(context.currentTime);
      level.gain.setTargetAtTime(LEVEL, context.currentTime, FADE / 3);
    },
  };
}
