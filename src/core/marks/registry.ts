/* Every kind of mark once, in the order in which they are written. */
import { articulations } from './on-notes/articulations';
import { arpeggio } from './on-notes/arpeggio';
import { bowing } from './on-notes/bowing';
import { breath } from './on-notes/breath';
import { fermata } from './on-notes/fermata';
import { harmonic } from './on-notes/harmonic';
import { hiHat } from './on-notes/hi-hat';
import { tremolo } from './on-notes/tremolo';
import { trill } from './on-notes/trill';
import { turn } from './on-notes/turn';
import { dynamics } from './lines/dynamics';
import { hairpins } from './lines/hairpins';
import { octaveLines } from './lines/octave-lines';
import { pedals } from './lines/pedals';
import type { LineKinds } from './line-mark';
import type { NoteMark } from './note-mark';

/** Signs on notes. Where a note has several that are played out, the first one is. */
export const NOTE_MARKS: readonly NoteMark[] = [
  trill,
  turn,
  tremolo,
  bowing,
  harmonic,
  hiHat,
  articulations,
  breath,
  arpeggio,
  fermata,
];

/** What stands beside the staff or runs over several notes. Slurs hang on notes and are not among them. */
export const LINES: LineKinds = { dynamics, hairpins, pedals, octaveLines };
export const LINE_NAMES = ['dynamics', 'hairpins', 'pedals', 'octaveLines'] as const satisfies (keyof LineKinds)[];
