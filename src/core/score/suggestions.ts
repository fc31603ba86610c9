import { mapSymbols } from './walk';
import type { Part, Score, SymbolInBar, SymbolMarks } from './score';

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
  const { marks: _marks, ...plain } = symbol;
  return Object.keys(marks).length > 0 ? { ...plain, marks } : plain;
}
