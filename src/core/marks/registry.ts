/* Every kind of mark once, in the order in which they are written. */
import { articulations } from './on-notes/articulations';
import { arpeggio } from './on-notes/arpeggio';
import { bowing } from './on-notes/bowing';
import { breath } from './on-notes/breath';
import { furtherSigns } from './on-notes/further';
import { fermata } from './on-notes/fermata';
import { glide } from './on-notes/glide';
import { harmonic } from './on-notes/harmonic';
import { hiHat } from './on-notes/hi-hat';
import { tremolo } from './on-notes/tremolo';
import { neighbours } from './on-notes/neighbours';
import { trill } from './on-notes/trill';
import { turn } from './on-notes/turn';
import { dynamics } from './lines/dynamics';
import { forces } from './lines/forces';
import { hairpins } from './lines/hairpins';
import { octaveLines } from './lines/octave-lines';
import { pedals } from './lines/pedals';
import type { LineKinds } from './line-mark';
import type { NoteMark } from './note-mark';

/** Signs on notes. Where a note has several that are played out, the first one is. */
export const NOTE_MARKS: readonly NoteMark[] = [
  trill,
  turn,
  neighbours,
  tremolo,
  bowing,
  harmonic,
  hiHat,
  articulations,
  breath,
  arpeggio,
  glide,
  fermata,
  ...furtherSigns,
];

/** What stands beside the staff or runs over several notes. Slurs hang on notes and are not among them. */
export const LINES: LineKinds = { dynamics, forces, hairpins, pedals, octaveLines };
export const LINE_NAMES = [
  'dynamics',
  'forces',
  'hairpins',
  'pedals',
  'octaveLines',
] as const satisfies (keyof LineKinds)[];
