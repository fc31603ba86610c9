/*
 * Assembling: notes with written start and end become bars full of symbols.
 *
 * Takes the notes of one voice, all with the same end where they start together, none overlapping the next; gives for
 * each bar its symbols, rests included, ties where a sound crosses a barline or must be cut to show the meter.
 */
import type { ScoreNote, SymbolInBar, SymbolMarks } from '../../score';
import { barIndexAt, type Bar, type WrittenUnits } from '../../time';
import { barSplitting, FINEST, splitSpan, tupletSplitting, type Piece } from './note-splitting';
import { findTuplets, type Stretch } from './tuplets';

/** What sounds together: notes without tie marks. */
export interface Chord {
  start: WrittenUnits;
  end: WrittenUnits;
  notes: Omit<ScoreNote, 'tieFromLast' | 'tieToNext'>[];
  marks?: SymbolMarks;
}

/** A chord or rest inside one bar, places counted from the bar's start. */
interface Segment {
  from: WrittenUnits;
  to: WrittenUnits;
  chord: Chord | null;
  /** The chord was struck in a bar before, or goes on in the next one. */
  tied?: { from: boolean; to: boolean };
}

/** @returns symbols by bar index; bars in which the voice is silent are absent */
export function assembleVoice(chords: readonly Chord[], bars: readonly Bar[]): Map<number, SymbolInBar[]> {
  const starts = bars.map((bar) => bar.start);
  const byBar = new Map<number, Segment[]>();
  for (const chord of chords) {
    for (let b = barIndexAt(starts, chord.start); b < bars.length && bars[b]!.start < chord.end; b++) {
      const bar = bars[b]!;
      const segment = {
        from: Math.max(chord.start - bar.start, 0),
        to: Math.min(chord.end - bar.start, bar.length),
        chord,
        tied: { from: chord.start < bar.start, to: chord.end > bar.start + bar.length },
      };
      const list = byBar.get(b);
      if (list) list.push(segment);
      else byBar.set(b, [segment]);
    }
  }
  const symbols = new Map<number, SymbolInBar[]>();
  for (const [b, segments] of byBar) symbols.set(b, writeBar(bars[b]!, withRests(segments, bars[b]!.length)));
  return symbols;
}

export function wholeBarRest(bar: Bar): SymbolInBar {
  return { at: 0, duration: bar.length, type: 'whole', dots: 0, notes: [], wholeBar: true };
}

function withRests(segments: readonly Segment[], length: WrittenUnits): Segment[] {
  const filled: Segment[] = [];
  let at = 0;
  for (const segment of segments) {
    if (segment.from > at) filled.push({ from: at, to: segment.from, chord: null });
    filled.push(segment);
    at = segment.to;
  }
  if (at < length) filled.push({ from: at, to: length, chord: null });
  return filled;
}

function writeBar(bar: Bar, segments: readonly Segment[]): SymbolInBar[] {
  const edges = [...new Set(segments.flatMap(({ from, to }) => [from, to]))];
  const stretches = findTuplets(bar, edges);
  const symbols: SymbolInBar[] = [];
  for (const segment of named(segments, stretches)) {
    for (const stretch of stretches) {
      const from = Math.max(segment.from, stretch.start);
      const to = Math.min(segment.to, stretch.start + stretch.length);
      if (from < to) symbols.push(...writePiece(from, to, segment, stretch, bar));
    }
  }
  return bracketed(symbols, stretches);
}

/** Segments whose places in nameless stretches are the nearest ones that can be written; none is lost. */
function named(segments: readonly Segment[], stretches: readonly Stretch[]): readonly Segment[] {
  const nameless = stretches.filter((stretch) => stretch.nameless);
  if (nameless.length === 0) return segments;
  const near = (place: WrittenUnits) =>
    nameless.some(({ start, length }) => place > start && place < start + length)
      ? Math.round(place / FINEST) * FINEST
      : place;
  let at = 0;
  return segments.flatMap(({ from, to, ...rest }) => {
    const begins = Math.max(at, near(from));
    // A rest may go; a chord has a place of its own at least.
    const ends = Math.max(near(to), begins + (rest.chord ? FINEST : 0));
    at = ends;
    return ends > begins ? [{ ...rest, from: begins, to: ends }] : [];
  });
}

function writePiece(from: WrittenUnits, to: WrittenUnits, segment: Segment, stretch: Stretch, bar: Bar): SymbolInBar[] {
  const { tuplet } = stretch;
  const rest = segment.chord === null;
  // Inside a tuplet everything is written as if it were plain and shrunk by normal : actual. Multiplied first, so that
  // places stay whole.
  const { actual, normal } = tuplet ?? { actual: 1, normal: 1 };
  const origin = tuplet ? stretch.start : 0;
  const plain = (place: WrittenUnits) => ((place - origin) * actual) / normal;
  const shrunk = (units: WrittenUnits) => (units * normal) / actual;
  const rules = tuplet ? tupletSplitting(tuplet.actual, tuplet.unit) : barSplitting(bar);
  const pieces = splitSpan(plain(from), plain(to), rest, rules);
  return pieces.map((piece) => symbol(piece, shrunk(piece.at) + origin, shrunk(piece.length), segment, stretch));
}

function symbol(
  piece: Piece,
  at: WrittenUnits,
  duration: WrittenUnits,
  { chord, from, to, tied }: Segment,
  { tuplet }: Stretch,
): SymbolInBar {
  const startsHere = chord !== null && at === from && !tied?.from;
  const endsHere = chord !== null && at + duration === to && !tied?.to;
  const marks = chord?.marks && (startsHere ? chord.marks : goingOn(chord.marks));
  return {
    at,
    duration,
    type: piece.type,
    dots: piece.dots,
    ...(tuplet && {
      tuplet: {
        actual: tuplet.actual,
        normal: tuplet.normal,
        normalType: tuplet.normalType,
        first: false,
        last: false,
      },
    }),
    notes: chord?.notes.map((note) => ({ ...note, tieFromLast: !startsHere, tieToNext: !endsHere })) ?? [],
    ...(marks && { marks }),
  };
}

/** Marks that are repeated on the tied symbols of one sound. */
function goingOn({ tremolo, harmonic }: SymbolMarks): SymbolMarks | undefined {
  return tremolo || harmonic ? { ...(tremolo && { tremolo }), ...(harmonic && { harmonic }) } : undefined;
}

function bracketed(symbols: SymbolInBar[], stretches: readonly Stretch[]): SymbolInBar[] {
  for (const stretch of stretches) {
    if (!stretch.tuplet) continue;
    const inside = symbols.filter(({ at }) => at >= stretch.start && at < stretch.start + stretch.length);
    if (inside[0]?.tuplet) inside[0].tuplet.first = true;
    const last = inside.at(-1);
    if (last?.tuplet) last.tuplet.last = true;
  }
  return symbols;
}
