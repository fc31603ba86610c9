/*
 * Chromatic harmony with known names: four-part progressions as harmony textbooks show them (from memory), written in C
 * and carried round the circle of fifths.
 */
import { nameAtFifths, lineOfFifths, pitchKey, type Pitch, type Step } from '../src/core/score';
import { QUARTER } from '../src/core/time';
import type { TrueNote, TruePart, TrueScore } from './true-score';

interface Progression {
  name: string;
  mode: 'major' | 'minor';
  /** Chords from soprano to bass, one a half note. */
  chords: string;
}

const PROGRESSIONS: readonly Progression[] = [
  { name: 'dominant of the dominant', mode: 'major', chords: 'c5 g4 e4 c3 | c5 a4 f#4 d3 | b4 g4 d4 g3 | c5 g4 e4 c3' },
  {
    name: 'dominants one after the other',
    mode: 'major',
    chords:
      'c5 g4 e4 c3 | c#5 g4 e4 a2 | d5 f#4 c5 d3 | b4 g4 f4 g2 | c5 g4 e4 c3 | bb4 g4 e4 c3 | a4 f4 c4 f3 | b4 g4 d4 g2 | c5 g4 e4 c3',
  },
  {
    name: 'Italian sixth',
    mode: 'minor',
    chords: 'c5 g4 eb4 c3 | c5 f4 ab4 f3 | f#4 c5 c4 ab3 | g4 b4 d4 g3 | c5 g4 eb4 c3',
  },
  {
    name: 'German sixth in major',
    mode: 'major',
    chords: 'c5 g4 e4 c3 | c5 f#4 eb4 ab3 | c5 g4 e4 g3 | b4 g4 d4 g3 | c5 g4 e4 c3',
  },
  { name: 'French sixth', mode: 'minor', chords: 'c5 g4 eb4 c3 | c5 f#4 d4 ab3 | b4 g4 d4 g3 | c5 g4 eb4 c3' },
  { name: 'Neapolitan sixth', mode: 'minor', chords: 'c5 g4 eb4 c3 | db5 ab4 f4 f3 | b4 g4 d4 g3 | c5 g4 eb4 c3' },
  {
    name: 'leading-note sevenths',
    mode: 'minor',
    chords: 'c5 g4 eb4 c3 | ab4 f4 d4 b3 | g4 eb4 c4 c3 | eb5 c5 a4 f#3 | d5 b4 g4 g3 | c5 g4 eb4 c3',
  },
  {
    name: 'borrowed subdominant',
    mode: 'major',
    chords: 'c5 g4 e4 c3 | c5 ab4 f4 f3 | c5 g4 e4 g3 | b4 g4 f4 g2 | c5 g4 e4 c3',
  },
  {
    name: 'chromatic bass down',
    mode: 'minor',
    chords: 'c5 g4 eb4 c4 | d5 g4 g4 b3 | c5 g4 e4 bb3 | c5 f4 f4 a3 | c5 f4 c4 ab3 | b4 d4 g4 g3 | c5 eb4 g4 c3',
  },
  {
    name: 'chromatic soprano up',
    mode: 'major',
    chords:
      'g4 e4 c4 c3 | g#4 e4 d4 e3 | a4 e4 c4 a2 | a#4 e4 c#4 f#3 | b4 d#4 f#4 b2 | b4 e4 g4 e3 | d5 f4 b4 g3 | c5 e4 g4 c3',
  },
  {
    name: 'melodic minor',
    mode: 'minor',
    chords:
      'c5 g4 eb4 c3 | d5 g4 f4 b2 | eb5 g4 c4 c3 | a4 f4 c4 f3 | b4 g4 d4 g2 | c5 g4 eb4 c3 | bb4 g4 d4 g3 | ab4 f4 c4 f3 | g4 eb4 c4 g3 | b4 f4 d4 g2 | c5 eb4 c4 c3',
  },
  {
    name: 'mediant with a common note',
    mode: 'major',
    chords: 'c5 g4 e4 c3 | b4 g#4 e4 e3 | c#5 a4 e4 a2 | d5 a4 f#4 d3 | b4 g4 f4 g2 | c5 g4 e4 c3',
  },
];

const KEYS = [-4, -3, -2, -1, 0, 1, 2, 3, 4];

/** Every progression in eight or nine keys of at most six signs, twice over so that the key is heard. */
export function chromaticScores(): TrueScore[] {
  return PROGRESSIONS.flatMap(({ name, mode, chords }) =>
    KEYS.filter((shift) => Math.abs((mode === 'major' ? 0 : -3) + shift) <= 6).map((shift): TrueScore => {
      const list = chords.split('|').map((chord) => chord.trim().split(/\s+/));
      const twice = [...list, ...list];
      const half = 2 * QUARTER;
      const voice = (v: number): TrueNote[] =>
        twice.map((chord, i) => {
          const pitch = transposed(read(chord[v]!), shift);
          return { start: i * half, end: (i + 1) * half, key: pitchKey(pitch), pitch, staff: 1, voice: 0 };
        });
      const parts: TruePart[] = [
        ['flute', 0],
        ['oboe', 1],
        ['violin', 2],
        ['cello', 3],
      ].map(([instrument, v]) => ({
        instrument: String(instrument),
        name: String(instrument),
        notes: voice(Number(v)),
      }));
      const fifths = (mode === 'major' ? 0 : -3) + shift;
      return {
        title: `${name}, ${fifths}`,
        meters: [{ at: 0, beats: 4, beatType: 4 }],
        tempos: [{ at: 0, bpm: 80 }],
        key: { fifths, mode },
        markers: [],
        parts,
        length: twice.length * half,
      };
    }),
  );
}

function read(word: string): Pitch {
  const match = /^([a-g])(bb|b|##|#)?(\d)$/.exec(word)!;
  return {
    step: match[1]!.toUpperCase() as Step,
    alter: { bb: -2, b: -1, '': 0, '#': 1, '##': 2 }[match[2] ?? '']!,
    octave: Number(match[3]),
  };
}

/** Moved by fifths, into the octave nearest to where it was. */
function transposed(pitch: Pitch, fifths: number): Pitch {
  const name = nameAtFifths(lineOfFifths(pitch) + fifths);
  const from = pitchKey(pitch);
  return [-1, 0, 1]
    .map((by): Pitch => ({ ...name, octave: pitch.octave + by }))
    .reduce((a, b) => (Math.abs(pitchKey(b) - from) < Math.abs(pitchKey(a) - from) ? b : a));
}
