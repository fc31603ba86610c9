/*
 * Bars that change, in files that say 4/4: pieces in 3/4 and 4/4 whose bars are made a beat shorter, so that their last beat
 * is gone, or longer, so that what sounds at their end is held. The truth is where their bars begin then.
 *
 *     as it is     |x . o .|x o . .|x . . .|          4 4 4
 *     made         |x . o .|x o .|x . . .|            4 3 4
 */
import { meterDoubts } from '../src/core/to-score/doubts/meter-doubts';
import { remediesFor } from '../src/core/queries';
import { withTimeLine, performanceFromSmf, type Performance, type PlayedNote } from '../src/core/performance';
import { readSmf } from '../src/core/smf';
import { settingsOf, EMPTY_LEDGER, enter } from '../src/core/documents';
import { layBars, QUARTER, type WrittenUnits } from '../src/core/time';
import { BANDS, bandPiece } from './bands';
import { corpus } from './corpus';
import { genres } from './genres';
import { leadCases } from './lead-cases';
import { percent } from './measure';
import { EXACT_TAKES, HUMAN_TAKES, playTake, type Take } from './takes';

interface Change {
  name: string;
  /** Of so many bars that are `length` beats now. */
  lengths: (length: number, bars: number) => number[];
}

export const CHANGES: readonly Change[] = [
  { name: 'as they are', lengths: (length, bars) => Array<number>(bars).fill(length) },
  {
    name: 'one a beat shorter',
    lengths: (length, bars) => each(bars, (i) => (i === third(bars) ? length - 1 : length)),
  },
  {
    name: 'one a beat longer',
    lengths: (length, bars) => each(bars, (i) => (i === third(bars) ? length + 1 : length)),
  },
  {
    name: 'another meter for the second half',
    lengths: (length, bars) => each(bars, (i) => (2 * i < bars ? length : 7 - length)),
  },
  { name: 'two lengths in turn', lengths: (length, bars) => each(bars, (i) => length - (i % 2)) },
  { name: 'three lengths in turn', lengths: (length, bars) => each(bars, (i) => length + 1 - (i % 3)) },
];
const each = (bars: number, of: (bar: number) => number) => Array.from({ length: bars }, (_, bar) => of(bar));
const third = (bars: number) => Math.floor(bars / 3);

const FEWEST_BARS = 12;
/** Notes this much before a barline belong to what follows; played ends this near to one reach it. In quarters. */
const EARLY = 0.08;
const NEARLY = 0.2;

/** The same music with bars of other lengths, in beats of a quarter. */
function withLengths(performance: Performance, length: number, lengths: readonly number[]): Performance {
  const { ticksPerQuarter: quarter } = performance;
  const begins = beginsOf(lengths);
  const barOf = (tick: number) => Math.max(0, Math.min(lengths.length - 1, Math.floor(tick / quarter / length)));
  const moved = (note: PlayedNote): PlayedNote[] => {
    const first = barOf(note.start + EARLY * quarter);
    const into = note.start / quarter - first * length;
    if (into >= lengths[first]! - EARLY) return [];
    const last = barOf(note.end - NEARLY * quarter);
    const reach = note.end / quarter - last * length;
    // What sounds to the end of its bar sounds to its new end.
    const out = reach > length - NEARLY ? reach + lengths[last]! - length : Math.min(reach, lengths[last]!);
    const start = Math.max(0, Math.round((begins[first]! + into) * quarter));
    return [{ ...note, start, end: Math.max(start + 1, Math.round((begins[last]! + out) * quarter)) }];
  };
  const tracks = performance.tracks.map((track) => ({
    ...track,
    notes: track.notes.flatMap(moved).sort((a, b) => a.start - b.start),
  }));
  const ends = tracks.flatMap(({ notes }) => notes.map(({ end }) => end));
  return { ...performance, meters: [], tracks, lastNoteEnd: Math.max(1, ...ends) };
}

function beginsOf(lengths: readonly number[]): number[] {
  let at = 0;
  return lengths.map((length) => (at += length) - length);
}

/** Where the bars of a file begin once what is proposed is taken. */
function barlines(performance: Performance, taken: boolean): { begins: WrittenUnits[]; asked: boolean } {
  const [query] = meterDoubts(performance, 'own');
  const [remedy] = query && taken ? remediesFor(query) : [];
  const ledger = remedy ? [remedy.decision, ...(remedy.also ?? [])].reduce(enter, EMPTY_LEDGER) : EMPTY_LEDGER;
  const { meters, lastNoteEnd, ticksPerQuarter } = withTimeLine(performance, settingsOf(ledger).timeLine);
  const bars = layBars(meters, (lastNoteEnd / ticksPerQuarter) * QUARTER);
  return { begins: bars.map(({ start }) => start), asked: query !== undefined };
}

/** F-measure of the places that both have. */
function agreement(found: readonly number[], truth: readonly number[]): number {
  const where = new Set(truth);
  return (2 * found.filter((place) => where.has(place)).length) / Math.max(1, found.length + truth.length);
}

interface Piece {
  performance: Performance;
  /** Quarters of its bars, and how many there are. */
  length: number;
  bars: number;
}

/** Those of corpus and genres in 3/4 and 4/4. */
export function evenPieces(take: Take, seed: number): Piece[] {
  return [...corpus(seed), ...genres(seed)].flatMap((piece) => {
    const performance = performanceFromSmf(readSmf(playTake(piece, take, seed)));
    const [meter, ...others] = performance.meters;
    const quarters = performance.lastNoteEnd / performance.ticksPerQuarter;
    const bars = meter ? Math.floor(quarters / meter.beats) : 0;
    if (!meter || others.length > 0 || meter.beatType !== 4 || meter.beats < 3 || meter.beats > 4 || bars < FEWEST_BARS)
      return [];
    return [{ performance, length: meter.beats, bars }];
  });
}

/** How many are asked about, and the agreement of barlines as the file has them and as they are once that is taken. */
export function measureChange(
  pieces: readonly Piece[],
  lengths: Change['lengths'],
): { asked: number; before: number; after: number } {
  let [asked, before, after] = [0, 0, 0];
  for (const { performance, length, bars } of pieces) {
    const own = lengths(length, bars);
    const changed = withLengths(performance, length, own);
    const truth = beginsOf(own).map((at) => at * QUARTER);
    const proposed = barlines(changed, true);
    asked += proposed.asked ? 1 : 0;
    before += agreement(barlines(changed, false).begins, truth) / pieces.length;
    after += agreement(proposed.begins, truth) / pieces.length;
  }
  return { asked, before, after };
}

/** Rows of docs/accuracy.md. */
export function changingBarsTable(seed: number): string {
  const takes = [EXACT_TAKES[0]!, HUMAN_TAKES[0]!].map((take) => evenPieces(take, seed));
  const rows = CHANGES.map(({ name, lengths }) => {
    const cells = takes.map((pieces) => {
      const { asked, before, after } = measureChange(pieces, lengths);
      return `${asked} of ${pieces.length} | ${percent(before, 1)} | ${percent(after, 1)}`;
    });
    return `| ${name} | ${cells.join(' | ')} |`;
  });
  return [
    '| bars | drawn: asked about | barlines of the file | once taken | like people: asked about | barlines of the file | once taken |',
    '|---|---|---|---|---|---|---|',
    ...rows,
  ].join('\n');
}

/** Pieces in 4/4 that are asked about their meter though nothing is wrong with it, of how many: bands and lead cases. */
export function askedForNothing(seeds: readonly number[]): { asked: number; of: number } {
  const inFour = seeds.flatMap((seed) => [
    ...BANDS.map((band) => bandPiece(band, seed)),
    ...leadCases(seed).map(({ bytes }) => performanceFromSmf(readSmf(bytes))),
  ]);
  const asked = inFour.filter((performance) => meterDoubts(performance, 'own').some(({ kind }) => kind === 'meter'));
  return { asked: asked.length, of: inFour.length };
}
