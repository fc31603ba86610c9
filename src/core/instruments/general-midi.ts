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
 * Programs that several instruments of the catalogue share: which one is meant as a rule (common practice, no source).
 */
export const USUAL_INSTRUMENT: Readonly<Record<number, string>> = {
  10: 'glockenspiel',
  15: 'tubular-bells',
  16: 'cimbalom',
  25: 'guitar',
  26: 'guitar',
  43: 'cello',
  49: 'string-section',
  53: 'choir',
  54: 'choir',
  57: 'trumpet-bflat',
  58: 'trombone',
  59: 'tuba',
  61: 'horn-f',
  68: 'baritone-sax',
  69: 'oboe',
  71: 'bassoon',
  72: 'clarinet-bflat',
  73: 'piccolo',
  74: 'flute',
  75: 'recorder-alto',
};
