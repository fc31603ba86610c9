/* One symbol: a note, a chord, a rest, with what stands on it and the small notes about it. */
import {
  diatonicNumber,
  type Grace,
  type Lyric,
  type Part,
  type PrintedAccidental,
  type ScoreNote,
  type Syllabic,
  type SymbolInBar,
} from '../score';
import type { WrittenUnits } from '../time';
import { articulationNodes } from './note-marks';
import type { Piece } from './nesting';
import { mei, type MeiAttributes, type MeiNode } from './tree';
import { ACCIDENTALS, DURATIONS, HEADS, pitchAttributes, soundingAlter } from './values';

/** What a symbol is written with. */
export interface Written {
  part: Part;
  /** Of the voice, counted over the whole score, from 1. */
  staff: number;
  /** The part's first staff, counted so. */
  firstStaff: number;
  /** Stems of an unpitched voice. */
  stem?: 'up' | 'down';
  asTablature: boolean;
  /** The same music once more as strings and frets: its values stand above. */
  again: boolean;
  accidentals: ReadonlyMap<ScoreNote, PrintedAccidental>;
  idOf: (note: ScoreNote) => string;
  /** Octaves nearer to the staff than it sounds, of a staff of the part at a place in the bar. */
  octaves: (staff: number, at: WrittenUnits) => number;
  colour: string | undefined;
}

/** @param id of a rest or of a chord; one note has its own */
export function pieceOf(symbol: SymbolInBar, id: string, how: Written): Piece {
  const { marks = {}, notes } = symbol;
  if (notes.length === 0 || symbol.hidden) return alone(silence(symbol, id, how));
  if (how.asTablature) return alone(tablature(symbol, id, how));
  const { graces = [], gracesAfter = [] } = marks;
  return {
    before: graceNodes(graces, symbol.at, how, false),
    node: tremolo(symbol, sounding(symbol, id, how)),
    after: graceNodes(gracesAfter, symbol.at + symbol.duration, how, true),
  };
}

const alone = (node: MeiNode): Piece => ({ before: [], node, after: [] });

const value = ({ type, dots }: Pick<SymbolInBar, 'type' | 'dots'>): MeiAttributes => ({
  dur: DURATIONS[type],
  dots: dots > 0 ? dots : undefined,
});

function silence(symbol: SymbolInBar, id: string, { again }: Written): MeiNode {
  const hidden = symbol.hidden ?? again;
  if (symbol.wholeBar && symbol.notes.length === 0) return mei(hidden ? 'mSpace' : 'mRest', { 'xml:id': id });
  return mei(hidden ? 'space' : 'rest', { 'xml:id': id, ...value(symbol), cue: symbol.cue && 'true' });
}

function sounding(symbol: SymbolInBar, id: string, how: Written): MeiNode {
  const { notes, marks, cue } = symbol;
  const on = [...articulationNodes(marks, how.colour), ...(marks?.lyrics ?? []).map((lyric) => verse(lyric))];
  const common = {
    ...value(symbol),
    cue: cue && 'true',
    'stem.dir': how.stem,
    'stem.mod': strokes(symbol),
  };
  if (notes.length > 1)
    return mei(
      'chord',
      { 'xml:id': id, ...common },
      notes.map((note) => noteNode(note, symbol.at, {}, how)),
      on,
    );
  return noteNode(notes[0]!, symbol.at, common, how, on);
}

function noteNode(
  note: ScoreNote,
  at: WrittenUnits,
  more: MeiAttributes,
  how: Written,
  on: readonly MeiNode[] = [],
): MeiNode {
  const { part, staff, firstStaff } = how;
  const own = note.staff === undefined ? staff : firstStaff + note.staff - 1;
  const accidental = how.accidentals.get(note);
  const sign = accidental && ACCIDENTALS[accidental.sign];
  const head = note.notehead === 'none' ? undefined : HEADS[note.notehead ?? ''];
  return mei(
    'note',
    {
      'xml:id': how.idOf(note),
      ...pitchAttributes(note.pitch, part.unpitched ? 0 : how.octaves(own - firstStaff + 1, at)),
      loc: part.unpitched ? lineOf(note) : undefined,
      ...more,
      staff: own === staff ? undefined : own,
      'head.shape': head,
      'head.visible': note.notehead === 'none' ? 'false' : undefined,
    },
    // A reminder looks as any other here.
    sign && mei('accid', { accid: sign, func: accidental.courtesy ? 'caution' : undefined }),
    !sign && !part.unpitched && soundingAlter(note) !== undefined && mei('accid', { 'accid.ges': soundingAlter(note) }),
    on,
  );
}

/** E4 lies on the lowest line, also where there is only one. */
const LOWEST_LINE = diatonicNumber({ step: 'E', alter: 0, octave: 4 });

/** Half spaces above the lowest line. */
const lineOf = ({ pitch }: ScoreNote): number => diatonicNumber(pitch) - LOWEST_LINE;

/** Strokes through the stem; of two that alternate the element around them says it. */
function strokes({ marks }: SymbolInBar): string | undefined {
  if (!marks || marks.alternating) return undefined;
  if (marks.unmeasured) return '4slash';
  return marks.tremolo ? `${marks.tremolo}slash` : undefined;
}

const tremolo = (symbol: SymbolInBar, node: MeiNode): MeiNode =>
  strokes(symbol) ? mei('bTrem', { form: symbol.marks?.unmeasured ? 'unmeas' : 'meas' }, node) : node;

/** Those before a note, or after it; several that have flags are beamed. */
function graceNodes(graces: readonly Grace[], at: WrittenUnits, how: Written, after: boolean): MeiNode[] {
  const nodes = graces.map(({ notes, type, slash }) => {
    const common = {
      dur: DURATIONS[type],
      grace: slash ? 'unacc' : 'acc',
      'stem.mod': slash && graces.length === 1 ? '1slash' : undefined,
    };
    return notes.length > 1
      ? mei(
          'chord',
          common,
          notes.map((note) => noteNode(note, at, {}, how)),
        )
      : noteNode(notes[0]!, at, common, how);
  });
  const flagged = graces.length > 1 && graces.every(({ type }) => Number(DURATIONS[type]) >= 8);
  if (nodes.length === 0) return [];
  const beamed = flagged ? [mei('beam', {}, nodes)] : nodes;
  return after ? [mei('graceGrp', { attach: 'pre' }, beamed)] : beamed;
}

/** Numbers on strings; what is held on is not struck again. */
function tablature(symbol: SymbolInBar, id: string, { again, idOf }: Written): MeiNode {
  const struck = symbol.notes.filter(({ tieFromLast, fingering }) => !tieFromLast && fingering);
  return mei(
    'tabGrp',
    // A single note has the symbol's name.
    { 'xml:id': struck.some((note) => idOf(note) === id) ? undefined : id, ...value(symbol) },
    !again && mei('tabDurSym'),
    struck.map((note) =>
      mei('note', {
        'xml:id': idOf(note),
        'tab.course': note.fingering!.string,
        'tab.fret': note.fingering!.fret,
      }),
    ),
  );
}

const WORD_PLACE: Readonly<Record<Syllabic, string>> = { single: 's', begin: 'i', middle: 'm', end: 't' };

function verse({ verse: n, text, syllabic, elided = [], extends: goesOn }: Lyric): MeiNode {
  const last = elided.at(-1)?.syllabic ?? syllabic;
  const onwards = last === 'begin' || last === 'middle' ? 'd' : goesOn && 'u';
  const syllables = [{ text, syllabic }, ...elided];
  return mei(
    'verse',
    { n },
    syllables.map((one, i) =>
      mei(
        'syl',
        { wordpos: WORD_PLACE[one.syllabic], con: i === syllables.length - 1 ? onwards || undefined : 'b' },
        one.text,
      ),
    ),
  );
}
