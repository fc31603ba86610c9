import * as Comlink from 'comlink';
import type { Stretch } from '@/core/hearing';
import { openRenderer, type Renderer } from './offline';
import { wavOf, type SoundFile } from './wav';

/* Sound files, made where they hold nothing up. */

let renderer: Renderer | null = null;
let rate = 44_100;

export type { SoundFile };

const api = {
  /** @param sampleRate Hertz @throws Error when the bank cannot be read */
  async open(bank: ArrayBuffer, sampleRate: number): Promise<void> {
    rate = sampleRate;
    renderer = await openRenderer(bank, sampleRate);
  },

  /** As `wavOf`. */
  render(stretches: readonly Stretch[], gain: number | null, onProgress: (share: number) => void): SoundFile {
    if (!renderer) throw new Error('No bank has been opened.');
    const steps = wavOf(renderer, stretches, rate, gain);
    let step = steps.next();
    for (; !step.done; step = steps.next()) onProgress(step.value);
    return Comlink.transfer(step.value, [step.value.wav.buffer]);
  },
};

export type RenderApi = typeof api;

Comlink.expose(api);
