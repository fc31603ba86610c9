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
    case 'dynamic':
      return withDynamic(part, edit, bars);
    case 'hairpin':
      return withHairpin(part, edit, bars);
    case 'words':
      return withWords(part, edit);
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

type Edit<K extends MarkEdit['kind']> = Extract<MarkEdit, { kind: K }>;

function withDynamic(part: Part, { note, level }: Edit<'dynamic'>, bars: readonly Bar[]): Part {
  const place = placeOf(part, note, bars);
  if (!place) return part;
  const { at, staff } = place;
  const others = part.lines.dynamics.filter((one) => one.at !== at || one.staff !== staff);
  const dynamics = level === null ? others : [...others, { at, staff, level }].sort((a, b) => a.at - b.at);
  return { ...part, lines: { ...part.lines, dynamics } };
}

/** From where the first note begins to where the last one ends; what was under another hairpin is not under two. */
function withHairpin(part: Part, { from, to, shape }: Edit<'hairpin'>, bars: readonly Bar[]): Part {
  const [first, last] = [placeOf(part, from, bars), placeOf(part, to, bars)];
  if (!first || !last) return part;
  const { staff } = first;
  const [start, end] = [Math.min(first.at, last.at), Math.max(first.end, last.end)];
  const others = part.lines.hairpins.filter((one) => one.staff !== staff || one.end <= start || one.start >= end);
  const hairpins = shape === null ? others : [...others, { start, end, staff, kind: shape }];
  return { ...part, lines: { ...part.lines, hairpins: hairpins.sort((a, b) => a.start - b.start) } };
}

function withWords(part: Part, { note, words }: Edit<'words'>): Part {
  const said = (symbol: SymbolInBar): SymbolInBar => {
    const { words: _words, ...others } = symbol.marks ?? {};
    const marks: SymbolMarks = { ...others, ...(words !== '' && { words: [words] }) };
    const { marks: _marks, ...plain } = symbol;
    return Object.keys(marks).length > 0 ? { ...plain, marks } : plain;
  };
  return {
    ...part,
    bars: mapSymbols(part.bars, (symbol) =>
      begins(symbol) && symbol.notes.some(({ played }) => played.includes(note)) ? said(symbol) : symbol,
    ),
  };
}

interface Place {
  at: WrittenUnits;
  /** Of its symbol; tied ones that follow are not counted in. */
  end: WrittenUnits;
  staff: number;
  voice: number;
}

function placeOf(part: Part, note: NoteId, bars: readonly Bar[]): Place | null {
  for (const [b, bar] of part.bars.entries()) {
    for (const { staff, voice, symbols } of bar.voices) {
      const symbol = symbols.find((one) => begins(one) && one.notes.some(({ played }) => played.includes(note)));
      const at = symbol && bars[b]!.start + symbol.at;
      if (symbol && at !== undefined) return { at, end: at + symbol.duration, staff, voice };
    }
  }
  return null;
}

/** What makes two bars the same rhythm: where each voice has notes and rests, and how long. */
function rhythmOf({ symbols }: VoiceBar): string {
  return symbols
    .map((symbol) => {
      const note = begins(symbol) ? 'n' : 't';
      return `${symbol.at}:${symbol.duration}${symbol.notes.length > 0 ? note : 'r'}`;
    })
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
