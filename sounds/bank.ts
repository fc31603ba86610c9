/* The bank: samples, instruments and presets as SoundFont 2.04 has them, written by spessasynth_core. */
import {
  BasicInstrument,
  BasicPreset,
  BasicSample,
  BasicSoundBank,
  GeneratorTypes as G,
  Modulator,
  ModulatorControllerSources,
  SampleTypes,
  type BasicInstrumentZone,
} from 'spessasynth_core';
import { programName } from '../src/core/instruments';
import { KIT, strikePiece } from './kit';
import { PROGRAMS } from './programs';
import { harmonicsOf, TIMBRES, type Envelope, type Timbre, type TimbreName } from './timbres';
import { makeWave, SAMPLE_RATE } from './waves';

/** Keys that are sampled; each serves those about it. */
const ROOTS = [29, 42, 54, 65, 76, 90];
const HOME = { low: ROOTS.slice(0, 4), high: ROOTS.slice(2) };

const hertzOf = (key: number) => 440 * 2 ** ((key - 69) / 12);
/** SoundFont 2.04, 8.1.3: times are 1200 · log2(seconds), cut-offs in cents above 8.176 Hz. */
const timecents = (seconds: number) => Math.round(1200 * Math.log2(Math.max(seconds, 0.001)));
const cents = (hertz: number) => Math.round(1200 * Math.log2(hertz / 8.176));

/** By what they are made of. */
const made = new WeakMap<BasicSoundBank, Map<string, BasicSample>>();

/** The bank of General MIDI: 128 programs and a drum kit. */
export function makeBank(): BasicSoundBank {
  const bank = new BasicSoundBank('sf2');
  bank.soundBankInfo.name = 'Dragoman General MIDI';
  bank.soundBankInfo.comment = 'Made of sines and noise by sounds/make.ts.';
  bank.soundBankInfo.creationDate = new Date(0);
  const instruments = new Map<TimbreName, BasicInstrument>();
  PROGRAMS.forEach((name, program) => {
    const instrument = instruments.get(name) ?? makeInstrument(bank, name);
    instruments.set(name, instrument);
    addPreset(bank, instrument, programName(program + 1), { program, bank: 0 });
  });
  addPreset(bank, makeKit(bank), 'Drum Kit', { program: 0, bank: 128 });
  return bank;
}

function addPreset(
  bank: BasicSoundBank,
  instrument: BasicInstrument,
  name: string,
  place: { program: number; bank: number },
): void {
  const preset = new BasicPreset(bank);
  preset.name = name.slice(0, 20);
  preset.program = place.program;
  preset.isGMGSDrum = place.bank === 128;
  preset.createZone(instrument);
  bank.addPresets(preset);
}

function makeInstrument(bank: BasicSoundBank, name: TimbreName): BasicInstrument {
  const timbre: Timbre = TIMBRES[name];
  const instrument = new BasicInstrument();
  instrument.name = name;
  const roots = timbre.home ? HOME[timbre.home] : ROOTS;
  let from = 0;
  roots.forEach((root, i) => {
    const zone = instrument.createZone(sampleOf(bank, name, timbre, root));
    const next = roots[i + 1];
    const upTo = next === undefined ? 127 : Math.floor((root + next) / 2);
    zone.keyRange = { min: from, max: upTo };
    from = upTo + 1;
    zone.setGenerator(G.sampleModes, 1);
    shape(zone, timbre);
  });
  instrument.globalZone.addModulators(wheel(bank));
  bank.addInstruments(instrument);
  return instrument;
}

/**
 * The pitch wheel by as much as its range says. SoundFont's own default (8.4.10) is 12,700 cents by a range that is counted
 * in 128ths: a hundredth too little, 1.6 cents at two semitones.
 */
function wheel(bank: BasicSoundBank): Modulator {
  const usual = bank.defaultModulators.find(
    ({ primarySource }) => !primarySource.isCC && primarySource.index === ModulatorControllerSources.pitchWheel,
  )!;
  const exact = Modulator.copyFrom(usual);
  exact.transformAmount = 12_800;
  return exact;
}

/** Sounds that differ in their envelopes only share their samples. */
function sampleOf(bank: BasicSoundBank, name: TimbreName, timbre: Timbre, root: number): BasicSample {
  const frequency = hertzOf(root);
  const { ensemble, struck, noise, stroke } = timbre;
  const plan = { frequency, partials: harmonicsOf(timbre, frequency), ensemble, struck, noise, stroke };
  const key = JSON.stringify(plan);
  const known = made.get(bank)?.get(key);
  if (known) return known;
  const { data, loopStart, loopEnd } = makeWave(plan);
  const sample = new BasicSample(`${name} ${root}`, SAMPLE_RATE, root, 0, SampleTypes.monoSample, loopStart, loopEnd);
  sample.setAudioData(data, SAMPLE_RATE);
  bank.addSamples(sample);
  made.set(bank, (made.get(bank) ?? new Map<string, BasicSample>()).set(key, sample));
  return sample;
}

function shape(zone: BasicInstrumentZone, { envelope, filter, vibrato, tremolo, decibels = 0 }: Timbre): void {
  shapeLoudness(zone, envelope);
  zone.setGenerator(G.initialAttenuation, attenuation(decibels));
  zone.setGenerator(G.reverbEffectsSend, 120);
  if (filter) {
    const opened = cents(filter.cutoff);
    const { opens = 0, closes = 0.2 } = filter;
    // A sound that opens begins closed; one that closes begins open and comes to rest at its cut-off.
    zone.setGenerator(G.initialFilterFc, Math.min(13_500, opens < 0 ? opened + opens : opened));
    if (opens !== 0) zone.setGenerator(G.modEnvToFilterFc, Math.abs(opens));
    zone.setGenerator(G.attackModEnv, timecents(opens < 0 ? closes : 0.001));
    zone.setGenerator(G.decayModEnv, timecents(opens < 0 ? 20 : closes));
    zone.setGenerator(G.sustainModEnv, opens < 0 ? 0 : 1000);
  }
  if (vibrato) {
    zone.setGenerator(G.vibLfoToPitch, vibrato.cents);
    zone.setGenerator(G.freqVibLFO, cents(vibrato.hertz));
    zone.setGenerator(G.delayVibLFO, timecents(vibrato.after));
  }
  if (tremolo) {
    zone.setGenerator(G.modLfoToVolume, Math.round(tremolo.decibels * 10));
    zone.setGenerator(G.freqModLFO, cents(tremolo.hertz));
  }
}

/** Room above the usual loudness for what must stand out, in decibels. */
const ROOM = 6;
/** Synthesizers have always taken 0.4 of what the standard's centibels say (common practice, no source). */
const attenuation = (decibels: number) => Math.max(0, Math.round(((ROOM - decibels) * 10) / 0.4));

/** SoundFont's decay is the time to fall by 100 dB. */
const WHOLE_FALL = 100 / 60;

function shapeLoudness(zone: BasicInstrumentZone, { attack, decay, release }: Envelope): void {
  zone.setGenerator(G.attackVolEnv, timecents(attack));
  zone.setGenerator(G.releaseVolEnv, timecents(release * WHOLE_FALL));
  if (decay === undefined) return;
  zone.setGenerator(G.decayVolEnv, timecents(decay * WHOLE_FALL));
  zone.setGenerator(G.sustainVolEnv, 1000);
  // Low strings and bars ring longer.
  zone.setGenerator(G.keyNumToVolEnvDecay, 25);
}

function makeKit(bank: BasicSoundBank): BasicInstrument {
  const kit = new BasicInstrument();
  kit.name = 'Drum Kit';
  for (const piece of KIT) {
    const data = strikePiece(piece);
    const sample = new BasicSample(piece.name, SAMPLE_RATE, 60, 0, SampleTypes.monoSample, 0, data.length - 1);
    sample.setAudioData(data, SAMPLE_RATE);
    bank.addSamples(sample);
    for (const { key, semitones = 0 } of piece.keys) {
      const zone = kit.createZone(sample);
      zone.keyRange = { min: key, max: key };
      zone.setGenerator(G.overridingRootKey, key);
      const cents = Math.round(semitones * 100);
      zone.setGenerator(G.coarseTune, Math.trunc(cents / 100));
      zone.setGenerator(G.fineTune, cents % 100);
      zone.setGenerator(G.initialAttenuation, attenuation(piece.decibels ?? 0));
      // A stroke rings to its end, however short its note.
      zone.setGenerator(G.releaseVolEnv, timecents(piece.stroke.seconds * 2));
      zone.setGenerator(G.reverbEffectsSend, 100);
      if (piece.group) zone.setGenerator(G.exclusiveClass, piece.group);
      if (piece.pan) zone.setGenerator(G.pan, piece.pan);
    }
  }
  bank.addInstruments(kit);
  return kit;
}
