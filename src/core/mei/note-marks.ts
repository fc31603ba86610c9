/* Signs on notes: those that stand in the note, and those that only point at it. */
import { NOTE_MARKS, type Colour } from '../marks';
import type { Fermata, FurtherSign, SymbolInBar, SymbolMarks, Turn } from '../score';
import { mei, nodesOf, type MeiAttributes, type MeiNode } from './tree';

/** Articulations and techniques by the names of MusicXML; what is not here has no sign in the engraver's font, or points. */
const ARTICULATIONS: Readonly<Record<string, readonly string[]>> = {
  staccato: ['stacc'],
  tenuto: ['ten'],
  accent: ['acc'],
  stress: ['acc'],
  'strong-accent': ['marc'],
  staccatissimo: ['stacciss'],
  spiccato: ['spicc'],
  'detached-legato': ['stacc', 'ten'],
  'soft-accent': ['acc-soft'],
  scoop: ['scoop'],
  plop: ['plop'],
  doit: ['doit'],
  falloff: ['fall'],
  'up-bow': ['upbow'],
  'down-bow': ['dnbow'],
  harmonic: ['harm'],
  'open-string': ['open'],
  stopped: ['stop'],
  'double-tongue': ['dbltongue'],
  'triple-tongue': ['trpltongue'],
  'snap-pizzicato': ['snap'],
  heel: ['heel'],
  toe: ['toe'],
  fingernails: ['fingernail'],
};

/** Signs that stand in the note itself. */
export function articulationNodes(marks: SymbolMarks | undefined, colour: string | undefined): MeiNode[] {
  if (!marks) return [];
  const inColour: Colour = ({ suggested }) => (suggested && colour ? { color: colour } : {});
  return NOTE_MARKS.flatMap((kind) => kind.elements(marks, inColour)).flatMap(({ name, attributes }) =>
    (ARTICULATIONS[name] ?? []).map((artic) => mei('artic', { artic, color: attributes?.color })),
  );
}

const FERMATA_SHAPES: Readonly<Record<Fermata, MeiAttributes>> = {
  normal: {},
  angled: { shape: 'angular' },
  square: { shape: 'square' },
  'double-angled': { 'glyph.auth': 'smufl', 'glyph.num': 'U+E4C2' },
  'double-square': { 'glyph.auth': 'smufl', 'glyph.num': 'U+E4C8' },
  'double-dot': { 'glyph.auth': 'smufl', 'glyph.num': 'U+E4CA' },
  'half-curve': { 'glyph.auth': 'smufl', 'glyph.num': 'U+E4CC' },
  curlew: { 'glyph.auth': 'smufl', 'glyph.num': 'U+E4D6' },
};

const TURNS: Readonly<Record<Turn, [string, string]>> = {
  mordent: ['mordent', 'lower'],
  'inverted-mordent': ['mordent', 'upper'],
  turn: ['turn', 'upper'],
  'inverted-turn': ['turn', 'lower'],
};

const NEIGHBOURS: Readonly<Record<number, string>> = { [-2]: 'ff', [-1]: 'f', 0: 'n', 1: 's', 2: 'x' };

export interface Pointed {
  /** The symbol's id, and that of the next one of its voice. */
  id: string;
  next: string | null;
  staff: number;
  /** Ids of its notes. */
  notes: readonly string[];
  colour: string | undefined;
}

/** Accidentals above and below an ornament. */
const alterations = ({ above, below }: NonNullable<SymbolMarks['neighbours']> = {}): MeiAttributes => ({
  accidupper: above === undefined ? undefined : NEIGHBOURS[above],
  accidlower: below === undefined ? undefined : NEIGHBOURS[below],
});

/** Signs that point at a symbol. */
export function pointingNodes({ marks }: SymbolInBar, { id, next, staff, notes, colour }: Pointed): MeiNode[] {
  if (!marks) return [];
  const at = { staff, startid: `#${id}` };
  const { words = [], fermata, trill, turn, neighbours, breath, arpeggio, glide, suggested, further = [] } = marks;
  const altered = alterations(neighbours);
  return nodesOf(
    words.map((text) => mei('dir', { ...at, place: 'above' }, text)),
    fermata && mei('fermata', { ...at, place: 'above', form: 'norm', ...FERMATA_SHAPES[fermata] }),
    trill && mei('trill', { ...at, place: 'above', ...altered }),
    turn && mei(TURNS[turn][0], { ...at, place: 'above', form: TURNS[turn][1], ...altered }),
    breath === 'breath' && mei('breath', { ...at, color: suggested?.includes('breath') ? colour : undefined }),
    breath === 'caesura' && mei('caesura', at),
    arpeggio &&
      mei('arpeg', {
        staff,
        plist: notes.map((note) => `#${note}`).join(' '),
        order: arpeggio,
        arrow: arpeggio === 'down' ? 'true' : undefined,
      }),
    glide?.starts !== undefined &&
      next !== null &&
      mei('gliss', { ...at, endid: `#${next}`, lform: glide.starts === 'slide' ? 'solid' : 'wavy' }),
    further.map((sign) => furtherNode(sign, at)),
  );
}

function furtherNode({ name, text }: FurtherSign, at: MeiAttributes): MeiNode | null {
  if ((name === 'fingering' || name === 'pluck') && text) return mei('fing', at, text);
  if (name === 'schleifer') return mei('mordent', { ...at, 'glyph.auth': 'smufl', 'glyph.num': 'U+E587' });
  return null;
}
