/* Music as a WAV file. */
import { audioToWav } from 'spessasynth_core';
import type { Stretch } from '@/core/hearing';
import { messagesOfAll, type Renderer } from './offline';

/** Sound dies away after the last bar, in seconds. */
const TAIL = 2;
/** Loudest sample that is written. */
const FULL = 0.99;

export interface SoundFile {
  wav: Uint8Array;
  /** What it was turned down by so that nothing clips: 1 where nothing was. */
  gain: number;
}

/**
 * Renders stretches that follow each other to 16-bit stereo; yields the share that is done.
 *
 * @param sampleRate of the renderer, in Hertz @param gain as another file was turned down; null for as much as is needed
 */
export function* wavOf(
  renderer: Renderer,
  stretches: readonly Stretch[],
  sampleRate: number,
  gain: number | null,
): Generator<number, SoundFile> {
  const seconds = stretches.reduce((sum, { end }) => sum + end, 0) + TAIL;
  const { left, right } = yield* renderer.render(stretches[0]!.channels, messagesOfAll(stretches), seconds);
  const used = gain ?? Math.min(1, FULL / Math.max(loudest(left), loudest(right), FULL));
  if (used < 1) for (const side of [left, right]) for (let i = 0; i < side.length; i++) side[i]! *= used;
  return { wav: new Uint8Array(audioToWav([left, right], sampleRate, { normalizeAudio: false })), gain: used };
}

function loudest(side: Float32Array): number {
  let most = 0;
  for (const x of side) most = Math.max(most, Math.abs(x));
  return most;
}
