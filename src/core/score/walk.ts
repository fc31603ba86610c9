import type { Grace, Part, PartBar, ScoreNote, SymbolInBar, SymbolMarks } from './score';

/* Walking over the symbols of a score. */

/** Bars with every symbol changed; what nothing changed in stays the very same object. */
export function mapSymbols(bars: readonly PartBar[], change: (symbol: SymbolInBar) => SymbolInBar): PartBar[] {
  return bars.map((bar) => {
    const voices = bar.voices.map((voice) => {
      const symbols = voice.symbols.map(change);
      return symbols.some((symbol, i) => symbol !== voice.symbols[i]) ? { ...voice, symbols } : voice;
    });
    return voices.some((voice, i) => voice !== bar.voices[i]) ? { ...bar, voices } : bar;
  });
}

/** Every symbol of a part, bar by bar and voice by voice, with the index of its bar and its staff. */
export function* symbolsOf(part: Pick<Part, 'bars'>): Generator<{ symbol: SymbolInBar; bar: number; staff: number }> {
  for (const [bar, { voices }] of part.bars.entries())
    for (const { staff, symbols } of voices) for (const symbol of symbols) yield { symbol, bar, staff };
}

/** Marks with every grace note changed; none of them where there are no marks. */
export function mapGraces(marks: SymbolMarks, change: (note: ScoreNote) => ScoreNote): SymbolMarks {
  const { graces, gracesAfter } = marks;
  if (!graces && !gracesAfter) return marks;
  const changed = (list: readonly Grace[]) => list.map((grace) => ({ ...grace, notes: grace.notes.map(change) }));
  return {
    ...marks,
    ...(graces && { graces: changed(graces) }),
    ...(gracesAfter && { gracesAfter: changed(gracesAfter) }),
  };
}

/** The grace notes of a symbol, before and after it. */
export function graceNotesOf({ marks }: Pick<SymbolInBar, 'marks'>): ScoreNote[] {
  return [...(marks?.graces ?? []), ...(marks?.gracesAfter ?? [])].flatMap((grace) => grace.notes);
}
