'use client';

import { say } from '@/core/words';
import * as Comlink from 'comlink';
import { create } from 'zustand';
import { soundMaker } from '@/sound/render-client';
import { midiSink, type Sink } from '@/sound/sinks';
import { ownBank, synthesizer } from '@/sound/synthesizer';
import { forgetBank, keepBank, keptBank } from '@/storage/sounds';

/** Where it sounds: our synthesizer with a bank, or an instrument at a MIDI output. */
interface Output {
  /** Name of the bank of the user's; null for the one that comes along. */
  bank: string | null;
  /** Id of a MIDI output; null for the synthesizer. */
  port: string | null;
  ports: readonly { id: string; name: string }[];
  /** Looks for the bank that was kept. */
  look: () => Promise<void>;
  /** @throws Error when it is no sound bank; the one before stays */
  takeBank: (name: string, bytes: ArrayBuffer) => Promise<void>;
  takeOwnBank: () => Promise<void>;
  /** Asks the browser for MIDI outputs. @throws Error when it has none or may not */
  findPorts: () => Promise<void>;
  playTo: (id: string | null) => void;
}

let access: MIDIAccess | null = null;

export const useOutput = create<Output>()((set) => ({
  bank: null,
  port: null,
  ports: [],
  look: async () => set({ bank: (await keptBank())?.name ?? null }),
  takeBank: async (name, bytes) => {
    await checkBank(name, bytes);
    const synth = await synthesizer(bankInUse);
    // The worklet takes the bytes away; what is kept is a copy.
    const kept = new Uint8Array(bytes.slice(0));
    await synth.load(bytes);
    await keepBank({ name, bytes: kept });
    set({ bank: name });
  },
  takeOwnBank: async () => {
    await forgetBank();
    await (await synthesizer(bankInUse)).load(await ownBank());
    set({ bank: null });
  },
  findPorts: async () => {
    if (!('requestMIDIAccess' in navigator)) throw new Error('This browser gives no access to MIDI outputs.');
    access = await navigator.requestMIDIAccess().catch(() => {
      throw new Error('The browser does not allow access to MIDI outputs. Allow it in its settings and try again.');
    });
    set({ ports: [...access.outputs.values()].map(({ id, name }) => ({ id, name: name ?? id })) });
  },
  playTo: (port) => set({ port }),
}));

/** Reads a bank where it holds nothing up; the synthesizer would say nothing about a broken one. @throws Error in a sentence */
async function checkBank(name: string, bytes: ArrayBuffer): Promise<void> {
  const { remote, broken, end } = soundMaker();
  const copy = bytes.slice(0);
  try {
    await Promise.race([remote.open(Comlink.transfer(copy, [copy]), 44_100), broken]);
  } catch {
    throw new Error(say('audition.noSoundBank', { name }));
  } finally {
    end();
  }
}

/** The user's bank, where there is one. */
export async function bankInUse(): Promise<ArrayBuffer> {
  const kept = await keptBank();
  return kept ? kept.bytes.slice().buffer : ownBank();
}

/** @throws Error when nothing can sound here */
export async function outputSink(): Promise<Sink> {
  const { port } = useOutput.getState();
  const output = port === null ? null : access?.outputs.get(port);
  if (port !== null && !output) throw new Error('The MIDI output is no longer available. Choose another.');
  return output ? midiSink(output) : (await synthesizer(bankInUse)).sink;
}
