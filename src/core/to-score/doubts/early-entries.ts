/*
 * Entries played early: the first notes of a part, or after a bar of rest and more, that are written up to a sixteenth before a
 * beat, tied over it, while other parts strike that beat and nobody strikes with them.
 *
 *     entry     . . . x|~~~~~~          others     . . . .|x   x         asked about: on the beat, or as played?
 */
import { say } from '../../words';
import { queryId, type NoteId, type PartId } from '../../base';
import type { CastPart } from '../../casting';
import type { Query } from '../../queries';
import { soundsOf, type Part, type ScoreSound } from '../../score';
import type { NoteEdit } from '../../settings';
import { placeInWords, barIndexAt, QUARTER, type Bar, type WrittenUnits } from '../../time';
import type { BeatLine } from '../timing/beats';
import type { GridChoice } from '../timing/grid';

interface EntryPart {
  part: CastPart;
  written: Part;
  grid: GridChoice;
}

/** A sixteenth, or a third where the beat was heard in three: an entry stands no further before its beat, and sounds at least so long behind it. */
const BEFORE: WrittenUnits = QUARTER / 3;
/** From this share of exact notes on the part was not played. */
const MOSTLY_EXACT = 0.8;
/** Others strike with it when they are so near. */
const TOGETHER: WrittenUnits = QUARTER / 8;
/** So many others must strike the beat, or all that play. */
const WITNESSES = 2;

export function earlyEntryQueries(
  parts: readonly EntryPart[],
  bars: readonly Bar[],
  line: BeatLine,
  edits: Readonly<Record<PartId, readonly NoteEdit[]>>,
): Query[] {
  const sounds = parts.map(({ written }) => soundsOf(written, bars));
  const onsets = sounds.map((list) => new Set(list.map(({ start }) => start)));
  const beats = line.beats.map(({ start }) => start);
  return parts.flatMap((one, p): Query[] => {
    if (one.part.instrument.unpitched) return [];
    const believed = one.grid.notes.filter(({ meant }) => meant !== undefined).map(({ id }) => id);
    // In playing that is uneven a note may lie on a place of the grid by chance.
    const exact = new Set(believed.length >= MOSTLY_EXACT * one.grid.notes.length ? believed : []);
    const touched = new Set((edits[one.part.id] ?? []).map(({ note }) => note));
    const free = (id: NoteId) => !exact.has(id) && !touched.has(id);
    const others = onsets.filter((_, o) => o !== p);
    const found = entriesOf(sounds[p]!, bars).flatMap((chord) => {
      const beat = beatBehind(chord, beats);
      if (beat === null || !isAlone(chord[0]!.start, beat, others)) return [];
      const notes = chord.flatMap(({ played }) => played).filter(free);
      return notes.length > 0 ? [{ beat, by: beat - chord[0]!.start, notes }] : [];
    });
    return found.length > 0 ? [queryOf(one.part, found, bars)] : [];
  });
}

/** Chords before which the part rests for a bar or more. */
function entriesOf(sounds: readonly ScoreSound[], bars: readonly Bar[]): ScoreSound[][] {
  const starts = bars.map(({ start }) => start);
  const entries: ScoreSound[][] = [];
  let silentFrom: WrittenUnits = -Infinity;
  sounds.forEach((sound, i) => {
    const { length } = bars[barIndexAt(starts, sound.start)]!;
    if (sound.start !== sounds[i - 1]?.start && sound.start - silentFrom >= length)
      entries.push(sounds.slice(i).filter(({ start }) => start === sound.start));
    silentFrom = Math.max(silentFrom, sound.end);
  });
  return entries;
}

/** The beat the chord is tied over; null where it is none. */
function beatBehind(chord: readonly ScoreSound[], beats: readonly WrittenUnits[]): WrittenUnits | null {
  const { start } = chord[0]!;
  const beat = beats.find((at) => at > start);
  if (beat === undefined || beat - start > BEFORE) return null;
  return chord.every(({ end }) => end >= beat + BEFORE) ? beat : null;
}

/** Others strike the beat, and none of them with the entry. */
function isAlone(start: WrittenUnits, beat: WrittenUnits, others: readonly ReadonlySet<WrittenUnits>[]): boolean {
  const onBeat = others.filter((onsets) => onsets.has(beat)).length;
  const playing = others.filter((onsets) => onsets.size > 0).length;
  if (onBeat < Math.min(WITNESSES, playing) || onBeat === 0) return false;
  return others.every((onsets) => ![...onsets].some((at) => Math.abs(at - start) <= TOGETHER));
}

function queryOf(
  part: CastPart,
  found: readonly { beat: WrittenUnits; by: WrittenUnits; notes: NoteId[] }[],
  bars: readonly Bar[],
): Query {
  const [first] = found;
  const place = placeInWords(bars, first!.beat);
  return {
    id: queryId(`early-entry/${part.id}`),
    kind: 'early-entry',
    part: part.id,
    at: first!.beat,
    bar: barIndexAt(
      bars.map(({ start }) => start),
      first!.beat,
    ),
    played: found.flatMap(({ notes }) => notes),
    message:
      found.length === 1
        ? say('doubts.partEntersJustBeforePlaceWhich', { part: part.name, place })
        : say('doubts.partEntersFoundTimesJustBeforeA', { part: part.name, found: found.length, place }),
    facts: { moves: found.flatMap(({ by, notes }) => notes.map((note) => ({ note, by }))) },
  };
}
