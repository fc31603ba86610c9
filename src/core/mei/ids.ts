/* Which symbol and which note is called what, so that lines can point at them before they are written. */
import type { Part, ScoreNote, SymbolInBar, VoiceBar } from '../score';
import type { Bar, WrittenUnits } from '../time';
import { graceNotesOf } from '../score';

export type NameNote = (note: ScoreNote, at: WrittenUnits) => string;

export class Ids {
  private readonly notes = new Map<ScoreNote, string>();
  private readonly symbols = new Map<SymbolInBar, string>();
  /** By voice and place. */
  private readonly places = new Map<string, string>();

  /** @param prefix of ids nobody asked for; @param nameNote of notes, where the caller has names for them */
  constructor(part: Part, bars: readonly Bar[], prefix: string, nameNote?: NameNote) {
    let count = 0;
    const next = () => `${prefix}${++count}`;
    part.bars.forEach(({ voices, likeBefore }, b) => {
      // A sign stands for them: nothing can point at what is not drawn.
      if (likeBefore !== undefined) return;
      const { start } = bars[b]!;
      for (const { voice, symbols } of voices)
        for (const symbol of symbols) {
          const at = start + symbol.at;
          for (const note of [...graceNotesOf(symbol), ...symbol.notes])
            this.notes.set(note, nameNote?.(note, at) ?? next());
          const id = symbol.notes.length === 1 && !symbol.hidden ? this.notes.get(symbol.notes[0]!)! : next();
          this.symbols.set(symbol, id);
          this.places.set(`${voice}/${at}`, id);
        }
    });
  }

  /** Of a note that is drawn. */
  note = (note: ScoreNote): string => this.notes.get(note)!;

  /** Of a symbol that is drawn. */
  symbol = (symbol: SymbolInBar): string => this.symbols.get(symbol)!;

  isDrawn = (symbol: SymbolInBar): boolean => this.symbols.has(symbol);

  /** The symbol of a voice that begins at a place of the score; null where none does. */
  at(voice: number, place: WrittenUnits): string | null {
    return this.places.get(`${voice}/${place}`) ?? null;
  }

  /** The symbol after one in its voice and bar. */
  after({ symbols }: VoiceBar, index: number): string | null {
    const next = symbols[index + 1];
    return next ? this.symbol(next) : null;
  }
}
