/* The drum kit of General MIDI, key by key: skins are falling tones with noise, metal is noise and unharmonic tones. */
import { bandPass, SAMPLE_RATE, seededNoise, type Hertz } from './waves';

interface Stroke {
  seconds: number;
  /** Tones: frequency at the end, times it at the stroke, loudness, seconds until a thousandth. */
  tones?: readonly [hertz: Hertz, bend: number, level: number, dies: number][];
  noise?: { centre: Hertz; quality?: number; level: number; dies: number; attack?: number };
  /** Several strokes in one: their times. */
  again?: readonly number[];
}

export interface DrumPiece {
  name: string;
  /** Keys it stands for, and semitones it is moved by at each. */
  keys: readonly { key: number; semitones?: number }[];
  stroke: Stroke;
  /** Pieces that stop each other. */
  group?: number;
  pan?: number;
  decibels?: number;
}

const metal = (base: Hertz, level: number, dies: number): Stroke['tones'] =>
  [1, 1.342, 1.231, 1.679, 1.958, 2.47].map((ratio) => [base * ratio, 1, level, dies]);
const at = (...keys: number[]) => keys.map((key) => ({ key }));
const HATS = 1;

const skin = (hertz: Hertz, dies: number, slap = 0.4): Stroke => ({
  seconds: dies,
  tones: [
    [hertz, 1.7, 1, dies],
    [hertz * 1.59, 1.3, 0.4, dies / 2],
  ],
  noise: { centre: 1600, level: slap, dies: 0.05 },
});
const wood = (hertz: Hertz): Stroke => ({
  seconds: 0.12,
  tones: [
    [hertz, 1, 1, 0.08],
    [hertz * 2.4, 1, 0.4, 0.05],
  ],
});
const rattle = (centre: Hertz, dies: number, attack = 0.01, again?: number[]): Stroke => ({
  seconds: dies + (again?.at(-1) ?? 0),
  noise: { centre, level: 1, dies, attack },
  ...(again ? { again } : {}),
});

export const KIT: readonly DrumPiece[] = [
  {
    name: 'Bass Drum',
    keys: [{ key: 36 }, { key: 35, semitones: -2 }],
    stroke: { seconds: 0.5, tones: [[52, 3.2, 1, 0.45]], noise: { centre: 2200, level: 0.4, dies: 0.02 } },
    decibels: 3,
  },
  { name: 'Side Stick', keys: at(37), stroke: wood(1700), decibels: -3 },
  {
    name: 'Snare',
    keys: [{ key: 38 }, { key: 40, semitones: 2 }],
    stroke: {
      seconds: 0.32,
      tones: [
        [185, 1.4, 0.6, 0.16],
        [330, 1.2, 0.35, 0.1],
      ],
      noise: { centre: 4200, quality: 0.4, level: 1.4, dies: 0.26 },
    },
  },
  { name: 'Hand Clap', keys: at(39), stroke: rattle(1500, 0.16, 0.001, [0.011, 0.022]) },
  {
    name: 'Tom',
    keys: [41, 43, 45, 47, 48, 50].map((key, i) => ({ key, semitones: i * 2.6 })),
    stroke: skin(82, 0.7),
    decibels: 2,
  },
  {
    name: 'Closed Hi-Hat',
    keys: [{ key: 42 }, { key: 44, semitones: -3 }],
    stroke: { seconds: 0.12, tones: metal(4100, 0.12, 0.08), noise: { centre: 9500, level: 1, dies: 0.09 } },
    group: HATS,
    decibels: -5,
  },
  {
    name: 'Open Hi-Hat',
    keys: at(46),
    stroke: { seconds: 0.9, tones: metal(4100, 0.12, 0.7), noise: { centre: 9500, level: 1, dies: 0.8 } },
    group: HATS,
    decibels: -6,
  },
  {
    name: 'Crash Cymbal',
    keys: [{ key: 49 }, { key: 57, semitones: 2 }, { key: 52, semitones: -4 }, { key: 55, semitones: 7 }],
    stroke: { seconds: 1.8, tones: metal(2300, 0.1, 1.5), noise: { centre: 6500, quality: 0.4, level: 1, dies: 1.7 } },
    pan: -150,
    decibels: -3,
  },
  {
    name: 'Ride Cymbal',
    keys: [{ key: 51 }, { key: 59, semitones: 1.5 }],
    stroke: { seconds: 1.2, tones: metal(2900, 0.2, 1), noise: { centre: 8000, level: 0.5, dies: 0.7 } },
    pan: 150,
    decibels: -6,
  },
  {
    name: 'Ride Bell',
    keys: at(53),
    stroke: {
      seconds: 1,
      tones: [
        [1180, 1, 1, 0.9],
        [1860, 1, 0.6, 0.7],
        [3130, 1, 0.4, 0.5],
      ],
    },
    pan: 150,
    decibels: -6,
  },
  {
    name: 'Tambourine',
    keys: at(54),
    stroke: { seconds: 0.3, tones: metal(5200, 0.1, 0.25), noise: { centre: 8500, level: 1, dies: 0.2 } },
    decibels: -5,
  },
  {
    name: 'Cowbell',
    keys: at(56),
    stroke: {
      seconds: 0.35,
      tones: [
        [562, 1, 1, 0.3],
        [845, 1, 0.8, 0.25],
      ],
    },
    decibels: -5,
  },
  {
    name: 'Vibraslap',
    keys: at(58),
    stroke: rattle(
      2600,
      0.05,
      0.001,
      Array.from({ length: 22 }, (_, i) => (i + 1) * 0.03),
    ),
    decibels: -6,
  },
  {
    name: 'Bongo',
    keys: [{ key: 61 }, { key: 60, semitones: 5 }],
    stroke: skin(270, 0.22),
  },
  { name: 'Mute Conga', keys: at(62), stroke: skin(330, 0.1, 0.8) },
  {
    name: 'Conga',
    keys: [{ key: 64 }, { key: 63, semitones: 4 }],
    stroke: skin(175, 0.4),
  },
  {
    name: 'Timbale',
    keys: [{ key: 66 }, { key: 65, semitones: 5 }],
    stroke: skin(290, 0.45, 0.9),
  },
  {
    name: 'Agogo',
    keys: [{ key: 68 }, { key: 67, semitones: 5 }],
    stroke: {
      seconds: 0.5,
      tones: [
        [830, 1, 1, 0.45],
        [2050, 1, 0.5, 0.3],
      ],
    },
    decibels: -5,
  },
  { name: 'Cabasa', keys: at(69), stroke: rattle(7500, 0.12, 0.03), decibels: -5 },
  { name: 'Maracas', keys: at(70), stroke: rattle(9000, 0.07, 0.015), decibels: -5 },
  {
    name: 'Whistle',
    keys: at(71),
    stroke: { seconds: 0.18, tones: [[2350, 1, 0.8, 0.5]], noise: { centre: 2400, level: 0.6, dies: 0.3 } },
    decibels: -8,
  },
  {
    name: 'Long Whistle',
    keys: at(72),
    stroke: { seconds: 0.6, tones: [[2350, 1, 0.8, 1.6]], noise: { centre: 2400, level: 0.6, dies: 1 } },
    decibels: -8,
  },
  { name: 'Guiro', keys: at(73), stroke: rattle(3200, 0.03, 0.001, [0.025, 0.05]), decibels: -3 },
  {
    name: 'Long Guiro',
    keys: at(74),
    stroke: rattle(
      3200,
      0.03,
      0.001,
      Array.from({ length: 14 }, (_, i) => (i + 1) * 0.03),
    ),
    decibels: -3,
  },
  { name: 'Claves', keys: at(75), stroke: wood(2500), decibels: -3 },
  { name: 'Wood Block', keys: [{ key: 77 }, { key: 76, semitones: 4 }], stroke: wood(780) },
  {
    name: 'Cuica',
    keys: [{ key: 79 }, { key: 78, semitones: 5 }],
    stroke: { seconds: 0.3, tones: [[430, 0.6, 1, 0.5]] },
  },
  {
    name: 'Mute Triangle',
    keys: at(80),
    stroke: {
      seconds: 0.12,
      tones: [
        [3950, 1, 1, 0.1],
        [6420, 1, 0.6, 0.08],
      ],
    },
    group: 2,
    decibels: -8,
  },
  {
    name: 'Open Triangle',
    keys: at(81),
    stroke: {
      seconds: 1.4,
      tones: [
        [3950, 1, 1, 1.4],
        [6420, 1, 0.6, 1.1],
        [9210, 1, 0.3, 0.6],
      ],
    },
    group: 2,
    decibels: -8,
  },
  { name: 'Shaker', keys: at(82), stroke: rattle(6800, 0.1, 0.03), decibels: -5 },
];

/** One sample of a piece, struck once. */
export function strikePiece({ name, stroke }: DrumPiece): Float32Array {
  const { seconds, tones = [], noise, again = [] } = stroke;
  const data = new Float32Array(Math.ceil(seconds * SAMPLE_RATE));
  const random = seededNoise([...name].reduce((sum, letter) => sum * 31 + letter.charCodeAt(0), 7));
  for (const start of [0, ...again]) {
    for (const tone of tones) addTone(data, start, tone);
    if (noise) addBurst(data, start, noise, random);
  }
  fadeOut(data);
  const peak = data.reduce((most, x) => Math.max(most, Math.abs(x)), 1e-9);
  return data.map((x) => (x / peak) * 0.95);
}

type Tone = NonNullable<Stroke['tones']>[number];

function addTone(data: Float32Array, start: number, [hertz, bend, level, dies]: Tone): void {
  let phase = 0;
  const first = Math.round(start * SAMPLE_RATE);
  for (let i = first; i < data.length; i++) {
    const t = (i - first) / SAMPLE_RATE;
    phase += (2 * Math.PI * hertz * (1 + (bend - 1) * Math.exp(-t / 0.025))) / SAMPLE_RATE;
    data[i]! += level * Math.exp((-6.9 * t) / dies) * Math.sin(phase);
  }
}

function addBurst(
  data: Float32Array,
  start: number,
  { centre, quality = 0.7, level, dies, attack = 0.0005 }: NonNullable<Stroke['noise']>,
  random: () => number,
): void {
  const filter = bandPass(centre, quality);
  const first = Math.round(start * SAMPLE_RATE);
  for (let i = first; i < data.length; i++) {
    const t = (i - first) / SAMPLE_RATE;
    data[i]! += level * Math.min(1, t / attack) * Math.exp((-6.9 * t) / dies) * filter(random());
  }
}

/** The end of a sample must not be heard. */
function fadeOut(data: Float32Array): void {
  const length = Math.min(data.length, Math.round(0.02 * SAMPLE_RATE));
  for (let i = 0; i < length; i++) data[data.length - 1 - i]! *= i / length;
}
