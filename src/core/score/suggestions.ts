import { mapSymbols } from './walk';
import type { Part, Score, SymbolInBar, SymbolMarks } from './score';

export const MARKS_OUT = ['none', 'taken', 'suggested'] as const;
/** Which marks leave the house: none, those that were taken, or everything that is suggested too. */
export type MarksOut = (typeof MARKS_OUT)[number];

/** The score with the marks that are to go out. */
export function withMarksOut(score: Score, marks: MarksOut): Score {
  if (marks === 'taken') return withoutSuggestions(score);
  return { ...score, parts: score.parts.map(marks === 'none' ? unmarked : allTaken) };
}

/** Without dynamics, hairpins, slurs, articulations, pedal, breaths and chord symbols, whoever set them. */
function unmarked({ harmonies: _harmonies, ...part }: Part): Part {
  return {
    ...part,
    lines: { ...part.lines, dynamics: [], forces: [], hairpins: [], slurs: [], pedals: [] },
    bars: mapSymbols(part.bars, (symbol) => {
      const { articulations: _a, drawnAs: _d, breath: _b, suggested: _s, ...rest } = symbol.marks ?? {};
      return withSymbolMarks(symbol, rest);
    }),
  };
}

function allTaken(part: Part): Part {
  const all = <T extends { suggested?: true }>(marks: readonly T[]): T[] =>
    marks.map((mark) => (mark.suggested ? { ...mark, suggested: undefined } : mark));
  const { lines, harmonies } = part;
  return {
    ...part,
    ...(harmonies && { harmonies: all(harmonies) }),
    lines: {
      ...lines,
      dynamics: all(lines.dynamics),
      hairpins: all(lines.hairpins),
      slurs: all(lines.slurs),
      pedals: all(lines.pedals),
    },
    bars: mapSymbols(part.bars, (symbol) => {
      if (!symbol.marks?.suggested) return symbol;
      const { suggested: _suggested, ...rest } = symbol.marks;
      return withSymbolMarks(symbol, rest);
    }),
  };
}

/** The symbol with these marks and no others; the same object where it had none. */
function withSymbolMarks(symbol: SymbolInBar, marks: SymbolMarks): SymbolInBar {
  if (!symbol.marks) return symbol;
  const { marks: _marks, ...plain } = symbol;
  return Object.keys(marks).length > 0 ? { ...plain, marks } : plain;
}

/** The score as it goes out: what was only suggested is not in it. */
export function withoutSuggestions(score: Score): Score {
  return { ...score, parts: score.parts.map(taken) };
}

function taken(part: Part): Part {
  const kept = <T extends { suggested?: true }>(marks: readonly T[]) => marks.filter((mark) => !mark.suggested);
  const { lines, harmonies, ...plain } = part;
  const symbols = kept(harmonies ?? []);
  return {
    ...plain,
    ...(symbols.length > 0 && { harmonies: symbols }),
    lines: {
      ...lines,
      dynamics: kept(lines.dynamics),
      hairpins: kept(lines.hairpins),
      slurs: kept(lines.slurs),
      pedals: kept(lines.pedals),
    },
    bars: mapSymbols(part.bars, symbolTaken),
  };
}

function symbolTaken(symbol: SymbolInBar): SymbolInBar {
  if (!symbol.marks?.suggested) return symbol;
  const { suggested, breath, articulations, ...rest } = symbol.marks;
  const left = articulations?.filter((one) => !suggested.includes(one));
  const marks: SymbolMarks = {
    ...rest,
    ...(left && left.length > 0 && { articulations: left }),
    ...(breath && !suggested.includes('breath') && { breath }),
  };
  return withSymbolMarks(symbol, marks);
}
