/*
 * The sound module: a plain stand-in for outside synthesizers, made of oscillators and noise. It is there to compare
 * and to check, not to please.
 */
import type { HeardNote } from '@/core/engine';

interface Timbre {
  wave: OscillatorType;
  attack: number;
  /** Seconds in which the sound dies away while held; none for sustained ones. */
  decay: number | null;
  level: number;
}

/** One for each of the sixteen families of General MIDI. */
const TIMBRES: readonly Timbre[] = [
  { wave: 'triangle', attack: 0.004, decay: 1.4, level: 0.9 },
  { wave: 'sine', attack: 0.002, decay: 1.1, level: 0.9 },
  { wave: 'square', attack: 0.01, decay: null, level: 0.25 },
  { wave: 'triangle', attack: 0.003, decay: 0.9, level: 0.9 },
  { wave: 'triangle', attack: 0.006, decay: 1.2, level: 1 },
  { wave: 'sawtooth', attack: 0.05, decay: null, level: 0.3 },
  { wave: 'sawtooth', attack: 0.07, decay: null, level: 0.3 },
  { wave: 'sawtooth', attack: 0.03, decay: null, level: 0.34 },
  { wave: 'square', attack: 0.02, decay: null, level: 0.24 },
  { wave: 'sine', attack: 0.03, decay: null, level: 0.7 },
  { wave: 'square', attack: 0.01, decay: null, level: 0.22 },
  { wave: 'sawtooth', attack: 0.12, decay: null, level: 0.25 },
  { wave: 'sine', attack: 0.05, decay: null, level: 0.5 },
  { wave: 'triangle', attack: 0.004, decay: 0.8, level: 0.8 },
  { wave: 'sine', attack: 0.002, decay: 0.35, level: 0.9 },
  { wave: 'sine', attack: 0.02, decay: 0.6, level: 0.5 },
];

let context: AudioContext | null = null;
let playing: Playing | null = null;

/** What sounds now. */
export interface Playing {
  /** Seconds from the beginning of what is played, at its own tempo. */
  position: () => number;
  stop: () => void;
}

export interface PlayOptions {
  onEnd?: () => void;
  /** Seconds into the notes. */
  from?: number;
  /** 0.5 plays at half the tempo; pitch stays. */
  rate?: number;
}

/** Notes are handed to the clock of the sound so far ahead, a few times in that span. */
const AHEAD = 1;
const LATENCY = 0.05;

/** As `play` wants them. */
export const byStart = (notes: readonly HeardNote[]) => [...notes].sort((a, b) => a.start - b.start);

/** Plays notes, which are in order of start; what was playing stops. */
export async function play(
  notes: readonly HeardNote[],
  { onEnd, from = 0, rate = 1 }: PlayOptions = {},
): Promise<Playing> {
  playing?.stop();
  context ??= new AudioContext();
  if (context.state === 'suspended') await context.resume();
  const audio = context;
  const out = audio.createGain();
  out.gain.value = 0.22;
  const limiter = audio.createDynamicsCompressor();
  out.connect(limiter).connect(audio.destination);
  const begun = audio.currentTime + LATENCY;
  const end = notes.reduce((last, note) => Math.max(last, note.start + note.duration), 0);
  const position = () => from + Math.max(0, audio.currentTime - begun) * rate;
  let next = notes.findIndex((note) => note.start >= from);
  if (next < 0) next = notes.length;
  const hand = () => {
    for (; next < notes.length && notes[next]!.start <= position() + AHEAD * rate; next++) {
      const note = { ...notes[next]!, duration: notes[next]!.duration / rate };
      (note.drum ? strike : sing)(audio, out, note, begun + (note.start - from) / rate);
    }
  };
  hand();
  const feeding = setInterval(hand, (AHEAD / 4) * 1000);
  const timer = setTimeout(() => now.stop(), ((end - from) / rate + 0.4) * 1000);
  const now: Playing = {
    position,
    stop: () => {
      clearInterval(feeding);
      clearTimeout(timer);
      out.disconnect();
      if (playing === now) playing = null;
      onEnd?.();
    },
  };
  playing = now;
  return now;
}

export function stopPlaying(): void {
  playing?.stop();
}

function sing(audio: AudioContext, out: AudioNode, { key, velocity, duration, program }: HeardNote, at: number): void {
  const { wave, attack, decay, level } = TIMBRES[Math.floor(((program ?? 1) - 1) / 8)] ?? TIMBRES[0]!;
  const loud = level * (velocity / 127) ** 1.6;
  const end = at + Math.max(duration, 0.04);
  const oscillator = audio.createOscillator();
  oscillator.type = wave;
  oscillator.frequency.value = 440 * 2 ** ((key - 69) / 12);
  const gain = audio.createGain();
  gain.gain.setValueAtTime(0, at);
  gain.gain.linearRampToValueAtTime(loud, at + attack);
  if (decay !== null) gain.gain.setTargetAtTime(loud * 0.08, at + attack, decay / 3);
  gain.gain.setTargetAtTime(0, end, 0.04);
  oscillator.connect(gain).connect(out);
  oscillator.start(at);
  oscillator.stop(end + 0.3);
}

/** Low keys of a kit are skins, high ones metal: a falling tone or a burst of filtered noise. */
function strike(audio: AudioContext, out: AudioNode, { key, velocity }: HeardNote, at: number): void {
  const loud = (velocity / 127) ** 1.4;
  const gain = audio.createGain();
  if (key <= 36 || (key >= 41 && key <= 50 && key !== 42 && key !== 44 && key !== 46 && key !== 49)) {
    const tone = audio.createOscillator();
    const pitch = key <= 36 ? 62 : 80 + (key - 41) * 14;
    tone.frequency.setValueAtTime(pitch * 2, at);
    tone.frequency.exponentialRampToValueAtTime(pitch, at + 0.05);
    gain.gain.setValueAtTime(loud * 1.6, at);
    gain.gain.setTargetAtTime(0, at + 0.02, 0.09);
    tone.connect(gain).connect(out);
    tone.start(at);
    tone.stop(at + 0.6);
    return;
  }
  const noise = audio.createBufferSource();
  noise.buffer = noiseOf(audio);
  const filter = audio.createBiquadFilter();
  const metal = key >= 42 && key !== 43 && key !== 45 && key !== 47 && key !== 48;
  filter.type = metal ? 'highpass' : 'bandpass';
  filter.frequency.value = metal ? 6500 : 1800;
  gain.gain.setValueAtTime(loud * 0.9, at);
  gain.gain.setTargetAtTime(0, at + 0.005, key === 49 || key === 57 || key === 46 || key === 51 ? 0.25 : 0.05);
  noise.connect(filter).connect(gain).connect(out);
  noise.start(at);
  noise.stop(at + 1.2);
}

let noiseBuffer: AudioBuffer | null = null;

/** A second of even noise, always the same. */
function noiseOf(audio: AudioContext): AudioBuffer {
  if (noiseBuffer) return noiseBuffer;
  noiseBuffer = audio.createBuffer(1, audio.sampleRate, audio.sampleRate);
  const data = noiseBuffer.getChannelData(0);
  let state = 22_222;
  for (let i = 0; i < data.length; i++) {
    state = (Math.imul(state, 196_314_165) + 907_633_515) | 0;
    data[i] = state / 2 ** 31;
  }
  return noiseBuffer;
}
