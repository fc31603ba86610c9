import { say } from '../words';
import type { Family } from './instrument';

/** Mutes of brass players, each of its own sound. */
export const BRASS_MUTES = ['straight-mute', 'cup-mute', 'harmon-mute', 'bucket-mute', 'plunger'] as const;
type MuteId = (typeof BRASS_MUTES)[number];

export type TechniqueId =
  | 'long'
  | 'legato'
  | 'staccato'
  | 'spiccato'
  | 'pizzicato'
  | 'tremolo'
  | 'trill'
  | 'muted'
  | MuteId
  | 'stopped'
  | 'open'
  | 'harmonics'
  | 'col-legno'
  | 'sul-ponticello'
  | 'sul-tasto'
  | 'marcato'
  | 'runs';

/** Words by which techniques appear in track names; the longest match counts. Common practice, no source. */
const WORDS: Record<TechniqueId, string> = {
  long: 'long, longs, sus, sust, sustain, sustained, sustains, arco, ten, tenuto, held, lang',
  legato: 'leg, legato, lega, slur, slurred',
  staccato: 'stac, stacc, staccato, short, shorts, stc, stacs, kurz, stak',
  spiccato: 'spc, spic, spicc, spiccato',
  pizzicato: 'pz, pzz, piz, pizz, pizzicato',
  tremolo: 'trem, trm, tremolo, tremolos',
  trill: 'trill, trills, tr ht, tr wt',
  muted: 'mute, muted, con sord, consord, c s, cs, sord, sordino, con sordino, avec sourdine, gedampft, dampfer',
  'straight-mute': 'straight, straight mute, st mute, str mute, mute straight, muted straight',
  'cup-mute': 'cup, cup mute, mute cup, muted cup',
  'harmon-mute': 'harmon, harmon mute, mute harmon, muted harmon, wah wah, wah mute',
  'bucket-mute': 'bucket, bucket mute, mute bucket, muted bucket',
  plunger: 'plunger, plunger mute, mute plunger',
  stopped: 'stopped, gestopft, bouche, chiuso',
  open: 'open, senza sord, senza sordino, natural',
  harmonics: 'harm, harmonic, harmonics, flag, flageolet',
  'col-legno': 'col legno, legno, cl legno',
  'sul-ponticello': 'sul pont, ponticello, sul ponticello, pont',
  'sul-tasto': 'sul tasto, tasto, flautando',
  marcato: 'marc, marcato, marcatos, accented',
  runs: 'run, runs',
};

const NAMES: Record<TechniqueId, string> = {
  long: 'long',
  legato: 'legato',
  staccato: 'staccato',
  spiccato: 'spiccato',
  pizzicato: 'pizz.',
  tremolo: 'tremolo',
  trill: 'trill',
  muted: 'con sord.',
  'straight-mute': 'straight mute',
  'cup-mute': 'cup mute',
  'harmon-mute': 'harmon mute',
  'bucket-mute': 'bucket mute',
  plunger: 'plunger',
  stopped: 'stopped',
  open: 'open',
  harmonics: 'harmonics',
  'col-legno': 'col legno',
  'sul-ponticello': 'sul pont.',
  'sul-tasto': 'sul tasto',
  marcato: 'marcato',
  runs: 'runs',
};

export const TECHNIQUES = Object.keys(NAMES) as readonly TechniqueId[];

const BOWED: readonly TechniqueId[] = [
  'long',
  'legato',
  'staccato',
  'spiccato',
  'pizzicato',
  'tremolo',
  'trill',
  'muted',
  'harmonics',
  'col-legno',
  'sul-ponticello',
  'sul-tasto',
  'marcato',
  'runs',
];
const BLOWN: readonly TechniqueId[] = ['long', 'legato', 'staccato', 'marcato', 'trill', 'runs'];
const STRUCK: readonly TechniqueId[] = ['tremolo', 'muted', 'open'];

const USUAL: Record<Family, readonly TechniqueId[]> = {
  woodwind: BLOWN,
  brass: [...BLOWN, 'muted', ...BRASS_MUTES, 'stopped', 'open'],
  percussion: STRUCK,
  keyboard: ['legato', 'staccato', 'tremolo', 'trill'],
  plucked: ['staccato', 'harmonics', 'muted', 'tremolo'],
  voice: ['long', 'legato', 'staccato'],
  strings: BOWED,
  other: TECHNIQUES,
};

/** Techniques usual on the instruments of a family (usual orchestration handbooks, from memory). */
export function usualTechniques(family: Family): readonly TechniqueId[] {
  return USUAL[family];
}

/** As people say it; nothing in particular is “ordinary”. */
export function techniqueName(technique: TechniqueId | null): string {
  if (!technique) return say('instruments.ordinary');
  return say('instruments.technique', { technique: technique.replace('-', ''), name: NAMES[technique] });
}

/** As scores and names of tracks have it, whoever reads them. */
export const printedTechnique = (technique: TechniqueId): string => NAMES[technique];

const phrases = (Object.entries(WORDS) as [TechniqueId, string][])
  .flatMap(([technique, words]) => words.split(',').map((phrase) => ({ technique, words: phrase.trim().split(' ') })))
  .sort((a, b) => b.words.length - a.words.length);

export interface TechniqueReading {
  technique: TechniqueId | null;
  /** What remains when the technique's words are taken out. */
  rest: string[];
}

/**
 * Finds the playing technique among a name's words; the first word is never taken, it names the instrument ("Trem"
 * alone is no instrument).
 */
export function readTechnique(words: readonly string[]): TechniqueReading {
  let technique: TechniqueId | null = null;
  let rest = [...words];
  for (const phrase of phrases) {
    for (let at = 1; at + phrase.words.length <= rest.length; at++) {
      if (!phrase.words.every((word, k) => rest[at + k] === word)) continue;
      // "leg pizz" is a pizzicato patch of a legato library: the more particular word, later in the table, wins.
      if (!technique || technique === 'legato' || technique === 'long') technique = phrase.technique;
      rest = [...rest.slice(0, at), ...rest.slice(at + phrase.words.length)];
      at--;
    }
  }
  return { technique, rest };
}
