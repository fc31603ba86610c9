/* Which sound each of the 128 programs of General MIDI 1 has, family by family. */
import type { TimbreName } from './timbres';

// oxfmt-ignore
const FAMILIES: readonly (readonly TimbreName[])[] = [
  // Pianos
  ['piano', 'piano', 'electricPiano', 'piano', 'electricPiano', 'electricPiano', 'harpsichord', 'clavinet'],
  // Chromatic percussion
  ['celesta', 'glockenspiel', 'celesta', 'vibraphone', 'marimba', 'xylophone', 'bells', 'harpsichord'],
  // Organs
  ['organ', 'organ', 'organ', 'churchOrgan', 'freeReed', 'freeReed', 'freeReed', 'freeReed'],
  // Guitars
  ['nylonGuitar', 'steelGuitar', 'cleanGuitar', 'cleanGuitar', 'mutedGuitar', 'drivenGuitar', 'drivenGuitar', 'harmonics'],
  // Basses
  ['doubleBass', 'fingerBass', 'pickBass', 'fingerBass', 'slapBass', 'slapBass', 'synthBass', 'synthBass'],
  // Strings
  ['violin', 'viola', 'cello', 'contrabass', 'tremoloStrings', 'pizzicato', 'harp', 'drumHead'],
  // Ensembles
  ['strings', 'slowStrings', 'strings', 'slowStrings', 'choir', 'humming', 'humming', 'orchestraHit'],
  // Brass
  ['trumpet', 'trombone', 'tuba', 'mutedTrumpet', 'horn', 'brassSection', 'synthBrass', 'synthBrass'],
  // Reeds
  ['sopranoSax', 'altoSax', 'tenorSax', 'baritoneSax', 'oboe', 'englishHorn', 'bassoon', 'clarinet'],
  // Pipes
  ['piccolo', 'flute', 'recorder', 'panFlute', 'panFlute', 'panFlute', 'whistle', 'recorder'],
  // Synth leads
  ['squareLead', 'sawLead', 'whistle', 'sawLead', 'squareLead', 'humming', 'sawLead', 'synthBass'],
  // Synth pads
  ['brightPad', 'pad', 'brightPad', 'choir', 'pad', 'brightPad', 'pad', 'brightPad'],
  // Synth effects
  ['brightPad', 'pad', 'celesta', 'brightPad', 'brightPad', 'pad', 'pad', 'pad'],
  // Plucked and blown instruments of many countries
  ['sitar', 'banjo', 'koto', 'koto', 'kalimba', 'bagpipe', 'violin', 'oboe'],
  // Struck
  ['glockenspiel', 'kalimba', 'steelDrum', 'woodblock', 'drumHead', 'drumHead', 'drumHead', 'slowStrings'],
  // Noises: no music is written with them; they sound as something that can be told apart
  ['mutedGuitar', 'panFlute', 'pad', 'whistle', 'celesta', 'pad', 'pad', 'woodblock'],
];

/** By program, from 0. */
export const PROGRAMS: readonly TimbreName[] = FAMILIES.flat();
