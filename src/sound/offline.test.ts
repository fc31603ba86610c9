import { readFileSync } from 'node:fs';
import { beforeAll, describe, expect, it } from 'vitest';
import { toEnd } from '@/core/base';
import { freshChannels, type TimedMessage } from './messages';
import { openRenderer, RENDER_RATE, type Renderer } from './offline';

/* The bank that comes along, heard by measuring: General MIDI 1 and its recommended practices, the source beside each. */

let renderer: Renderer;
beforeAll(async () => {
  const bytes = readFileSync(new URL('../../public/sounds/general-midi.sf2', import.meta.url));
  renderer = await openRenderer(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.length));
});

type Said = [at: number, status: number, data1: number, data2: number];
const PROGRAM = 0xc0;
const CONTROL = 0xb0;
const ON = 0x90;
const OFF = 0x80;

/** The left side; what is said goes to one channel. */
function render(seconds: number, said: Said[], { drums = false, dry = true } = {}): Float32Array {
  const channels = [{ drums, click: false }];
  const messages: TimedMessage[] = [
    ...freshChannels(channels, 0),
    ...(dry ? [{ at: 0, channel: 0, bytes: [CONTROL, 91, 0] as const }] : []),
    ...said.map(([at, ...bytes]) => ({ at, channel: 0, bytes })),
  ];
  return toEnd(renderer.render(channels, messages, seconds)).left;
}
const between = (sound: Float32Array, from: number, to: number) => sound.subarray(from * RENDER_RATE, to * RENDER_RATE);
const rms = (sound: Float32Array) => Math.sqrt(sound.reduce((sum, x) => sum + x * x, 0) / sound.length);
const peak = (sound: Float32Array) => sound.reduce((most, x) => Math.max(most, Math.abs(x)), 0);
const decibels = (ratio: number) => 20 * Math.log10(ratio);

/** How strong a frequency is, and its phase: a single line of the Fourier transform under a Hann window. */
function lineAt(sound: Float32Array, hertz: number): { level: number; phase: number } {
  let [real, imaginary] = [0, 0];
  for (let i = 0; i < sound.length; i++) {
    const window = 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / sound.length);
    const angle = (2 * Math.PI * hertz * i) / RENDER_RATE;
    real += sound[i]! * window * Math.cos(angle);
    imaginary -= sound[i]! * window * Math.sin(angle);
  }
  return { level: Math.hypot(real, imaginary) / sound.length, phase: Math.atan2(imaginary, real) };
}

/** Cents from a frequency, by how its phase drifts between two stretches of time. */
function centsFrom(sound: Float32Array, hertz: number, { from = 0.12, length = 0.15, apart = 0.05 } = {}): number {
  const [a, b] = [from, from + apart].map((at) => lineAt(between(sound, at, at + length), hertz));
  const turned = b!.phase - a!.phase - 2 * Math.PI * hertz * apart;
  const drift = Math.atan2(Math.sin(turned), Math.cos(turned));
  return 1200 * Math.log2((hertz + drift / (2 * Math.PI * apart)) / hertz);
}

/** It has no vibrato: measured at length. */
const CLARINET = { from: 0.15, length: 0.3, apart: 0.1 };

describe('pitch', () => {
  // ISO 16: A above middle C is 440 Hz. Measured before the vibrato begins.
  it.each([
    [1, 'piano'],
    [17, 'organ'],
    [41, 'violin'],
    [57, 'trumpet'],
    [72, 'clarinet'],
    [74, 'flute'],
  ])('program %i plays A at 440 Hz within a cent (%s)', (program) => {
    const sound = render(0.6, [
      [0, PROGRAM, program - 1, 0],
      [0, ON, 69, 90],
    ]);
    expect(Math.abs(centsFrom(sound, 440))).toBeLessThan(1);
  });
  it('ensembles beat about their pitch, and stay within five cents of it', () => {
    for (const program of [20, 49, 53, 62]) {
      const sound = render(1.6, [
        [0, PROGRAM, program - 1, 0],
        [0, ON, 69, 90],
      ]);
      expect(Math.abs(centsFrom(sound, 440, { from: 0.3, length: 1, apart: 0.05 }))).toBeLessThan(5);
    }
  });
  it('is tempered equally over the whole compass', () => {
    for (const key of [33, 45, 52, 60, 64, 76, 81, 88, 96]) {
      const sound = render(0.6, [
        [0, PROGRAM, 71, 0],
        [0, ON, key, 90],
      ]);
      const hertz = 440 * 2 ** ((key - 69) / 12);
      expect(Math.abs(centsFrom(sound, hertz, CLARINET)), `key ${key}`).toBeLessThan(1);
    }
  });
  it('bends by two semitones, and by as many as parameter 0 says (MIDI 1.0, RPN 0)', () => {
    const bent = (said: Said[]) => render(0.6, [[0, PROGRAM, 71, 0], ...said, [0, 0xe0, 127, 127], [0, ON, 69, 90]]);
    const whole = 8191 / 8192;
    expect(Math.abs(centsFrom(bent([]), 440 * 2 ** ((2 * whole) / 12), CLARINET))).toBeLessThan(1);
    const octave = bent([
      [0, CONTROL, 101, 0],
      [0, CONTROL, 100, 0],
      [0, CONTROL, 6, 12],
    ]);
    expect(Math.abs(centsFrom(octave, 440 * 2 ** whole, CLARINET))).toBeLessThan(1.5);
  });
});

describe('time', () => {
  it.each([1, 14, 47])('program %i begins within a millisecond of its time, and not before', (program) => {
    const at = 0.3217;
    const sound = render(0.5, [
      [0, PROGRAM, program - 1, 0],
      [at, ON, 69, 110],
    ]);
    const heard = peak(sound) / 100;
    const first = sound.findIndex((x) => Math.abs(x) > heard);
    expect(first / RENDER_RATE - at).toBeGreaterThanOrEqual(-1 / RENDER_RATE);
    expect(first / RENDER_RATE - at).toBeLessThan(0.001);
  });
  it('is silent where nothing plays', () => {
    const sound = render(4, [
      [0.5, ON, 60, 100],
      [1, OFF, 60, 0],
    ]);
    expect(peak(between(sound, 0, 0.49))).toBe(0);
    expect(decibels(peak(between(sound, 3, 4)) / peak(sound))).toBeLessThan(-80);
    expect(peak(render(1, []))).toBe(0);
  });
  it.each([20, 41, 57, 74, 1])('program %i ends without a click', (program) => {
    const sound = render(1.2, [
      [0, PROGRAM, program - 1, 0],
      [0, ON, 69, 100],
      [0.7, OFF, 69, 0],
    ]);
    // A click is a step: nothing after the release jumps more than the tone itself does.
    const step = (part: Float32Array) =>
      part.reduce((most, x, i) => Math.max(most, i ? Math.abs(x - part[i - 1]!) : 0), 0);
    expect(step(between(sound, 0.69, 1.19))).toBeLessThanOrEqual(step(between(sound, 0.4, 0.69)) * 1.05);
    expect(Math.abs(sound.at(-1)!)).toBeLessThan(peak(sound) / 30);
  });
  it('holds what the pedal holds (controller 64)', () => {
    const held = (pedal: number) =>
      rms(
        between(
          render(1.5, [
            [0, PROGRAM, 19, 0],
            [0, CONTROL, 64, pedal],
            [0, ON, 60, 90],
            [0.4, OFF, 60, 0],
          ]),
          1.2,
          1.5,
        ),
      );
    expect(held(127)).toBeGreaterThan(0.005);
    expect(held(0)).toBeLessThan(1e-4);
  });
});

describe('loudness', () => {
  // General MIDI: controllers 7 and 11 by 40 · log10(value / 127) (GM developer guidelines and RP-003, from memory).
  it.each([7, 11])('controller %i follows the curve of General MIDI', (controller) => {
    const loud = (value: number) =>
      rms(
        between(
          render(0.8, [
            [0, PROGRAM, 19, 0],
            [0, CONTROL, controller, value],
            [0, ON, 60, 100],
          ]),
          0.3,
          0.8,
        ),
      );
    const full = loud(127);
    for (const value of [100, 80, 64, 32])
      expect(decibels(loud(value) / full)).toBeCloseTo(40 * Math.log10(value / 127), 0);
    expect(loud(0)).toBeLessThan(full / 1000);
  });
  it('grows with velocity, and every program sounds about as loud', () => {
    const loud = (program: number, velocity: number) =>
      peak(
        render(0.4, [
          [0, PROGRAM, program - 1, 0],
          [0, ON, 60, velocity],
        ]),
      );
    expect(loud(1, 100)).toBeGreaterThan(loud(1, 60) * 1.5);
    const peaks = Array.from({ length: 128 }, (_, i) => loud(i + 1, 90));
    expect(Math.max(...peaks) / Math.min(...peaks)).toBeLessThan(8);
    expect(Math.max(...peaks)).toBeLessThan(0.6);
  });
  it('pans from side to side (controller 10), and adds a room (controller 91)', () => {
    const side = (pan: number) =>
      rms(
        between(
          render(0.6, [
            [0, PROGRAM, 71, 0],
            [0, CONTROL, 10, pan],
            [0.1, ON, 60, 90],
          ]),
          0.3,
          0.6,
        ),
      );
    expect(side(0)).toBeGreaterThan(side(127) * 10);
    const tail = (room: number) =>
      rms(
        between(
          render(
            1.2,
            [
              [0, PROGRAM, 71, 0],
              [0, CONTROL, 91, room],
              [0, ON, 60, 90],
              [0.3, OFF, 60, 0],
            ],
            { dry: false },
          ),
          0.8,
          1.2,
        ),
      );
    expect(tail(127)).toBeGreaterThan(tail(0) * 5);
  });
  it('trembles with the wheel (controller 1)', () => {
    const wobble = (depth: number) => {
      const sound = render(1.2, [
        [0, PROGRAM, 71, 0],
        [0, CONTROL, 1, depth],
        [0, ON, 69, 90],
      ]);
      // What is left of the pure line says how far the pitch wanders.
      return lineAt(between(sound, 0.4, 1.2), 440).level;
    };
    expect(wobble(127)).toBeLessThan(wobble(0) * 0.8);
  });
});

describe('percussion', () => {
  it('has a sound for every key of General MIDI 1 (35–81), and none is like another in length and colour', () => {
    const seen = new Set<string>();
    for (let key = 35; key <= 81; key++) {
      const sound = render(1, [[0, ON, key, 100]], { drums: true });
      expect(peak(sound), `key ${key}`).toBeGreaterThan(0.01);
      const crossings = sound.reduce((n, x, i) => n + (i && x >= 0 !== sound[i - 1]! >= 0 ? 1 : 0), 0);
      seen.add(`${crossings} ${peak(sound).toFixed(4)}`);
    }
    expect(seen.size).toBe(47);
  });
  it('closes an open hi-hat', () => {
    const ring = (said: Said[]) => rms(between(render(0.4, [[0, ON, 46, 100], ...said], { drums: true }), 0.2, 0.3));
    expect(ring([])).toBeGreaterThan(ring([[0.1, ON, 42, 1]]) * 5);
  });
});
