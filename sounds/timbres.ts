/* The sounds of the bank, each told by its spectrum and by how it begins and ends. Common practice, no source. */
import type { Hertz, Partial, StruckPartial } from './waves';

export interface Timbre {
  /** Loudness of a harmonic (from 1) that lies at a frequency. */
  spectrum: (harmonic: number, hertz: Hertz) => number;
  struck?: readonly StruckPartial[];
  noise?: { level: number; seconds: number; centre: Hertz };
  ensemble?: boolean;
  /** Seconds of stroke before what repeats. */
  stroke: number;
  envelope: Envelope;
  /** Where the sound is cut off, and how far it opens at the stroke (cents, seconds). */
  filter?: { cutoff: Hertz; opens?: number; closes?: number };
  vibrato?: { cents: number; hertz: Hertz; after: number };
  /** Trembling bow. */
  tremolo?: { decibels: number; hertz: Hertz };
  decibels?: number;
  /** Where it is at home: sampled there only, and stretched elsewhere. */
  home?: 'low' | 'high';
}

export interface Envelope {
  attack: number;
  /** Seconds in which it dies away while held; none for what goes on. */
  decay?: number;
  release: number;
}

/** A hump of the spectrum that stays where it is, whatever the pitch. */
const formant = (centre: Hertz, octaves: number, level: number) => (hertz: Hertz) =>
  level * Math.exp(-((Math.log2(hertz / centre) / octaves) ** 2));

const formants =
  (fall: number, floor: number, ...humps: ((hertz: Hertz) => number)[]) =>
  (harmonic: number, hertz: Hertz) =>
    harmonic ** -fall * (floor + humps.reduce((sum, hump) => sum + hump(hertz), 0));

const falling = (power: number) => (harmonic: number) => harmonic ** -power;
const odd = (power: number, even: number) => (harmonic: number) => harmonic ** -power * (harmonic % 2 ? 1 : even);
const only =
  (...levels: number[]) =>
  (harmonic: number) =>
    levels[harmonic - 1] ?? 0;
/** A string plucked at a share of its length: harmonics with a node there are missing. */
const plucked = (share: number, power: number) => (harmonic: number) =>
  Math.abs(Math.sin(Math.PI * harmonic * share)) * harmonic ** -power;

const partialsThatDie = (...list: [ratio: number, level: number, dies: number][]): StruckPartial[] =>
  list.map(([ratio, level, dies]) => ({ ratio, level, dies }));

const blown = (attack: number, release = 0.1): Envelope => ({ attack, release });
const dying = (decay: number, release = 0.15, attack = 0.001): Envelope => ({ attack, decay, release });
const VIBRATO = { cents: 9, hertz: 5.4, after: 0.35 };
const CONSORT = { cents: 5, hertz: 5, after: 0.3 };

const bowed = (low: Hertz, high: Hertz): Timbre => ({
  spectrum: formants(0.9, 0.25, formant(low, 0.6, 0.9), formant(high, 0.7, 0.8)),
  noise: { level: 0.5, seconds: 0.06, centre: high },
  stroke: 0.08,
  envelope: { attack: 0.06, release: 0.14 },
  filter: { cutoff: 6500 },
  vibrato: VIBRATO,
});

const reed = (low: Hertz, high: Hertz, fall = 0.6): Timbre => ({
  spectrum: formants(fall, 0.15, formant(low, 0.5, 1), formant(high, 0.4, 0.4)),
  noise: { level: 0.15, seconds: 0.04, centre: 2500 },
  stroke: 0.05,
  envelope: blown(0.03),
  filter: { cutoff: 7000 },
  vibrato: CONSORT,
});

const brass = (centre: Hertz, cutoff: Hertz, attack: number): Timbre => ({
  spectrum: formants(0.75, 0.3, formant(centre, 0.9, 1)),
  noise: { level: 0.12, seconds: 0.03, centre: 1500 },
  stroke: 0.04,
  envelope: blown(attack, 0.12),
  // Brass opens as it speaks.
  filter: { cutoff, opens: -1500, closes: 0.12 },
  vibrato: { cents: 3, hertz: 5, after: 0.5 },
});

const plucking = (share: number, power: number, decay: number, cutoff: Hertz): Timbre => ({
  spectrum: plucked(share, power),
  noise: { level: 0.3, seconds: 0.012, centre: 3000 },
  stroke: 0.05,
  envelope: dying(decay, 0.18),
  filter: { cutoff, opens: 2600, closes: decay / 3 },
  decibels: 3,
});

const bar = (decay: number, ...list: [number, number, number][]): Timbre => ({
  spectrum: only(1),
  struck: partialsThatDie(...list),
  noise: { level: 0.35, seconds: 0.008, centre: 2500 },
  stroke: 0.22,
  envelope: dying(decay, Math.min(decay, 0.6)),
  decibels: 6,
  home: 'high',
});

const flute = (breath: number, second: number): Timbre => ({
  spectrum: only(1, second, second * 0.45, second * 0.2, 0.03, 0.02, 0.01),
  noise: { level: breath, seconds: 0.09, centre: 2800 },
  stroke: 0.1,
  envelope: blown(0.05),
  vibrato: { cents: 7, hertz: 5, after: 0.3 },
  decibels: 1,
  home: 'high',
});

const voices = (first: Hertz, second: Hertz): Timbre => ({
  spectrum: formants(0.9, 0.06, formant(first, 0.4, 1), formant(second, 0.3, 0.45), formant(2900, 0.3, 0.12)),
  ensemble: true,
  stroke: 0.02,
  envelope: { attack: 0.14, release: 0.25 },
  vibrato: CONSORT,
});

const section = (attack: number, fall = 1): Timbre => ({
  spectrum: formants(fall, 0.5, formant(500, 1, 0.6), formant(2400, 1, 0.5)),
  ensemble: true,
  stroke: 0.02,
  envelope: { attack, release: 0.28 },
  filter: { cutoff: 5200 },
  vibrato: CONSORT,
});

const synthetic = (spectrum: Timbre['spectrum'], envelope: Envelope, cutoff: Hertz, ensemble = false): Timbre => ({
  spectrum,
  ensemble,
  stroke: 0.02,
  envelope,
  filter: { cutoff },
});

export const TIMBRES = {
  piano: {
    spectrum: (h: number, hertz: Hertz) =>
      h ** -1.35 * Math.abs(Math.sin((Math.PI * h) / 8.2)) * (hertz < 3500 ? 1 : 0.4),
    struck: partialsThatDie(
      [2.002, 0.3, 0.5],
      [3.006, 0.25, 0.4],
      [5.03, 0.2, 0.25],
      [7.08, 0.15, 0.15],
      [9.2, 0.1, 0.1],
    ),
    noise: { level: 0.6, seconds: 0.025, centre: 1200 },
    stroke: 0.3,
    envelope: dying(9, 0.25),
    filter: { cutoff: 2600, opens: 2400, closes: 1.2 },
    decibels: 2,
  },
  electricPiano: {
    spectrum: only(1, 0.25, 0.06, 0.04),
    struck: partialsThatDie([7, 0.25, 0.25], [11, 0.1, 0.12], [2, 0.3, 0.6]),
    stroke: 0.3,
    envelope: dying(7, 0.2),
    decibels: 2,
  },
  harpsichord: { ...plucking(0.13, 0.55, 4, 9000), decibels: -2 },
  clavinet: plucking(0.2, 0.7, 2.2, 5000),
  celesta: bar(2.6, [4, 0.35, 0.5], [8.9, 0.1, 0.15]),
  glockenspiel: bar(3, [2.76, 0.5, 0.7], [5.4, 0.3, 0.3], [8.93, 0.15, 0.15]),
  vibraphone: { ...bar(6, [4, 0.4, 0.6], [10.1, 0.1, 0.12]), tremolo: { decibels: 1.5, hertz: 5 } },
  marimba: bar(1.1, [4, 0.35, 0.12], [9.9, 0.15, 0.05]),
  xylophone: bar(0.5, [3, 0.6, 0.12], [6.1, 0.3, 0.06], [10, 0.15, 0.03]),
  bells: bar(6, [2, 0.7, 1.5], [2.4, 0.5, 1.2], [3, 0.5, 1], [4.5, 0.4, 0.6], [5.33, 0.3, 0.5], [0.5, 0.3, 2]),
  steelDrum: bar(1.4, [2, 0.7, 0.5], [3, 0.4, 0.3], [4.06, 0.2, 0.2]),
  kalimba: bar(1.3, [5.4, 0.3, 0.15], [2, 0.2, 0.3]),
  woodblock: bar(0.12, [1.6, 0.7, 0.06], [2.6, 0.5, 0.04]),
  drumHead: {
    spectrum: only(1),
    struck: partialsThatDie([1.5, 0.6, 0.4], [1.98, 0.5, 0.3], [2.44, 0.3, 0.2]),
    noise: { level: 1.2, seconds: 0.03, centre: 400 },
    stroke: 0.3,
    envelope: dying(1.2, 0.5),
    decibels: 4,
  },
  organ: {
    spectrum: only(1, 0.8, 0.5, 0.4, 0, 0.25, 0, 0.2),
    stroke: 0.01,
    envelope: { attack: 0.006, release: 0.05 },
  },
  churchOrgan: {
    spectrum: only(1, 0.7, 0.4, 0.5, 0.15, 0.3, 0.1, 0.3),
    ensemble: true,
    stroke: 0.02,
    envelope: { attack: 0.05, release: 0.3 },
  },
  freeReed: { ...reed(900, 2400, 0.45), ensemble: true, vibrato: undefined },
  nylonGuitar: plucking(0.23, 1.1, 3.2, 1900),
  steelGuitar: plucking(0.15, 0.8, 4, 3000),
  cleanGuitar: plucking(0.27, 0.9, 5, 2600),
  mutedGuitar: { ...plucking(0.2, 1.1, 0.28, 1500), decibels: 5 },
  drivenGuitar: synthetic(formants(0.5, 0.4, formant(1500, 1, 0.8)), { attack: 0.004, decay: 14, release: 0.15 }, 4200),
  harmonics: plucking(0.5, 1.8, 3, 4000),
  doubleBass: { ...plucking(0.3, 1.4, 1.6, 900), decibels: 4, home: 'low' },
  fingerBass: { ...plucking(0.25, 1.1, 3, 1100), decibels: 3, home: 'low' },
  pickBass: { ...plucking(0.15, 0.9, 3, 1800), decibels: 2, home: 'low' },
  slapBass: { ...plucking(0.1, 0.7, 2.2, 2600), decibels: 1, home: 'low' },
  synthBass: { ...synthetic(falling(1), { attack: 0.003, decay: 3, release: 0.08 }, 1400), home: 'low' },
  violin: { ...bowed(480, 2600), home: 'high' },
  viola: { ...bowed(360, 1900), home: 'high' },
  cello: { ...bowed(250, 1400), home: 'low' },
  contrabass: { ...bowed(150, 800), home: 'low' },
  tremoloStrings: { ...section(0.05), tremolo: { decibels: 7, hertz: 11 } },
  pizzicato: { ...plucking(0.3, 1.3, 0.6, 1600), decibels: 6 },
  harp: { ...plucking(0.35, 1.4, 3.5, 2200), decibels: 1 },
  strings: section(0.09),
  slowStrings: section(0.28),
  choir: voices(750, 1200),
  humming: voices(420, 900),
  orchestraHit: { ...section(0.004, 0.7), envelope: dying(0.7, 0.3, 0.004), noise: undefined, decibels: 3 },
  trumpet: { ...brass(1300, 6500, 0.025), home: 'high' },
  mutedTrumpet: {
    ...brass(2600, 8000, 0.02),
    spectrum: formants(0.2, 0.08, formant(2600, 0.5, 1)),
    decibels: -5,
  },
  trombone: { ...brass(650, 4200, 0.035), home: 'low' },
  tuba: { ...brass(280, 2000, 0.04), home: 'low' },
  horn: brass(450, 2300, 0.045),
  brassSection: { ...brass(1000, 5500, 0.03), ensemble: true },
  synthBrass: synthetic(falling(0.9), { attack: 0.02, release: 0.15 }, 3800, true),
  sopranoSax: { ...reed(1100, 2600), home: 'high' },
  altoSax: reed(800, 2200),
  tenorSax: reed(600, 1800),
  baritoneSax: { ...reed(400, 1300), home: 'low' },
  oboe: { ...reed(1150, 2900, 0.35), home: 'high' },
  englishHorn: { ...reed(900, 2300, 0.45), home: 'high' },
  bassoon: { ...reed(480, 1200, 0.6), home: 'low' },
  clarinet: { ...reed(700, 2000), spectrum: odd(1, 0.12), vibrato: undefined },
  flute: flute(0.35, 0.4),
  piccolo: flute(0.3, 0.25),
  recorder: flute(0.2, 0.12),
  panFlute: flute(1, 0.15),
  whistle: { ...flute(0.2, 0.03), envelope: blown(0.03) },
  squareLead: { ...synthetic(odd(1, 0), { attack: 0.004, release: 0.06 }, 6000), home: 'high' },
  sawLead: { ...synthetic(falling(1), { attack: 0.004, release: 0.06 }, 6000), home: 'high' },
  pad: synthetic(falling(1.3), { attack: 0.35, release: 0.7 }, 2400, true),
  brightPad: synthetic(falling(0.9), { attack: 0.25, release: 0.7 }, 4500, true),
  sitar: { ...plucking(0.08, 0.45, 4, 5500), vibrato: CONSORT },
  banjo: { ...plucking(0.12, 0.7, 1.1, 4500), home: 'high' },
  koto: plucking(0.18, 0.9, 2.2, 3200),
  bagpipe: { ...reed(1400, 2800, 0.2), vibrato: undefined, decibels: -3, home: 'high' },
} satisfies Record<string, Timbre>;

export type TimbreName = keyof typeof TIMBRES;

/** Harmonics of a tone up to what can be heard. */
export function harmonicsOf(timbre: Timbre, frequency: Hertz): Partial[] {
  const list: Partial[] = [];
  for (let harmonic = 1; harmonic <= 64 && harmonic * frequency < 14_000; harmonic++) {
    const level = timbre.spectrum(harmonic, harmonic * frequency);
    if (level > 1e-4) list.push({ ratio: harmonic, level });
  }
  return list;
}
