/*
 * Puts marks on an assembled part: those that were found, then what people set or took away, then patterns that are
 * copied.
 */
import {
  mapSymbols,
  type Articulation,
  type Part,
  type PartLines,
  type Slur,
  type SymbolInBar,
  type SymbolMarks,
  type VoiceBar,
} from '../../score';
import type { Bar, WrittenUnits } from '../../time';
import type { NoteId } from '../../performance';
import type { FoundMarks, NoteMark } from './find-marks';
import type { BarSpan, MarkEdit } from '../../settings';

export function markPart(
  part: Part,
  { lines, onNotes }: Pick<FoundMarks, 'lines' | 'onNotes'>,
  edits: readonly MarkEdit[],
  bars: readonly Bar[],
): Part {
  const marked: Part = {
    ...part,
    lines,
    bars: onNotes.size === 0 ? part.bars : mapSymbols(part.bars, (symbol) => withNoteMarks(symbol, onNotes)),
  };
  return edits.reduce((now, edit) => edited(now, edit, bars), marked);
}

/** Where a sound begins: marks go on the first of tied symbols; a breath on the last. */
const begins = (symbol: SymbolInBar) => symbol.notes.length > 0 && !symbol.notes[0]!.tieFromLast;
const ends = (symbol: SymbolInBar) => symbol.notes.length > 0 && !symbol.notes[0]!.tieToNext;

function withNoteMarks(symbol: SymbolInBar, onNotes: FoundMarks['onNotes']): SymbolInBar {
  const marks = symbol.notes.flatMap((note) => note.played.flatMap((id) => onNotes.get(id) ?? []));
  const fitting = marks.filter(({ mark }) => (mark === 'breath' || mark === 'caesura' ? ends(symbol) : begins(symbol)));
  return fitting.reduce(withMark, symbol);
}

function withMark(symbol: SymbolInBar, { mark, suggested }: NoteMark): SymbolInBar {
  const before = symbol.marks ?? {};
  if (mark === 'breath' || mark === 'caesura')
    return {
      ...symbol,
      marks: { ...before, breath: mark, ...(suggested && { suggested: [...(before.suggested ?? []), 'breath'] }) },
    };
  if (before.articulations?.includes(mark)) return symbol;
  return {
    ...symbol,
    marks: {
      ...before,
      articulations: [...(before.articulations ?? []), mark],
      ...(suggested && { suggested: [...(before.suggested ?? []), mark] }),
    },
  };
}

function withArticulation(symbol: SymbolInBar, articulation: Articulation, on: boolean): SymbolInBar {
  const { articulations = [], suggested = [], ...rest } = symbol.marks ?? {};
  const others = articulations.filter((one) => one !== articulation);
  const left = suggested.filter((one) => one !== articulation);
  const list = on ? [...others, articulation] : others;
  const marks: SymbolMarks = {
    ...rest,
    ...(list.length > 0 && { articulations: list }),
    ...(left.length > 0 && { suggested: left }),
  };
  const { marks: _marks, ...plain } = symbol;
  return Object.keys(marks).length > 0 ? { ...plain, marks } : plain;
}

function edited(part: Part, edit: MarkEdit, bars: readonly Bar[]): Part {
  switch (edit.kind) {
    case 'articulation':
      return {
        ...part,
        bars: mapSymbols(part.bars, (symbol) =>
          begins(symbol) && symbol.notes.some((note) => note.played.includes(edit.note))
            ? withArticulation(symbol, edit.articulation, edit.on)
            : symbol,
        ),
      };
    case 'slur':
      return slurred(part, edit, bars);
    case 'pattern':
      return edit.to.to > edit.to.from ? copied(part, edit.bar, edit.to, bars) : part;
  }
}

function slurred(part: Part, { from, to, on }: { from: NoteId; to: NoteId; on: boolean }, bars: readonly Bar[]): Part {
  const [first, last] = [placeOf(part, from, bars), placeOf(part, to, bars)];
  if (!first || !last || first.voice !== last.voice) return part;
  const [start, end] = [Math.min(first.at, last.at), Math.max(first.at, last.at)];
  if (start === end) return part;
  // What was under another slur there is not under two.
  const others = part.lines.slurs.filter(
    (slur) => slur.voice !== first.voice || slur.end <= start || slur.start >= end,
  );
  return { ...part, lines: { ...part.lines, slurs: on ? [...others, { start, end, voice: first.voice }] : others } };
}

function placeOf(part: Part, note: NoteId, bars: readonly Bar[]): { at: WrittenUnits; voice: number } | null {
  for (const [b, bar] of part.bars.entries()) {
    for (const { voice, symbols } of bar.voices) {
      const symbol = symbols.find((one) => begins(one) && one.notes.some(({ played }) => played.includes(note)));
      if (symbol) return { at: bars[b]!.start + symbol.at, voice };
    }
  }
  return null;
}

/** What makes two bars the same rhythm: where each voice has notes and rests, and how long. */
function rhythmOf({ symbols }: VoiceBar): string {
  return symbols
    .map((symbol) => `${symbol.at}:${symbol.duration}${symbol.notes.length > 0 ? (begins(symbol) ? 'n' : 't') : 'r'}`)
    .join(' ');
}

function copied(part: Part, from: number, to: BarSpan, bars: readonly Bar[]): Part {
  const model = part.bars[from];
  if (!model) return part;
  let { slurs } = part.lines;
  const length = bars[from]!.length;
  const own = (slur: Slur, bar: number) =>
    slur.start >= bars[bar]!.start && slur.end < bars[bar]!.start + bars[bar]!.length;
  const modelSlurs = slurs.filter((slur) => own(slur, from));
  const next = part.bars.map((bar, b) => {
    if (b === from || b < to.from || b >= to.to || bars[b]!.length !== length) return bar;
    return {
      ...bar,
      voices: bar.voices.map((voice) => {
        const pattern = model.voices.find((other) => other.voice === voice.voice);
        if (!pattern || rhythmOf(pattern) !== rhythmOf(voice) || !voice.symbols.some(begins)) return voice;
        const shift = bars[b]!.start - bars[from]!.start;
        slurs = [
          ...slurs.filter((slur) => slur.voice !== voice.voice || !own(slur, b)),
          ...modelSlurs
            .filter((slur) => slur.voice === voice.voice)
            .map((slur) => ({ ...slur, start: slur.start + shift, end: slur.end + shift })),
        ];
        return { ...voice, symbols: voice.symbols.map((symbol, s) => withPattern(symbol, pattern.symbols[s]!)) };
      }),
    };
  });
  const lines: PartLines = { ...part.lines, slurs };
  return { ...part, lines, bars: next };
}

function withPattern(symbol: SymbolInBar, { marks: model }: SymbolInBar): SymbolInBar {
  if (symbol.notes.length === 0) return symbol;
  const { articulations: _a, suggested, ...rest } = symbol.marks ?? {};
  const left = [
    ...(suggested ?? []).filter((one) => one === 'breath'),
    ...(model?.suggested ?? []).filter((one) => one !== 'breath'),
  ];
  const marks: SymbolMarks = {
    ...rest,
    ...(model?.articulations && { articulations: model.articulations }),
    ...(left.length > 0 && { suggested: left }),
  };
  const { marks: _marks, ...plain } = symbol;
  return Object.keys(marks).length > 0 ? { ...plain, marks } : plain;
}
