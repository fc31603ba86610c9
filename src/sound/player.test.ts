import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { HeardNote } from '@/core/engine';

/* What the module asks of Web Audio, written down by a stand-in for it. */

interface Sounded {
  kind: 'tone' | 'noise';
  wave?: string;
  frequency?: number;
  start: number;
  stop: number;
}
let sounded: Sounded[] = [];
let disconnected = 0;

const parameter = () => ({
  value: 0,
  setValueAtTime: vi.fn(),
  linearRampToValueAtTime: vi.fn(),
  exponentialRampToValueAtTime: vi.fn(),
  setTargetAtTime: vi.fn(),
});
const node = () => ({ connect: (to: unknown) => to, disconnect: () => disconnected++, gain: parameter() });

function source(kind: Sounded['kind']) {
  const one = { ...node(), kind, type: 'sine', frequency: parameter(), start: 0 };
  const note: Sounded = { kind, start: 0, stop: 0 };
  return Object.assign(one, {
    start: (at: number) => {
      sounded.push(note);
      Object.assign(note, { start: at, wave: one.type, frequency: one.frequency.value });
    },
    stop: (at: number) => (note.stop = at),
  });
}

class FakeAudioContext {
  state = 'suspended';
  currentTime = 10;
  sampleRate = 100;
  destination = node();
  resume = () => Promise.resolve((this.state = 'running'));
  createGain = node;
  createDynamicsCompressor = node;
  createOscillator = () => source('tone');
  createBufferSource = () => source('noise');
  createBiquadFilter = () => ({ ...node(), frequency: parameter(), type: '' });
  createBuffer = (_channels: number, length: number) => ({ getChannelData: () => new Float32Array(length) });
}

const note = (more: Partial<HeardNote>): HeardNote => ({
  key: 69,
  velocity: 100,
  start: 0,
  duration: 1,
  drum: false,
  program: 1,
  ...more,
});

const { play, stopPlaying } = await import('./player');

beforeEach(() => {
  stopPlaying();
  sounded = [];
  disconnected = 0;
  vi.useFakeTimers();
  vi.stubGlobal('AudioContext', FakeAudioContext);
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('the sound module', () => {
  it('plays each note at its time, in equal temperament from A at 440 Hz', async () => {
    await play([note({}), note({ key: 81, start: 0.5, duration: 2 })]);
    expect(sounded.map(({ frequency }) => frequency)).toEqual([440, 880]);
    expect(sounded[1]!.start - sounded[0]!.start).toBeCloseTo(0.5, 6);
    expect(sounded[0]!.stop).toBeGreaterThan(sounded[0]!.start + 1);
  });
  it('gives families different sounds, and unnamed programs the first one', async () => {
    await play([note({ program: 1 }), note({ program: 41 }), note({ program: null })]);
    const [piano, strings, unnamed] = sounded.map(({ wave }) => wave);
    expect(piano).not.toBe(strings);
    expect(unnamed).toBe(piano);
  });
  it('strikes skins as tones and metal as noise', async () => {
    await play([note({ drum: true, key: 36 }), note({ drum: true, key: 42 }), note({ drum: true, key: 45 })]);
    expect(sounded.map(({ kind }) => kind)).toEqual(['tone', 'noise', 'tone']);
  });
  it('hands notes on a little ahead of time, from any place, at any tempo', async () => {
    const run = Array.from({ length: 60 }, (_, i) => note({ key: 60 + (i % 12), start: i * 0.25, duration: 0.2 }));
    const { position } = await play(run, { from: 5, rate: 0.5 });
    // From 5 s on, one second of the clock ahead: half a second of music.
    expect(sounded).toHaveLength(3);
    expect(position()).toBe(5);
    const apart = sounded[1]!.start - sounded[0]!.start;
    expect(apart).toBeCloseTo(0.5, 6);
    expect(sounded[0]!.stop - sounded[0]!.start).toBeGreaterThan(0.4);
  });
  it('ends by itself, and stops what played before', async () => {
    const ended = vi.fn();
    await play([note({})], { onEnd: ended });
    vi.advanceTimersByTime(1500);
    expect(ended).toHaveBeenCalledOnce();
    const before = vi.fn();
    await play([note({ duration: 60 })], { onEnd: before });
    await play([note({})]);
    expect(before).toHaveBeenCalledOnce();
    stopPlaying();
    stopPlaying();
    expect(disconnected).toBe(3);
  });
});
