import type { Clef } from '../../instruments';

/** Sign and line, and the octaves that a small figure adds. */
export const CLEFS: Record<Clef, { sign: string; line?: number; octave?: number }> = {
  treble: { sign: 'G', line: 2 },
  'treble-8vb': { sign: 'G', line: 2, octave: -1 },
  bass: { sign: 'F', line: 4 },
  alto: { sign: 'C', line: 3 },
  tenor: { sign: 'C', line: 4 },
  percussion: { sign: 'percussion' },
  'treble-8va': { sign: 'G', line: 2, octave: 1 },
  'bass-8vb': { sign: 'F', line: 4, octave: -1 },
  soprano: { sign: 'C', line: 1 },
  'mezzo-soprano': { sign: 'C', line: 2 },
  baritone: { sign: 'F', line: 3 },
  'baritone-c': { sign: 'C', line: 5 },
  'french-violin': { sign: 'G', line: 1 },
};
