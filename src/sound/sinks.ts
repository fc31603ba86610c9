/* Where sound is made: our synthesizer in an audio worklet, or an instrument at a MIDI output. */
import type { SynthChannel } from '@/core/hearing';
import type { TimedMessage } from './messages';

/** Takes messages a little ahead of time. */
export interface Sink {
  /** Seconds on its own clock, which runs on. */
  now: () => number;
  prepare: (channels: readonly SynthChannel[]) => void;
  /** At a time of its clock. */
  send: (message: TimedMessage) => void;
  /** Lets nothing more be heard; what was sent ahead is gone after the span it was sent in. */
  silence: () => void;
  /** Sounds again. */
  wake: () => Promise<void>;
}

/** Percussion of General MIDI, from 0. */
const DRUMS = 9;

/**
 * An instrument at a MIDI output. It has sixteen channels: drums go to the tenth, the others share what is left.
 *
 * @param output of the Web MIDI API
 */
export function midiSink(output: MIDIOutput): Sink {
  let channels: readonly SynthChannel[] = [];
  const outChannel = (channel: number): number => {
    if (channels[channel]?.drums) return DRUMS;
    const pitched = channels.slice(0, channel).filter((one) => !one.drums).length % 15;
    return pitched >= DRUMS ? pitched + 1 : pitched;
  };
  return {
    now: () => performance.now() / 1000,
    prepare: (list) => void (channels = list),
    send: ({ at, channel, bytes: [status, data1, data2] }) => {
      const short = (status & 0xe0) === 0xc0;
      const first = status | outChannel(channel);
      output.send(short ? [first, data1] : [first, data1, data2], at * 1000);
    },
    silence: () => {
      // Known to the standard for ten years and to type definitions not yet everywhere.
      (output as MIDIOutput & { clear?: () => void }).clear?.();
      for (let channel = 0; channel < 16; channel++) output.send([0xb0 | channel, 120, 0]);
    },
    wake: () => Promise.resolve(),
  };
}
