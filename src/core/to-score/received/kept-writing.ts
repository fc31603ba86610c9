/*
 * A part on the page of which something is kept: its bars as they were received, with the pitches as they are written
 * now, and the bars that were decided anew between them.
 */
import { type NoteId } from '../../base';
import {
  fifthsOf,
  lineOfFifths,
  mapGraces,
  mapSymbols,
  soundsOf,
  transpositionAt,
  type Part,
  type PartBar,
  type PartLines,
  type PartTransposition,
  type ScoreKey,
  type ScoreNote,
  type SymbolInBar,
  type SymbolMarks,
  type Tablature,
} from '../../score';
import type { Clef } from '../../instruments';
import type { Bar } from '../../time';
import type { Fingering } from '../notation/fretting';
import { nearestPlace, writtenPitch, type WrittenTransposition } from '../pitch/written-pitch';
import type { KeptPart } from './kept-parts';
import { withSmallNotes } from './small-notes';

/** What was decided about the page since the part was received. */
export interface PageDecided {
  /** Concert names by place on the line of fifths. */
  places: ReadonlyMap<NoteId, number>;
  keys: readonly ScoreKey[];
  /** The keys are those that were received. */
  sameKeys: boolean;
  clefs: Readonly<Record<number, Clef>> | undefined;
  fixedClefs: true | undefined;
  tablature: Tablature | null;
  fingerings: ReadonlyMap<NoteId, Fingering>;
}

/** @param assembled the same part as the stages write it */
export function keptWriting(
  assembled: Part,
  { source, anew, asInstrument }: KeptPart,
  { places, keys, sameKeys, clefs = {}, fixedClefs, tablature, fingerings }: PageDecided,
): Part {
  const to = transpositionOf(asInstrument ? assembled : source);
  const toAt = (bar: number) => (asInstrument ? to : transpositionOf(transpositionAt(source, bar)));
  const marks = marksByNote(source);
  const bars = assembled.bars.map((bar, b): PartBar => {
    const received = source.bars[b];
    if (!received || anew.has(b)) {
      const own = withPitches(
        withMarks(sameDoublings(bar, assembled, source), marks),
        transpositionAt(assembled, b),
        toAt(b),
      );
      const shift = fifthsOf(transpositionAt(source, b));
      const small = (note: ScoreNote) => named(note, lineOfFifths(note.pitch) - shift, toAt(b));
      return withSmallNotes(own, received, small, source.clefs.length);
    }
    return withPitches(received, transpositionAt(source, b), toAt(b));
  });
  const { transpositionChanges, ...plain } = source;
  return {
    ...plain,
    ...(!asInstrument && transpositionChanges && { transpositionChanges }),
    name: assembled.name,
    abbreviation: assembled.abbreviation,
    instrument: asInstrument || source.instrument === 'unknown' ? assembled.instrument : source.instrument,
    solo: assembled.solo,
    program: asInstrument ? assembled.program : source.program,
    transposition: to.semitones,
    transpositionSteps: to.steps,
    clefs: (asInstrument && assembled.clefs.length === source.clefs.length ? assembled : source).clefs.map(
      (clef, s) => clefs[s + 1] ?? clef,
    ),
    clefChanges: fixedClefs ? [] : (asInstrument ? assembled : source).clefChanges.filter(({ staff }) => !clefs[staff]),
    writtenKeys:
      sameKeys && !asInstrument
        ? source.writtenKeys
        : keys.map(({ fifths }) => (source.unpitched ? 0 : fifths + to.fifths)),
    tablature: tablature ?? source.tablature,
    bars,
  };

  function withPitches(bar: PartBar, from: PartTransposition, into: WrittenTransposition): PartBar {
    if (source.unpitched) return bar;
    return {
      ...bar,
      voices: bar.voices.map((voice) => ({
        ...voice,
        symbols: voice.symbols.map((symbol) => repitched(symbol, from, into)),
      })),
    };
  }

  function repitched(symbol: SymbolInBar, from: PartTransposition, into: WrittenTransposition): SymbolInBar {
    if (symbol.notes.length === 0) return symbol;
    const shift = fifthsOf(from);
    return {
      ...symbol,
      notes: symbol.notes.map((note) =>
        named(note, places.get(note.played[0]!) ?? lineOfFifths(note.pitch) - shift, into),
      ),
      ...(symbol.marks && {
        marks: mapGraces(symbol.marks, (note) => named(note, lineOfFifths(note.pitch) - shift, into)),
      }),
    };
  }

  function named(note: ScoreNote, place: number, into: WrittenTransposition): ScoreNote {
    const fingering = tablature ? fingerings.get(note.played[0]!) : note.fingering;
    // A name of another key would be another note.
    const { fingering: _was, ...rest } = note;
    return {
      ...rest,
      pitch: writtenPitch(note.key, nearestPlace(note.key, place), into),
      ...(fingering && { fingering }),
    };
  }
}

/** Notes that are played on another instrument say so by the numbers the source has for it. */
function sameDoublings(bar: PartBar, { doublings }: Part, source: Part): PartBar {
  if (!doublings) return bar;
  const [changed] = mapSymbols([bar], (symbol) => ({
    ...symbol,
    notes: symbol.notes.map((note) => {
      const { doubling, ...rest } = note;
      if (doubling === undefined) return note;
      const at = source.doublings?.findIndex(({ instrument }) => instrument === doublings[doubling]!.instrument) ?? -1;
      return at < 0 ? rest : { ...rest, doubling: at };
    }),
  }));
  return changed!;
}

function transpositionOf(part: PartTransposition): WrittenTransposition {
  return { semitones: part.transposition, steps: part.transpositionSteps, fifths: fifthsOf(part) };
}

/** The marks of the symbols where sounds begin, by their notes. */
export function marksByNote(source: Part): ReadonlyMap<NoteId, SymbolMarks> {
  const found = new Map<NoteId, SymbolMarks>();
  for (const { voices } of source.bars)
    for (const { symbols } of voices)
      for (const { notes, marks } of symbols)
        if (marks) for (const note of notes) if (!note.tieFromLast) found.set(note.played[0]!, marks);
  return found;
}

/** A bar with the marks its notes had where they came from; those of its own stay. */
export function withMarks(bar: PartBar, marks: ReadonlyMap<NoteId, SymbolMarks>): PartBar {
  if (marks.size === 0) return bar;
  return {
    ...bar,
    voices: bar.voices.map((voice) => ({
      ...voice,
      symbols: voice.symbols.map((symbol) => {
        const [first] = symbol.notes;
        const had =
          first && !first.tieFromLast
            ? symbol.notes.map(({ played }) => marks.get(played[0]!)).find(Boolean)
            : undefined;
        return had ? { ...symbol, marks: together(had, symbol.marks) } : symbol;
      }),
    })),
  };
}

/** A symbol's own marks count before those it had; words of both stand there. */
function together(had: SymbolMarks, own: SymbolMarks | undefined): SymbolMarks {
  const words = [...new Set([...(had.words ?? []), ...(own?.words ?? [])])];
  return { ...had, ...own, ...(words.length > 0 && { words }) };
}

/** A part that is wholly written anew, with the marks and the small notes of the one part it came as. */
export function anewWriting(assembled: Part, source: Part, marks: ReadonlyMap<NoteId, SymbolMarks>): Part {
  const bars = assembled.bars.map((bar, b) => {
    const [from, into] = [transpositionAt(source, b), transpositionOf(transpositionAt(assembled, b))];
    const small = (note: ScoreNote): ScoreNote => {
      const place = nearestPlace(note.key, lineOfFifths(note.pitch) - fifthsOf(from));
      return { ...note, pitch: writtenPitch(note.key, place, into) };
    };
    const own = withMarks(bar, marks);
    // Drums have no pitches to write otherwise.
    return source.unpitched === assembled.unpitched
      ? withSmallNotes(own, source.bars[b], source.unpitched ? (note) => note : small, assembled.clefs.length)
      : own;
  });
  return { ...assembled, bars };
}

/** Lines that were received, with those that are found where that was asked for. */
export function joinedLines(received: PartLines, found: PartLines): PartLines {
  return {
    dynamics: [...received.dynamics, ...found.dynamics],
    forces: received.forces,
    hairpins: [...received.hairpins, ...found.hairpins],
    slurs: [...received.slurs, ...found.slurs],
    pedals: [...received.pedals, ...found.pedals],
    octaveLines: received.octaveLines,
  };
}

/**
 * The lines of parts that were gathered, or divided among several players: those that have a place on this one. Equal
 * lines of several parts are one.
 */
export function linesOfSources(sources: readonly Part[], part: Part, bars: readonly Bar[]): PartLines {
  const begins = new Set(soundsOf(part, bars).flatMap(({ start, voice }) => (voice === 1 ? [start] : [])));
  const once = <T extends object>(lines: readonly T[]): T[] => [
    ...new Map(lines.map((one) => [JSON.stringify(one), one])).values(),
  ];
  const onStaff = <T extends { staff: number }>(one: T): T => ({
    ...one,
    staff: Math.min(one.staff, part.clefs.length),
  });
  const all = sources.map(({ lines }) => lines);
  return {
    dynamics: once(all.flatMap(({ dynamics }) => dynamics.map(onStaff))),
    forces: once(all.flatMap(({ forces }) => forces.map(onStaff))),
    hairpins: once(all.flatMap(({ hairpins }) => hairpins.map(onStaff))),
    slurs: once(all.flatMap(({ slurs }) => slurs.map((slur) => ({ ...slur, voice: 1 })))).filter(
      ({ start, end }) => begins.has(start) && begins.has(end),
    ),
    pedals: once(all.flatMap(({ pedals }) => pedals)),
    octaveLines: [],
  };
}
