import { upperMedian } from '../base';
import { mapGraces, mapSymbols, symbolsOf } from './walk';
import type { Clef } from '../instruments';
import type { ChordName, Harmony } from './harmony';
import { diatonicNumber, lineOfFifths, nameAtFifths, pitchAtFifths } from './pitch';
import type { Part, Score, ScoreNote, SymbolInBar } from './score';
import { fifthsOf, transpositionAt } from './transposition';

/**
 * The score as a conductor may read it: every part at sounding pitch, except for whole octaves (piccolo, double bass,
 * guitar …), which stay where their players read them. Clefs follow where a part now lies far from its own.
 */
export function concertScore(score: Score): Score {
  return {
    ...score,
    parts: score.parts.map((part) => (part.unpitched || onlyOctaves(part) ? part : atConcertPitch(part, score))),
  };
}

const onlyOctaves = ({ transposition, transpositionChanges = [] }: Part) =>
  [transposition, ...transpositionChanges.map((one) => one.transposition)].every((by) => by % 12 === 0);

/** Steps of the middle line of treble and bass clef above C of octave 0. */
const MIDDLE = { treble: 34, bass: 22 } as const;

function atConcertPitch(part: Part, score: Score): Part {
  const bars = part.bars.map((bar, b) => {
    const shift = fifthsOf(transpositionAt(part, b));
    const sounding = (note: ScoreNote): ScoreNote => ({
      ...note,
      pitch: pitchAtFifths(note.key, lineOfFifths(note.pitch) - shift),
    });
    const symbol = (one: SymbolInBar): SymbolInBar => ({
      ...one,
      notes: one.notes.map(sounding),
      ...(one.marks && { marks: mapGraces(one.marks, sounding) }),
    });
    return mapSymbols([bar], symbol)[0]!;
  });
  const clef = clefFor(bars) ?? part.clefs[0]!;
  const keepsClef = clef === part.clefs[0] || part.clefs.length > 1;
  const { transpositionChanges: _changes, harmonies, ...kept } = part;
  return {
    ...kept,
    bars,
    transposition: 0,
    transpositionSteps: 0,
    writtenKeys: score.keys.map((key) => key.fifths),
    clefs: keepsClef ? part.clefs : [clef],
    clefChanges: keepsClef ? part.clefChanges : [],
    ...(harmonies && { harmonies: harmonies.map((one) => soundingHarmony(one, part, score)) }),
  };
}

function soundingHarmony(harmony: Harmony, part: Part, { bars }: Score): Harmony {
  const bar = bars.findLastIndex(({ start }) => start <= harmony.at);
  const shift = fifthsOf(transpositionAt(part, bar));
  const name = (one: ChordName): ChordName => nameAtFifths(lineOfFifths(one) - shift);
  return { ...harmony, root: harmony.root && name(harmony.root), ...(harmony.bass && { bass: name(harmony.bass) }) };
}

function clefFor(bars: Part['bars']): Clef | null {
  const steps = [...symbolsOf({ bars })].flatMap(({ symbol }) =>
    symbol.notes.map((note) => diatonicNumber(note.pitch)),
  );
  if (steps.length === 0) return null;
  const middle = upperMedian(steps);
  return Math.abs(middle - MIDDLE.treble) <= Math.abs(middle - MIDDLE.bass) ? 'treble' : 'bass';
}
