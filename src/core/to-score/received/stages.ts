/* The stages that keep what was received. */
import { stage } from '../../base/stage';
import type { NoteId } from '../../base';
import type { Clef } from '../../instruments';
import type { Bar } from '../../time';
import type { Part, ScoreKey, Tablature } from '../../score';
import type { StaffNotes } from '../layout/staff-notes';
import type { Fretting } from '../notation/fretting';
import type { FoundMarks } from '../marks/find-marks';
import type { KeptPart } from './kept-parts';
import { anewWriting, joinedLines, keptWriting, linesOfSources, marksByNote, withMarks } from './kept-writing';

/** A part as it is written: what is kept of it, or the marks of those it was made of. */
export const written = stage(
  'received',
  ({
    assembled,
    kept,
    sources,
    dealt,
    staves,
    places,
    keys,
    sameKeys,
    fretting: { fingerings },
    tablature,
    clefs,
    fixedClefs,
  }: {
    assembled: Part;
    kept: KeptPart | null;
    /** Parts of the received score behind it. */
    sources: readonly Part[];
    /** It is one of several players. */
    dealt: boolean;
    staves: readonly StaffNotes[];
    /** By staff and note. */
    places: readonly number[][];
    keys: readonly ScoreKey[];
    sameKeys: boolean;
    fretting: Fretting;
    tablature: Tablature | null;
    clefs: Readonly<Record<number, Clef>> | undefined;
    fixedClefs: true | undefined;
  }): Part => {
    if (sources.length === 0) return assembled;
    if (!kept) {
      const marks = new Map(sources.flatMap((source) => [...marksByNote(source)]));
      const [source, more] = sources;
      return source && !more && !dealt
        ? anewWriting(assembled, source, marks)
        : { ...assembled, bars: assembled.bars.map((bar) => withMarks(bar, marks)) };
    }
    const placeOf = new Map<NoteId, number>();
    staves.forEach(({ notes }, s) => notes.forEach(({ id }, n) => placeOf.set(id, places[s]![n]!)));
    // What could not be spelled, as a part of drums that is written with pitches, keeps its names.
    if (kept.source.unpitched || assembled.unpitched) placeOf.clear();
    return keptWriting(assembled, kept, { places: placeOf, keys, sameKeys, clefs, fixedClefs, tablature, fingerings });
  },
);

/** Marks that were found, with the lines that were received. */
export const withLines = stage(
  'received lines',
  ({
    found,
    kept,
    sources,
    written: part,
    bars,
  }: {
    found: FoundMarks;
    kept: KeptPart | null;
    sources: readonly Part[];
    written: Part;
    bars: readonly Bar[];
  }): FoundMarks =>
    sources.length === 0
      ? found
      : { ...found, lines: joinedLines(kept ? kept.source.lines : linesOfSources(sources, part, bars), found.lines) },
);
