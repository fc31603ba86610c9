/* Waves made of sines and noise: one stretch that repeats for ever, with what is only heard at the stroke before it. */

export const SAMPLE_RATE = 26_000;
const NYQUIST = SAMPLE_RATE / 2;

export type Hertz = number;

/** One sine of a wave. */
export interface Partial {
  /** Of the tone's frequency. */
  ratio: number;
  level: number;
}

/** Heard at the stroke only. */
export interface StruckPartial extends Partial {
  /** Seconds until a thousandth of it is left. */
  dies: number;
}

export interface WavePlan {
  frequency: Hertz;
  /** Whole ratios: what goes on sounding. */
  partials: readonly Partial[];
  /** Several players, or strings, at once: each partial beats. */
  ensemble?: boolean;
  struck?: readonly StruckPartial[];
  /** Of breath, bow or hammer at the beginning, and how long. */
  noise?: { level: number; seconds: number; centre: Hertz };
  /** Seconds before what repeats. */
  stroke: number;
}

export interface Wave {
  data: Float32Array;
  loopStart: number;
  loopEnd: number;
}

/** Evenly spread −1–1, the same each time (linear congruential, from memory). */
export function seededNoise(seed: number): () => number {
  let state = seed | 0;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) | 0;
    return state / 2 ** 31;
  };
}

/** So long a stretch repeats, at least: long enough to beat where there are many. */
const LOOP = { one: 0.06, ensemble: 0.3 };

/** Whole cycles in whole samples, as near the frequency as can be: within a twentieth of a cent. */
function loopOf(frequency: Hertz, seconds: number): { cycles: number; samples: number } {
  const least = Math.max(1, Math.ceil(frequency * seconds));
  let best = { cycles: least, samples: 0, off: Infinity };
  for (let cycles = least; cycles < least * 1.4 + 5; cycles++) {
    const exact = (cycles * SAMPLE_RATE) / frequency;
    const samples = Math.round(exact);
    const off = Math.abs(samples - exact) / exact;
    if (off < best.off) best = { cycles, samples, off };
    if (off < 2e-5) break;
  }
  return best;
}

/** Of an ensemble: how far they are out, in cycles of the loop, and how many are. */
const PLAYERS = [-2, -1, 0, 1, 2].map((step) => ({ step, share: 0.8 * 0.4 ** Math.abs(step) }));

export function makeWave(plan: WavePlan): Wave {
  const { frequency, partials, ensemble = false, struck = [], noise, stroke } = plan;
  const { cycles, samples } = loopOf(frequency, ensemble ? LOOP.ensemble : LOOP.one);
  const random = seededNoise(Math.round(frequency * 100));
  const loop = new Float32Array(samples);
  for (const { ratio, level } of partials) {
    // Beats must close with the loop: the lines of an ensemble are whole cycles apart.
    const lines = ensemble ? PLAYERS : [{ step: 0, share: 1 }];
    for (const { step, share } of lines) {
      const line = cycles * ratio + step;
      if ((line / samples) * SAMPLE_RATE > NYQUIST * 0.92) continue;
      addSine(loop, line / samples, level * share, ensemble ? random() * Math.PI : 0);
    }
  }
  const before = Math.round(stroke * SAMPLE_RATE);
  const data = new Float32Array(before + samples);
  for (let i = 0; i < data.length; i++) data[i] = loop[(((i - before) % samples) + samples) % samples]!;
  for (const partial of struck) addStruck(data, before, frequency, partial);
  if (noise) addNoise(data, Math.min(before, Math.round(noise.seconds * SAMPLE_RATE)), noise, random);
  return { data: normalised(data, loop), loopStart: before, loopEnd: before + samples };
}

function addSine(into: Float32Array, cyclesPerSample: number, level: number, phase: number): void {
  const step = 2 * Math.PI * cyclesPerSample;
  for (let i = 0; i < into.length; i++) into[i]! += level * Math.sin(phase + step * i);
}

function addStruck(data: Float32Array, end: number, frequency: Hertz, { ratio, level, dies }: StruckPartial): void {
  const hertz = frequency * ratio;
  if (hertz > NYQUIST * 0.92) return;
  const step = (2 * Math.PI * hertz) / SAMPLE_RATE;
  for (let i = 0; i < end; i++) {
    // It is gone where the loop begins, however slowly it dies.
    const left = Math.exp((-6.9 * i) / (dies * SAMPLE_RATE)) * (1 - (i / end) ** 4);
    data[i]! += level * left * Math.sin(step * i);
  }
}

function addNoise(
  data: Float32Array,
  length: number,
  { level, centre }: { level: number; centre: Hertz },
  random: () => number,
): void {
  const filter = bandPass(centre);
  for (let i = 0; i < length; i++) data[i]! += level * filter(random()) * (1 - i / length) ** 2;
}

/** Two poles around a frequency (Bristow-Johnson, Audio EQ Cookbook, band pass with constant peak). */
export function bandPass(centre: Hertz, quality = 0.8): (x: number) => number {
  const w = (2 * Math.PI * Math.min(centre, NYQUIST * 0.9)) / SAMPLE_RATE;
  const alpha = Math.sin(w) / (2 * quality);
  const [b, a1, a2, a0] = [alpha, -2 * Math.cos(w), 1 - alpha, 1 + alpha];
  let [x1, x2, y1, y2] = [0, 0, 0, 0];
  return (x) => {
    const y = (b * x - b * x2 - a1 * y1 - a2 * y2) / a0;
    [x2, x1, y2, y1] = [x1, x, y1, y];
    return y;
  };
}

/** What goes on sounding is as loud in every wave; the stroke may stand out until it would clip. */
const LOUDNESS = 0.16;
const PEAK = 0.98;

function normalised(data: Float32Array, loop: Float32Array): Float32Array {
  const rms = Math.sqrt(loop.reduce((sum, x) => sum + x * x, 0) / loop.length);
  const peak = data.reduce((most, x) => Math.max(most, Math.abs(x)), 1e-9);
  const gain = Math.min(rms > 1e-6 ? LOUDNESS / rms : Infinity, PEAK / peak);
  return data.map((x) => x * gain);
}
