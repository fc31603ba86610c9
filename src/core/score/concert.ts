import { upperMedian } from '../base';
import { mapSymbols, symbolsOf } from './walk';
import type { Clef } from '../instruments';
import { diatonicNumber, lineOfFifths, pitchAtFifths } from './pitch';
import type { Part, Score, ScoreNote, SymbolInBar } from './score';

/**
 * The score as a conductor may read it: every part at sounding pitch, except for whole octaves (piccolo, double bass,
 * guitar …), which stay where their players read them. Clefs follow where a part now lies far from its own.
 */
export function concertScore(score: Score): Score {
  return {
    ...score,
    parts: score.parts.map((part) =>
      part.unpitched || part.transposition % 12 === 0 ? part : atConcertPitch(part, score),
    ),
  };
}

/** Steps of the middle line of treble and bass clef above C of octave 0. */
const MIDDLE = { treble: 34, bass: 22 } as const;

function atConcertPitch(part: Part, score: Score): Part {
  // Place on the line of fifths: written minus sounding.
  const shift = 7 * part.transposition - 12 * part.transpositionSteps;
  const sounding = (note: ScoreNote): ScoreNote => ({
    ...note,
    pitch: pitchAtFifths(note.key, lineOfFifths(note.pitch) - shift),
  });
  const symbol = (one: SymbolInBar): SymbolInBar => ({
    ...one,
    notes: one.notes.map(sounding),
    ...(one.marks?.graces && { marks: { ...one.marks, graces: one.marks.graces.map(sounding) } }),
  });
  const bars = mapSymbols(part.bars, symbol);
  const clef = clefFor(bars) ?? part.clefs[0]!;
  const keepsClef = clef === part.clefs[0] || part.clefs.length > 1;
  return {
    ...part,
    bars,
    transposition: 0,
    transpositionSteps: 0,
    writtenKeys: score.keys.map((key) => key.fifths),
    clefs: keepsClef ? part.clefs : [clef],
    clefChanges: keepsClef ? part.clefChanges : [],
  };
}

function clefFor(bars: Part['bars']): Clef | null {
  const steps = [...symbolsOf({ bars })].flatMap(({ symbol }) =>
    symbol.notes.map((note) => diatonicNumber(note.pitch)),
  );
  if (steps.length === 0) return null;
  const middle = upperMedian(steps);
  return Math.abs(middle - MIDDLE.treble) <= Math.abs(middle - MIDDLE.bass) ? 'treble' : 'bass';
}
