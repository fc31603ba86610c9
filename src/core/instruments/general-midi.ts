import type { InstrumentId } from './catalogue';

/** General MIDI Level 1 sound set (MIDI Association): program names, 1–128. */
export const PROGRAM_NAMES: readonly string[] =
  `Acoustic Grand Piano,Bright Acoustic Piano,Electric Grand Piano,Honky-tonk Piano,Electric Piano 1,Electric Piano 2,Harpsichord,Clavi,
Celesta,Glockenspiel,Music Box,Vibraphone,Marimba,Xylophone,Tubular Bells,Dulcimer,
Drawbar Organ,Percussive Organ,Rock Organ,Church Organ,Reed Organ,Accordion,Harmonica,Tango Accordion,
Acoustic Guitar (nylon),Acoustic Guitar (steel),Electric Guitar (jazz),Electric Guitar (clean),Electric Guitar (muted),Overdriven Guitar,Distortion Guitar,Guitar harmonics,
Acoustic Bass,Electric Bass (finger),Electric Bass (pick),Fretless Bass,Slap Bass 1,Slap Bass 2,Synth Bass 1,Synth Bass 2,
Violin,Viola,Cello,Contrabass,Tremolo Strings,Pizzicato Strings,Orchestral Harp,Timpani,
String Ensemble 1,String Ensemble 2,SynthStrings 1,SynthStrings 2,Choir Aahs,Voice Oohs,Synth Voice,Orchestra Hit,
Trumpet,Trombone,Tuba,Muted Trumpet,French Horn,Brass Section,SynthBrass 1,SynthBrass 2,
Soprano Sax,Alto Sax,Tenor Sax,Baritone Sax,Oboe,English Horn,Bassoon,Clarinet,
Piccolo,Flute,Recorder,Pan Flute,Blown Bottle,Shakuhachi,Whistle,Ocarina,
Lead 1 (square),Lead 2 (sawtooth),Lead 3 (calliope),Lead 4 (chiff),Lead 5 (charang),Lead 6 (voice),Lead 7 (fifths),Lead 8 (bass + lead),
Pad 1 (new age),Pad 2 (warm),Pad 3 (polysynth),Pad 4 (choir),Pad 5 (bowed),Pad 6 (metallic),Pad 7 (halo),Pad 8 (sweep),
FX 1 (rain),FX 2 (soundtrack),FX 3 (crystal),FX 4 (atmosphere),FX 5 (brightness),FX 6 (goblins),FX 7 (echoes),FX 8 (sci-fi),
Sitar,Banjo,Shamisen,Koto,Kalimba,Bag pipe,Fiddle,Shanai,
Tinkle Bell,Agogo,Steel Drums,Woodblock,Taiko Drum,Melodic Tom,Synth Drum,Reverse Cymbal,
Guitar Fret Noise,Breath Noise,Seashore,Bird Tweet,Telephone Ring,Helicopter,Applause,Gunshot`
    .split(',')
    .map((name) => name.trim());

/** @param program 1–128 */
export function programName(program: number): string {
  return PROGRAM_NAMES[program - 1] ?? `Program ${program}`;
}

/**
 * What is written for a program where nothing else says what the track is: programs from … to, and the instrument. A program is a
 * statement of whoever made the file; noises (121–128) and the orchestra hit are written as what plays them. Common practice, no source.
 */
const MEANT: readonly (readonly [from: number, to: number, InstrumentId])[] = [
  [1, 4, 'piano'],
  [5, 6, 'electric-piano'],
  [7, 7, 'harpsichord'],
  [8, 8, 'clavinet'],
  [9, 9, 'celesta'],
  [10, 10, 'glockenspiel'],
  [11, 11, 'music-box'],
  [12, 12, 'vibraphone'],
  [13, 13, 'marimba'],
  [14, 14, 'xylophone'],
  [15, 15, 'tubular-bells'],
  [16, 16, 'cimbalom'],
  [17, 20, 'organ'],
  [21, 21, 'harmonium'],
  [22, 22, 'accordion'],
  [23, 23, 'harmonica'],
  [24, 24, 'bandoneon'],
  [25, 25, 'guitar'],
  [26, 26, 'acoustic-guitar'],
  [27, 32, 'electric-guitar'],
  [33, 33, 'double-bass'],
  [34, 40, 'bass-guitar'],
  [41, 41, 'violin'],
  [42, 42, 'viola'],
  [43, 43, 'cello'],
  [44, 44, 'double-bass'],
  [45, 46, 'string-section'],
  [47, 47, 'harp'],
  [48, 48, 'timpani'],
  [49, 52, 'string-section'],
  [53, 54, 'choir'],
  [55, 55, 'voice'],
  [56, 56, 'synthesizer'],
  [57, 57, 'trumpet-bflat'],
  [58, 58, 'trombone'],
  [59, 59, 'tuba'],
  [60, 60, 'trumpet-bflat'],
  [61, 61, 'horn-f'],
  [62, 64, 'brass-section'],
  [65, 65, 'soprano-sax'],
  [66, 66, 'alto-sax'],
  [67, 67, 'tenor-sax'],
  [68, 68, 'baritone-sax'],
  [69, 69, 'oboe'],
  [70, 70, 'english-horn'],
  [71, 71, 'bassoon'],
  [72, 72, 'clarinet-bflat'],
  [73, 73, 'piccolo'],
  [74, 74, 'flute'],
  [75, 75, 'recorder-alto'],
  [76, 77, 'panpipes'],
  [78, 78, 'shakuhachi'],
  [79, 79, 'tin-whistle'],
  [80, 80, 'ocarina'],
  [81, 104, 'synthesizer'],
  [105, 105, 'sitar'],
  [106, 106, 'banjo'],
  [107, 107, 'shamisen'],
  [108, 108, 'koto'],
  [109, 109, 'kalimba'],
  [110, 110, 'bagpipes'],
  [111, 111, 'hardanger-fiddle'],
  [112, 112, 'shawm'],
  [113, 113, 'glockenspiel'],
  [114, 114, 'percussion'],
  [115, 115, 'steel-drums'],
  [116, 116, 'wood-block'],
  [117, 117, 'taiko'],
  [118, 118, 'toms'],
  [119, 120, 'percussion'],
];

/** The instrument a program stands for; none for noises. */
export const USUAL_INSTRUMENT: Readonly<Record<number, InstrumentId>> = Object.fromEntries(
  MEANT.flatMap(([from, to, id]) => Array.from({ length: to - from + 1 }, (_, i) => [from + i, id])),
);
