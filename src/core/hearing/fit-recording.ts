/*
 * Where a recording begins against the music: how much its loudness rises, frame by frame, is laid over the onsets that are
 * known, and the shift where the rises gather on onsets is taken. (Rise of log energy as onset strength: Bello et al.,
 * A Tutorial on Onset Detection in Music Signals, 2005; from memory.)
 */
import type { Seconds } from '../time';

/** Frames a second. */
export const FRAMES = 100;

/** Rise of the loudness in each frame of a hundredth of a second. @param samples one side, −1–1 */
export function onsetStrength(samples: Float32Array, sampleRate: number): Float32Array {
  const hop = sampleRate / FRAMES;
  const frames = Math.floor(samples.length / hop);
  const strength = new Float32Array(frames);
  let before = FLOOR;
  for (let frame = 0; frame < frames; frame++) {
    let energy = 0;
    const from = Math.round(frame * hop);
    const to = Math.round((frame + 1) * hop);
    for (let i = from; i < to; i++) energy += samples[i]! * samples[i]!;
    const level = Math.max(FLOOR, Math.log10(energy / (to - from) + 1e-12));
    strength[frame] = Math.max(0, level - before);
    before = level;
  }
  return strength;
}

/** Quieter than this is silence: log10 of energy. */
const FLOOR = -7;
/** A recording may begin so long after the music does. */
const LATEST_START: Seconds = 20;
const MOST_ONSETS = 1500;

/**
 * @param onsets of the music, from the beginning of its first bar, rising
 * @returns seconds from the recording's beginning to that bar; null where nothing fits better than anything else
 */
export function fitRecording(strength: Float32Array, onsets: readonly Seconds[]): Seconds | null {
  const places = [...new Set(onsets.map((onset) => Math.round(onset * FRAMES)))].slice(0, MOST_ONSETS);
  if (places.length === 0 || strength.length === 0) return null;
  let best = { shift: 0, score: -1 };
  let sum = 0;
  let shifts = 0;
  for (let shift = -LATEST_START * FRAMES; shift < strength.length; shift++) {
    let score = 0;
    for (const place of places) {
      const at = place + shift;
      if (at < 0) continue;
      if (at >= strength.length) break;
      // What is struck may be heard a frame later, or fall into the one before.
      score += Math.max(strength[at]!, (strength[at + 1] ?? 0) * 0.9, (strength[at - 1] ?? 0) * 0.8);
    }
    sum += score;
    shifts++;
    if (score > best.score) best = { shift, score };
  }
  const usual = sum / shifts;
  return best.score > usual * CLEARLY ? best.shift / FRAMES : null;
}

/** The best shift gathers so many times what any does. */
const CLEARLY = 1.5;
