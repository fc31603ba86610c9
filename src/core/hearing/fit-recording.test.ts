import { describe, expect, it } from 'vitest';
import { fitRecording, onsetStrength } from './index';

const RATE = 8000;
/** Short tones that die away at uneven times, a little noise under them. */
function recording(onsets: readonly number[], begins: number, seconds: number): Float32Array {
  const samples = new Float32Array(seconds * RATE);
  let state = 1;
  for (let i = 0; i < samples.length; i++) {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) | 0;
    samples[i] = (state / 2 ** 31) * 0.002;
  }
  for (const onset of onsets) {
    const from = Math.round((onset + begins) * RATE);
    for (let i = Math.max(0, from); i < Math.min(samples.length, from + RATE / 2); i++)
      samples[i]! += 0.3 * Math.exp((-8 * (i - from)) / RATE) * Math.sin(((i - from) * 2 * Math.PI * 440) / RATE);
  }
  return samples;
}
const onsets = [0, 0.5, 0.75, 1.5, 2.1, 2.35, 3, 3.6, 4.2, 4.9, 5.1, 6, 6.3, 7.2];

describe('where a recording begins', () => {
  it.each([0, 1.37, 6.5, -2.2])('is found to a hundredth of a second (%s)', (begins) => {
    const strength = onsetStrength(recording(onsets, begins, 16), RATE);
    expect(Math.abs(fitRecording(strength, onsets)! - begins)).toBeLessThanOrEqual(0.011);
  });
  it('is not said where nothing fits', () => {
    expect(fitRecording(onsetStrength(new Float32Array(RATE * 5), RATE), onsets)).toBeNull();
    expect(fitRecording(new Float32Array(0), onsets)).toBeNull();
    expect(fitRecording(onsetStrength(recording(onsets, 0, 9), RATE), [])).toBeNull();
  });
});
