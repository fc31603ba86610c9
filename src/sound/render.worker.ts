import * as Comlink from 'comlink';
import { audioToWav } from 'spessasynth_core';
import type { Stretch } from '@/core/hearing';
import { messagesOfAll, openRenderer, type Renderer } from './offline';

/* Sound files, made where they hold nothing up. */

/** Sound dies away after the last bar. */
const TAIL = 2;
/** Loudest sample that is written. */
const FULL = 0.99;

let renderer: Renderer | null = null;
let rate = 44_100;

export interface SoundFile {
  wav: Uint8Array;
  /** What it was turned down by so that nothing clips: 1 where nothing was. */
  gain: number;
}

const api = {
  /** @param sampleRate Hertz @throws Error when the bank cannot be read */
  async open(bank: ArrayBuffer, sampleRate: number): Promise<void> {
    rate = sampleRate;
    renderer = await openRenderer(bank, sampleRate);
  },

  /**
   * Renders stretches that follow each other to 16-bit stereo.
   *
   * @param gain as another file was turned down; null for as much as is needed
   */
  render(stretches: readonly Stretch[], gain: number | null, onProgress: (share: number) => void): SoundFile {
    if (!renderer) throw new Error('No bank has been opened.');
    const seconds = stretches.reduce((sum, { end }) => sum + end, 0) + TAIL;
    const steps = renderer.render(stretches[0]!.channels, messagesOfAll(stretches), seconds);
    let step = steps.next();
    for (; !step.done; step = steps.next()) onProgress(step.value);
    const { left, right } = step.value;
    const used = gain ?? Math.min(1, FULL / Math.max(loudest(left), loudest(right), FULL));
    if (used < 1) for (const side of [left, right]) for (let i = 0; i < side.length; i++) side[i]! *= used;
    const wav = new Uint8Array(audioToWav([left, right], rate, { normalizeAudio: false }));
    return Comlink.transfer({ wav, gain: used }, [wav.buffer]);
  },
};

function loudest(side: Float32Array): number {
  let most = 0;
  for (const x of side) most = Math.max(most, Math.abs(x));
  return most;
}

export type RenderApi = typeof api;

Comlink.expose(api);
