/* Signs on notes: those that stand in the note, and those that only point at it. */
import type { Fermata, FurtherSign, SymbolInBar, SymbolMarks, Turn } from '../score';
import { mei, nodesOf, type MeiAttributes, type MeiNode } from './tree';

/** Articulations and techniques by the names of MusicXML. */
const ARTICULATIONS: Readonly<Record<string, string>> = {
  staccato: 'stacc',
  tenuto: 'ten',
  accent: 'acc',
  marcato: 'marc',
  'strong-accent': 'marc',
  staccatissimo: 'stacciss',
  spiccato: 'spicc',
  'soft-accent': 'acc-soft',
  scoop: 'scoop',
  plop: 'plop',
  doit: 'doit',
  falloff: 'fall',
  'double-tongue': 'dbltongue',
  'triple-tongue': 'trpltongue',
  'snap-pizzicato': 'snap',
  heel: 'heel',
  toe: 'toe',
  fingernails: 'fingernail',
};

/** Finer signs, and the plain ones that they stand for. */
const FINER: Readonly<Record<string, readonly string[]>> = {
  staccatissimo: ['staccato'],
  spiccato: ['staccato'],
  'detached-legato': ['tenuto', 'staccato'],
  stress: ['accent'],
};

export function articulationNodes(marks: SymbolMarks | undefined, colour: string | undefined): MeiNode[] {
  if (!marks) return [];
  const { articulations = [], drawnAs = [], suggested = [], further = [] } = marks;
  const finer = drawnAs.filter(
    (name) => ARTICULATIONS[name] && FINER[name]?.every((plain) => has(articulations, plain)),
  );
  const said = new Set(finer.flatMap((name) => FINER[name]!));
  const plain = articulations.filter((name) => !said.has(name));
  const artic = (name: string | undefined, more: MeiAttributes = {}) =>
    name ? [mei('artic', { artic: name, ...more })] : [];
  return [
    ...plain.flatMap((name) => artic(ARTICULATIONS[name], { color: suggested.includes(name) ? colour : undefined })),
    ...[...finer, ...further.map(({ name }) => name)].flatMap((name) => artic(ARTICULATIONS[name])),
    ...artic(marks.harmonic && 'harm'),
    ...artic(marks.bowing && (marks.bowing === 'up' ? 'upbow' : 'dnbow')),
    ...artic(marks.hiHat && (marks.hiHat === 'open' ? 'open' : 'stop')),
  ];
}

const has = (list: readonly string[], name: string) => list.includes(name);

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
