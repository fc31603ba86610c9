/*
 * Doubts about rhythm: tuplets that are hardly better than none, splinters of rests, notes that were struck twice in
 * one place. One query for a part; what needs the same remedy in several parts is one query for all of them.
 */
import { say } from '../../words';
import { lowest, queryId, queryIdOf, type PartId, type QueryId } from '../../base';
import type { CastPart } from '../../casting';
import type { Query } from '../../queries';
import { noteValue } from '../../score';
import { SMALLEST_VALUES, VALUE_LENGTH, type SmallestValue } from '../../settings';
import { placeInWords, barIndexAt, type Bar, type WrittenUnits } from '../../time';
import type { DurationReport } from '../layout/durations';
import { beatIndexAt, type BeatLine } from '../timing/beats';
import type { GridChoice } from '../timing/grid';
import { SURE_SWING, type Swing } from '../timing/swing';
import type { PlacedNote } from '../timing/timed-note';

/** Up to this share of its divided beats a value is an exception. */
const EXCEPTION = 0.15;

interface PartRhythm {
  part: CastPart;
  grid: GridChoice;
  report: DurationReport;
}

/** Where several places of a part begin. */
interface Places {
  part: CastPart;
  at: WrittenUnits;
  count: number;
}

export function rhythmQueries(
  parts: readonly PartRhythm[],
  bars: readonly Bar[],
  line: BeatLine,
  swing: Swing,
): Query[] {
  return [
    ...swingQuery(swing),
    ...parts.flatMap((one) => tupletQuery(one, bars, line)),
    ...shortRestQuery(parts, bars),
    ...mergedQuery(parts, bars),
  ];
}

function swingQuery({ heard, stretches, confidence, pinned, evidence }: Swing): Query[] {
  if (pinned || heard.length === 0 || confidence >= SURE_SWING) return [];
  const { ratio, unit } = heard[0]!;
  const written = stretches.length > 0 ? say('doubts.writtenEvenlyWithSwingAbove') : say('doubts.writtenAsPlayed');
  return [
    {
      id: queryId('swing'),
      kind: 'swing',
      message: say('doubts.perhapsThisSwingsEvidenceWritten', { evidence, written }),
      facts: { ratio, unit },
    },
  ];
}

function tupletQuery({ part, grid }: PartRhythm, bars: readonly Bar[], line: BeatLine): Query[] {
  const beats = [...grid.doubtfulTuplets].sort((a, b) => a - b);
  if (beats.length === 0) return [];
  const first = line.beats[beats[0]!]!;
  const among = new Set(beats);
  const written =
    beats.length === 1
      ? say('doubts.writtenAsATripletPlainValuesFit')
      : say('doubts.beatsBeatsFromHereOnAreWrittenAs', { beats: beats.length });
  return [
    {
      id: queryId(`tuplet/${part.id}`),
      kind: 'tuplet',
      part: part.id,
      at: first.start,
      bar: first.bar,
      played: grid.notes.filter((note) => among.has(beatIndexAt(line, note.start))).map((note) => note.id),
      message: `${wordsFor(part, bars, first.start)}: ${written}.`,
      facts: {
        smallest: smallestValue(usualSmallest(grid, line)),
        bars: [...new Set(beats.map((beat) => line.beats[beat]!.bar))],
      },
    },
  ];
}

/** Splinters of rests, which closed gaps would do away with. */
function shortRestQuery(parts: readonly PartRhythm[], bars: readonly Bar[]): Query[] {
  const places = parts.flatMap(({ part, report: { shortRests } }) =>
    shortRests.length > 0 ? [{ part, at: lowest(shortRests), count: shortRests.length }] : [],
  );
  if (places.length === 0) return [];
  return [
    {
      id: idOf('short-rest', places),
      kind: 'short-rest',
      ...firstOf(places, bars),
      touches: places.reduce((sum, { count }) => sum + count, 0),
      message: say('doubts.whereIsARestShorterThanASixteenth', {
        whereIs: whereIs(places, bars),
        timesIn: timesIn(places, 'of them'),
      }),
    },
  ];
}

/** Two played notes of one key on one place, which are not an ornament and not one gathered twice. */
function mergedQuery(parts: readonly PartRhythm[], bars: readonly Bar[]): Query[] {
  const twice = (note: PlacedNote) => note.absorbed.length > 0 && !note.ornament && (note.behind?.length ?? 0) === 0;
  const found = parts
    .filter(({ part }) => part.sources.length === 1)
    .map(({ part, grid }) => ({ part, notes: grid.notes.filter(twice) }))
    .filter(({ notes }) => notes.length > 0);
  if (found.length === 0) return [];
  const places = found.map(({ part, notes }) => ({ part, at: notes[0]!.start, count: notes.length }));
  return [
    {
      id: idOf('merged', places),
      kind: 'merged',
      ...firstOf(places, bars),
      played: found.flatMap(({ notes }) => notes.flatMap((note) => [note.id, ...note.absorbed])),
      message: say('doubts.whereIsStruckTwiceAtOnePosition', {
        whereIs: whereIs(places, bars),
        timesIn: timesIn(places, 'times'),
      }),
    },
  ];
}

/** A query about one part is known by it; one about several by all of them, since an answer was for those. */
function idOf(kind: string, places: readonly Places[]): QueryId {
  return queryIdOf(
    kind,
    places.map(({ part }) => part.id),
  );
}

function firstOf(
  places: readonly Places[],
  bars: readonly Bar[],
): { part: PartId; parts: PartId[]; at: number; bar: number } {
  const { part, at } = places[0]!;
  const starts = bars.map((bar) => bar.start);
  return { part: part.id, parts: places.map((one) => one.part.id), at, bar: barIndexAt(starts, at) };
}

/** "Flute, bar 3, beat 2" or "Flute, bar 3, beat 2, and 4 more parts" */
function whereIs(places: readonly Places[], bars: readonly Bar[]): string {
  const { part, at } = places[0]!;
  const more = places.length - 1;
  const where = wordsFor(part, bars, at);
  if (more === 0) return where;
  return say('doubts.whereAndMore', {
    where,
    more: more === 1 ? places[1]!.part.name : say('doubts.moreMoreParts', { more }),
  });
}

function timesIn(places: readonly Places[], unit: 'of them' | 'times'): string {
  const all = places.reduce((sum, { count }) => sum + count, 0);
  return all > 1 ? ` (${all} ${unit})` : '';
}

function wordsFor(part: CastPart, bars: readonly Bar[], at: WrittenUnits): string {
  return `${part.name}, ${placeInWords(bars, at)}`;
}

/** The smallest plain value that is no exception in the part. */
function usualSmallest({ divisions, smallest }: GridChoice, line: BeatLine): WrittenUnits {
  const units = divisions
    .flatMap((division, b) =>
      division > 1 && noteValue(line.beats[b]!.length / division, 0) ? [line.beats[b]!.length / division] : [],
    )
    .sort((a, b) => a - b);
  return units[Math.floor(units.length * EXCEPTION)] ?? smallest;
}

/** The smallest value that allows a length. */
function smallestValue(units: WrittenUnits): SmallestValue {
  return SMALLEST_VALUES.find((value) => VALUE_LENGTH[value] <= units) ?? '32nd';
}
