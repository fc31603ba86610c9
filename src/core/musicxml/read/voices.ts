/*
 * Voices of a measure: the notes of each in order, chords together, gaps filled with rests, so that every voice fills
 * its bar.
 *
 *     file    voice 1  C4 quarter, E4 in chord, (forward) …     →    [C4 E4] quarter, rest …
 */
import { groupBy } from '../../base';
import {
  noteValue,
  NOTE_TYPES,
  typeLength,
  valueLength,
  voiceNumber,
  type FurtherSign,
  type Grace,
  type NoteType,
  type NoteValue,
  type ScoreNote,
  type SymbolInBar,
  type SymbolMarks,
  type VoiceBar,
} from '../../score';
import { QUARTER, type WrittenUnits } from '../../time';
import type { RawNote } from './raw';

/** What the reader does with a note, and whom it tells. */
export interface NoteWriting {
  /** Makes a note of the score; null for one that cannot be written. */
  write: (raw: RawNote) => ScoreNote | null;
  /** Told of notes that had to give way. */
  mend: (message: string, raw: RawNote) => void;
}

/**
 * Which of a staff's four voices a voice of the file is, the same in every bar, so that ties and slurs find each other.
 */
export class VoiceSlots {
  private readonly known = new Map<string, number>();
  /** Slots that voices have, by staff. */
  private readonly used = new Map<number, Set<number>>();

  /** @param taken slots that other voices have in this bar */
  slotOf(staff: number, name: string, taken: ReadonlySet<number>): number {
    const before = this.known.get(`${staff}/${name}`);
    if (before !== undefined && !taken.has(before)) return before;
    const own = Number(name) - voiceNumber(staff, 0);
    const used = this.used.get(staff) ?? new Set();
    const free = [own, 0, 1, 2, 3].filter((n) => Number.isInteger(n) && n >= 0 && n < 4 && !taken.has(n));
    const slot = free.find((n) => !used.has(n)) ?? free[0] ?? 3;
    if (before === undefined) {
      this.known.set(`${staff}/${name}`, slot);
      this.used.set(staff, used.add(slot));
    }
    return slot;
  }
}

/** @returns in order of staff and voice */
export function voicesOf(
  notes: readonly RawNote[],
  length: WrittenUnits,
  slots: VoiceSlots,
  writing: NoteWriting,
): VoiceBar[] {
  const byVoice = groupBy(notes, (note) => note.voice);
  // Some programs count voices anew on each staff: what sounds at once on two staves is two voices.
  for (const [name, own] of [...byVoice]) {
    const staves = groupBy(own, (note) => String(note.staff));
    if (staves.size < 2 || !overlap([...staves.values()])) continue;
    byVoice.delete(name);
    for (const [staff, list] of staves) byVoice.set(`${name} on staff ${staff}`, list);
  }
  for (const [name, own] of [...byVoice])
    layersOf(own).forEach((layer, n) => byVoice.set(n === 0 ? name : `${name} once more, ${n}`, layer));
  const taken = new Map<number, Set<number>>();
  const voices = [...byVoice].flatMap(([name, own]): VoiceBar[] => {
    const staff = usualStaff(own);
    const symbols = symbolsOf(own, staff, length, writing);
    if (symbols.every(isPlainRest) && byVoice.size > 1) return [];
    const here = taken.get(staff) ?? new Set<number>();
    taken.set(staff, here);
    const slot = slots.slotOf(staff, name, here);
    here.add(slot);
    return [{ staff, voice: voiceNumber(staff, slot), symbols }];
  });
  return voices.sort((a, b) => a.voice - b.voice);
}

/** A rest that bears nothing but itself. */
const isPlainRest = (symbol: SymbolInBar) => symbol.notes.length === 0 && symbol.marks === undefined;

/** Going back inside a voice makes notes sound at once: those that begin before the last one has ended stand apart. */
function layersOf(notes: readonly RawNote[]): RawNote[][] {
  const layers: { notes: RawNote[]; end: WrittenUnits }[] = [];
  let last = 0;
  for (const note of [...notes].sort((a, b) => a.at - b.at)) {
    const fits = note.chord || note.grace ? last : layers.findIndex(({ end }) => note.at >= end - 1);
    const begins = fits >= 0 ? fits : layers.length;
    const layer = (layers[begins] ??= { notes: [], end: 0 });
    layer.notes.push(note);
    if (!note.chord && !note.grace) layer.end = note.at + note.duration;
    last = begins;
  }
  // Rests alone need no voice of their own.
  return layers.map((layer) => layer.notes).filter((layer, n) => n === 0 || layer.some((note) => !note.rest));
}

/** Whether notes of different groups sound at the same time; a chord over two staves begins together and is one. */
function overlap(groups: readonly (readonly RawNote[])[]): boolean {
  const all = groups
    .flatMap((notes, group) =>
      notes
        .filter((note) => !note.grace && !note.chord)
        .map((note) => ({ group, from: note.at, to: note.at + note.duration })),
    )
    .sort((a, b) => a.from - b.from);
  return all.some((note, i) =>
    all.slice(i + 1, i + 9).some((other) => other.group !== note.group && other.from < note.to),
  );
}

/** A voice that crosses staves is kept whole, on the staff where most of it stands. */
function usualStaff(notes: readonly RawNote[]): number {
  const counts = new Map<number, number>();
  for (const note of notes) counts.set(note.staff, (counts.get(note.staff) ?? 0) + (note.rest ? 0.5 : 1));
  return [...counts].reduce((a, b) => (b[1] > a[1] ? b : a))[0];
}

function symbolsOf(
  notes: readonly RawNote[],
  staff: number,
  length: WrittenUnits,
  { write, mend }: NoteWriting,
): SymbolInBar[] {
  const symbols: SymbolInBar[] = [];
  let at: WrittenUnits = 0;
  let graces: Grace[] = [];
  for (const raw of [...notes].sort((a, b) => a.at - b.at)) {
    const written = raw.rest ? null : write(raw);
    const note = written && raw.staff !== staff ? { ...written, staff: raw.staff } : written;
    const last = symbols.at(-1);
    if (raw.grace) {
      if (note) addGrace(graces, note, raw);
    } else if (raw.chord && last?.at === raw.at) {
      if (note && last.notes.length > 0) addToChord(last, note, raw);
    } else if (place(raw, note)) graces = [];
  }
  if (at < length) symbols.push(...(at === 0 ? [wholeRest(length)] : rests(at, length)));
  if (graces.length > 0) afterLast(symbols, graces);
  if (symbols.length === 1 && isPlainRest(symbols[0]!)) return [wholeRest(length)];
  return closeTuplets(symbols);

  /** Puts a symbol where the last one ended, or later; whether there was room for it. */
  function place(raw: RawNote, note: ScoreNote | null): boolean {
    const start = Math.max(raw.at, at);
    const end = Math.min(raw.at + raw.duration, length);
    if (raw.at < at - 1 && !raw.rest)
      mend('two notes of one voice overlap; the later one begins where the first one ends', raw);
    if (end <= start) return false;
    if (start > at) symbols.push(...rests(at, start));
    symbols.push(...inPieces(symbolOf(raw, start, end - start, note, graces)));
    at = end;
    return true;
  }
}

/** A sound that no single value is long enough for, or that falls between two, is several tied ones. */
function inPieces(symbol: SymbolInBar): SymbolInBar[] {
  const { type, dots, tuplet, duration, at, notes, marks: _marks, ...plain } = symbol;
  if (tuplet || Math.abs(valueLength(type, dots) - duration) < 1) return [symbol];
  const lengths = valuesOf(duration);
  if (lengths.length < 2) return [symbol];
  let from = at;
  return lengths.map((value, i) => {
    const piece: SymbolInBar = {
      ...(i === 0 ? symbol : plain),
      at: from,
      duration: value.length,
      type: value.type,
      dots: value.dots,
      notes: notes.map((note) => ({
        ...note,
        tieFromLast: i > 0 || note.tieFromLast,
        tieToNext: i < lengths.length - 1 || note.tieToNext,
      })),
    };
    from += value.length;
    return piece;
  });
}

/** Values that add up to a length, the longest first; none where they do not. */
function valuesOf(duration: WrittenUnits): NoteValue[] {
  const values: NoteValue[] = [];
  let left = duration;
  while (left > 0) {
    const next = NOTE_TYPES.find((type) => typeLength(type) <= left);
    if (!next) return [];
    const value = noteValue(left) ?? { type: next, dots: 0, length: typeLength(next) };
    values.push(value);
    left -= value.length;
  }
  return values;
}

function addGrace(graces: Grace[], note: ScoreNote, { chord, grace, type }: RawNote): void {
  const last = graces.at(-1);
  if (chord && last) last.notes = [...last.notes, note].sort((a, b) => a.key - b.key);
  else graces.push({ notes: [note], type: type ?? 'eighth', ...grace });
}

/** Grace notes at the end of a bar belong to the note before them: the ending of a trill. */
function afterLast(symbols: SymbolInBar[], graces: Grace[]): void {
  const at = symbols.findLastIndex(({ notes }) => notes.length > 0);
  const last = symbols[at];
  if (last) symbols[at] = { ...last, marks: { ...last.marks, gracesAfter: graces } };
}

const wholeRest = (length: WrittenUnits): SymbolInBar => ({
  at: 0,
  duration: length,
  type: 'whole',
  dots: 0,
  notes: [],
  wholeBar: true,
});

function addToChord(symbol: SymbolInBar, note: ScoreNote, raw: RawNote): void {
  if (
    symbol.notes.some((one) => one.key === note.key && one.pitch.step === note.pitch.step && one.cents === note.cents)
  )
    return;
  symbol.notes.push(note);
  symbol.notes.sort((a, b) => a.key - b.key);
  // Fingerings stand at each note of a chord; they are listed in order.
  const { arpeggio, further = [] } = raw.marks;
  if (arpeggio) symbol.marks = { ...symbol.marks, arpeggio };
  const own = further.filter((sign) => !(symbol.marks?.further ?? []).some((other) => sameSign(sign, other)));
  if (own.length > 0) symbol.marks = { ...symbol.marks, further: [...(symbol.marks?.further ?? []), ...own] };
}

/** A rest can be held too; what belongs to a sound it cannot have. */
function marksOfRest({ fermata }: SymbolMarks): SymbolMarks {
  return fermata ? { fermata } : {};
}

function marksOfNote({ marks, lyrics }: RawNote, graces: readonly Grace[]): SymbolMarks {
  return { ...marks, ...(lyrics.length > 0 && { lyrics }), ...(graces.length > 0 && { graces: [...graces] }) };
}

const sameSign = (a: FurtherSign, b: FurtherSign) => JSON.stringify(a) === JSON.stringify(b);

function symbolOf(
  raw: RawNote,
  at: WrittenUnits,
  duration: WrittenUnits,
  note: ScoreNote | null,
  graces: readonly Grace[],
): SymbolInBar {
  const value = valueOf(raw, duration);
  const marks = raw.rest ? marksOfRest(raw.marks) : marksOfNote(raw, graces);
  return {
    at,
    duration,
    type: value.type,
    dots: value.dots,
    ...(value.tuplet && {
      tuplet: {
        ...value.tuplet,
        first: raw.tupletStarts,
        last: raw.tupletStops,
        ...(raw.nested.some(({ level }) => level > 1) && { nested: raw.nested }),
      },
    }),
    notes: note ? [note] : [],
    ...(raw.cue && { cue: true }),
    ...(raw.hidden && { hidden: true }),
    ...(Object.keys(marks).length > 0 && { marks }),
  };
}

/** What the file says where it agrees with the length; else the plain value or the tuplet that has this length. */
function valueOf(
  raw: RawNote,
  duration: WrittenUnits,
): { type: NoteType; dots: number; tuplet?: { actual: number; normal: number; normalType: NoteType } } {
  const { tuplet, type, dots } = raw;
  if (type) {
    const plain = valueLength(type, dots);
    const length = tuplet ? (plain * tuplet.normal) / tuplet.actual : plain;
    if (Math.abs(length - duration) < 2)
      return {
        type,
        dots,
        ...(tuplet && {
          tuplet: { actual: tuplet.actual, normal: tuplet.normal, normalType: tuplet.normalType ?? type },
        }),
      };
  }
  const plain = noteValue(duration);
  if (plain) return { type: plain.type, dots: plain.dots };
  for (const [actual, normal] of [
    [3, 2],
    [5, 4],
    [6, 4],
    [7, 4],
    [9, 8],
    [2, 3],
    [4, 3],
  ] as const) {
    const value = noteValue((duration * actual) / normal);
    if (value) return { type: value.type, dots: value.dots, tuplet: { actual, normal, normalType: value.type } };
  }
  const near = nearestValue(duration);
  return { type: near.type, dots: near.dots };
}

function nearestValue(duration: WrittenUnits): NoteValue {
  const values = NOTE_TYPES.map((type): NoteValue => ({ type, dots: 0, length: typeLength(type) }));
  return values.reduce((a, b) => (Math.abs(b.length - duration) < Math.abs(a.length - duration) ? b : a));
}

/** Rests that fill a gap, the longest first as far as their places allow. */
function rests(from: WrittenUnits, to: WrittenUnits): SymbolInBar[] {
  const filled: SymbolInBar[] = [];
  let at = from;
  while (at < to) {
    // A rest stands where a multiple of its length begins, so that beats stay visible.
    const type = NOTE_TYPES.find(
      (one) => typeLength(one) <= to - at && at % typeLength(one) === 0 && typeLength(one) <= 4 * QUARTER,
    );
    const duration = type ? typeLength(type) : to - at;
    const value = type ? { type, dots: 0 } : valueOf({ type: null, tuplet: null, dots: 0 } as RawNote, duration);
    filled.push({
      at,
      duration,
      ...value,
      ...('tuplet' in value && value.tuplet && { tuplet: { ...value.tuplet, first: false, last: false } }),
      notes: [],
    } as SymbolInBar);
    at += duration;
  }
  return filled;
}

/** Brackets as the notes themselves say: a run of one ratio is closed whenever it fills whole units of its bracket. */
function closeTuplets(symbols: SymbolInBar[]): SymbolInBar[] {
  let from = -1;
  let filled = 0;
  const bracketed = symbols.some(({ tuplet }) => tuplet?.nested);
  symbols.forEach((symbol, i) => {
    const { tuplet } = symbol;
    const before = from >= 0 ? symbols[from]!.tuplet! : null;
    const other = !tuplet || tuplet.actual !== before?.actual || tuplet.normal !== before.normal;
    // Inside a bracket over brackets the ratio changes.
    const inside = before && tuplet && bracketed && !symbols[i - 1]?.tuplet?.last;
    if (before && other && !inside) {
      symbols[i - 1]!.tuplet!.last = true;
      from = -1;
    }
    if (!tuplet) return;
    const starts = from < 0;
    if (starts) {
      from = i;
      filled = 0;
    }
    filled += symbol.duration;
    const whole = typeLength(tuplet.normalType) * tuplet.normal;
    const said = tuplet.nested || symbols[from]!.tuplet!.nested;
    const closes = tuplet.last || (!said && filled >= whole - 1) || i === symbols.length - 1;
    tuplet.first = starts;
    tuplet.last = closes;
    if (closes) from = -1;
  });
  return symbols;
}
