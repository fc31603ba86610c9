/*
 * Durations: played ends become written ends.
 *
 *     played   ==|  ====|=   ==|            released early, overlapping, early
 *     written  ====|====|====|              next onset, trimmed, next onset
 *
 * Takes placed notes of one voice; gives written ends. For each chord the ends in question are the places of the grid
 * up to the next onset of the voice. A player lets go after a certain share of a note (estimated from the voice): an
 * end is good when the release fits that share, and when it leaves no rest or a rest of some size rather than a
 * splinter.
 */
import { median, runsOf } from '../../base';
import { noteValue } from '../../score';
import { lastNotAfter, QUARTER, type Seconds, type WrittenUnits } from '../../time';
import type { BeatLine } from '../timing/beats';
import type { PlacedNote } from '../timing/timed-note';

export interface EndedNote extends PlacedNote {
  end: WrittenUnits;
  /** Written longer than it sounds: with a staccato dot. */
  short?: true;
}

export interface DurationInput {
  /** In order of start. */
  notes: readonly PlacedNote[];
  line: BeatLine;
  /** Division of each beat, from the grid stage. */
  divisions: readonly number[];
  /** Beats whose parts are divided each in its own way: of notes that end inside of them only the parts are known. */
  parted: ReadonlySet<number>;
  /** Smallest plain value of the part. */
  smallest: WrittenUnits;
  /** Gaps up to this long are closed, whatever they look like. */
  closeGaps?: WrittenUnits;
}

export interface DurationReport {
  gapsClosed: number;
  overlapsTrimmed: number;
  /** Where rests shorter than a sixteenth are left. */
  shortRests: WrittenUnits[];
  /** Written longer than played, with a staccato dot. */
  shortNotes: number;
}

/** A release this much before or after the expected one is quite usual, as a share of the note. */
const RELEASE_SPREAD = 0.12;
const LEAST_SPREAD = 0.05;
/** Standard deviation from the median deviation of a normal distribution, with some reserve. */
const SPREAD_OF_MEDIAN = 2;
const RELEASE_SPREAD_FLOOR: Seconds = 0.025;
const REST = 0.9;
const SPLINTER = 0.7;
const USUAL_SHARE = 0.95;
/** Nats for a value before a rest that needs a dot, or a tie. */
const DOTTED = 0.5;
const TIED = 2.5;

export function writeEnds(input: DurationInput): { notes: EndedNote[]; report: DurationReport } {
  const chords = runsOf(input.notes, (note) => note.start);
  const share = releaseShare(chords);
  const report: DurationReport = { gapsClosed: 0, overlapsTrimmed: 0, shortRests: [], shortNotes: 0 };
  const notes: EndedNote[] = [];
  chords.forEach((chord, i) => {
    const next = chords[i + 1]?.[0]!.start ?? Infinity;
    const release = median(chord.map((note) => note.release));
    const byHand = endByHand(chord, next);
    const found = byHand ?? meantEnd(chord, next, input) ?? bestEnd(chord, release, next, share, input);
    const end = byHand === null && next - found <= (input.closeGaps ?? 0) ? next : found;
    if (end < next && next - end < QUARTER / 4) report.shortRests.push(end);
    if (release > next + QUARTER / 16) report.overlapsTrimmed++;
    if (end === next && release < next - QUARTER / 16) report.gapsClosed++;
    for (const note of chord) notes.push({ ...note, end });
  });
  return { notes, report };
}

/** The end somebody set; notes of one chord end together. */
function endByHand(chord: readonly PlacedNote[], next: WrittenUnits): WrittenUnits | null {
  const set = chord.findLast((note) => note.byHand?.end !== undefined)?.byHand?.end;
  return set === undefined || set <= chord[0]!.start ? null : Math.min(set, next);
}

/** The end that the file tells, where it can be written beside what else is in its beat. */
function meantEnd(
  chord: readonly PlacedNote[],
  next: WrittenUnits,
  { line, divisions, parted }: DurationInput,
): WrittenUnits | null {
  const ends = chord.flatMap((note) => note.meantEnd ?? []);
  if (ends.length < chord.length) return null;
  const end = Math.min(next, median(ends));
  if (end <= chord[0]!.start) return null;
  const b = lastNotAfter(line.starts, end);
  const beat = line.beats[b]!;
  const writable =
    end === next ||
    (parted.has(b) ? [divisions[b]!] : exactDivisions(beat.length, beat.compound, divisions[b] ?? 1)).some(
      (division) => ((end - beat.start) * division) % beat.length === 0,
    );
  return writable && ends.includes(median(ends)) ? end : null;
}

function bestEnd(
  chord: readonly PlacedNote[],
  release: number,
  next: WrittenUnits,
  { share, spread: usualSpread }: Release,
  input: DurationInput,
): WrittenUnits {
  const { start } = chord[0]!;
  // Measured from where the chord was really struck, so that an early chord is not thought short.
  const played = release - median(chord.map((note) => note.onset));
  const perUnit = input.line.secondsPerUnit[lastNotAfter(input.line.starts, start)]!;
  let best = 0;
  let bestCost = Infinity;
  for (const end of endsInQuestion(start, start + played, next, input)) {
    const length = end - start;
    const spread = Math.hypot(usualSpread * length, RELEASE_SPREAD_FLOOR / perUnit);
    // Beyond the next onset any overlap is legato and speaks for the full value. With a rest behind it a note is let
    // go, however legato the line is elsewhere.
    const away = end === next ? Math.min(0, played - share * length) : played - Math.min(share, USUAL_SHARE) * length;
    let cost = Math.min((away * away) / (2 * spread * spread), 12);
    if (end < next) {
      const rest = Math.min(next - end, 4 * QUARTER);
      cost += REST + SPLINTER * Math.max(0, Math.log2(QUARTER / rest)) + placeCost(end, input) + valueCost(length);
    }
    if (cost < bestCost) {
      bestCost = cost;
      best = end;
    }
  }
  return best;
}

/** A note that fills a plain value before a rest is likelier than one that needs a tie to stop short of it. */
function valueCost(length: WrittenUnits): number {
  if (noteValue(length, 0)) return 0;
  return noteValue(length, 1) ? DOTTED : TIED;
}

/** Ending on a beat is plainer than ending inside one. */
function placeCost(end: WrittenUnits, { line }: DurationInput): number {
  const beat = line.beats[lastNotAfter(line.starts, end)]!;
  if (end === beat.start || end === beat.start + beat.length) return 0;
  return (end - beat.start) * 2 === beat.length || beat.compound ? 0.3 : 0.7;
}

/**
 * Grid places after `start` and up to `next` around the release; the next onset always among them when it is finite.
 */
function endsInQuestion(
  start: WrittenUnits,
  release: number,
  next: WrittenUnits,
  input: DurationInput,
): WrittenUnits[] {
  const { line, divisions, parted, smallest } = input;
  const ends: WrittenUnits[] = [];
  const reach = Math.max(QUARTER, (release - start) * 0.6);
  const from = Math.max(start + 1, release - reach);
  const to = Math.min(next, release + reach);
  for (let b = lastNotAfter(line.starts, from); b < line.beats.length && line.beats[b]!.start <= to; b++) {
    const beat = line.beats[b]!;
    const own = divisions[b] ?? 1;
    for (const division of parted.has(b) ? [own] : endDivisions(beat.length, beat.compound, own, smallest)) {
      for (let k = 0; k <= division; k++) {
        const end = beat.start + (k * beat.length) / division;
        if (end > start && end <= next && end >= from && end <= to) ends.push(end);
      }
    }
  }
  if (Number.isFinite(next)) ends.push(next);
  if (ends.length === 0) ends.push(Math.min(next, start + Math.max(smallest, QUARTER / 8)));
  return ends;
}

/** A unit of a tuplet is halved three times at most. */
const MOST_HALVINGS = 8;

function oddPart(n: number): number {
  return n % 2 === 0 ? oddPart(n / 2) : n;
}

const NATURAL = [2, 4, 8];
const NATURAL_COMPOUND = [3, 6, 12];

/** Beside the onsets of a tuplet no other division can be written. */
export function isTuplet(division: number, compound: boolean): boolean {
  return compound ? division === 2 || division === 4 : division % 3 === 0 || division % 5 === 0 || division % 7 === 0;
}

/** A note may end where the beat is divided, or at the part's smallest value in a beat without tuplet. */
function endDivisions(length: WrittenUnits, compound: boolean, division: number, smallest: WrittenUnits): number[] {
  if (isTuplet(division, compound)) return [division];
  const plain = (compound ? NATURAL_COMPOUND : NATURAL).filter(
    (d) => Number.isInteger(length / d) && length / d >= Math.min(smallest, QUARTER / 2),
  );
  return [division, ...plain];
}

/**
 * Where a note of a file that is exact may end: also between the onsets of a tuplet, and in thirds where nothing
 * begins.
 */
function exactDivisions(length: WrittenUnits, compound: boolean, division: number): number[] {
  if (isTuplet(division, compound))
    return [division, 2 * division].filter((d) => Number.isInteger(length / d) && d / oddPart(d) <= MOST_HALVINGS);
  const natural = compound ? NATURAL_COMPOUND : NATURAL;
  return [...new Set([division, ...natural, ...(division === 1 ? [compound ? 2 : 3, 16] : [16])])].filter((d) =>
    Number.isInteger(length / d),
  );
}

interface Release {
  /** Of its value a note usually sounds. */
  share: number;
  /** Standard deviation of that, as a share of the value. */
  spread: number;
}

/** The share of its value a note usually sounds: the median where notes follow each other closely enough to tell. */
function releaseShare(chords: readonly (readonly PlacedNote[])[]): Release {
  const shares: number[] = [];
  for (let i = 0; i + 1 < chords.length; i++) {
    const interval = median(chords[i + 1]!.map((note) => note.onset)) - median(chords[i]!.map((note) => note.onset));
    const share =
      (median(chords[i]!.map((note) => note.release)) - median(chords[i]!.map((note) => note.onset))) / interval;
    if (share > 0.6 && share < 1.3 && interval <= 2 * QUARTER) shares.push(Math.min(share, 1));
  }
  if (shares.length < 4) return { share: USUAL_SHARE, spread: RELEASE_SPREAD };
  const share = median(shares);
  // A player who lets go alike each time is believed more closely; four more usual ones keep a short line from being
  // believed too much.
  const away = [...shares.map((one) => Math.abs(one - share)), ...Array<number>(4).fill(0.08)];
  return { share, spread: Math.min(RELEASE_SPREAD, Math.max(LEAST_SPREAD, SPREAD_OF_MEDIAN * median(away))) };
}
