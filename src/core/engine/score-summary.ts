import { spokenName } from '../instruments';
import { lowest, type PartId, type TrackId } from '../base';
import type { CastPart, CastTrack } from '../casting';
import type { Clef, InstrumentId, TechniqueId } from '../instruments';
import { melodyOf } from '../extracts';
import {
  findKeyswitches,
  notesByProgram,
  type FileFacts,
  type Performance,
  type PlayedNote,
  type PlayedTrack,
  type Survey,
} from '../performance';
import { putToPeople, type NoteCounts, type OpenQuery } from '../queries';
import { playOrder, symbolsOf, type Fold, type Part, type Score } from '../score';
import type { BarSpan } from '../settings';
import type { Bar, MidiKey, WrittenUnits } from '../time';
import type { TimedInNumbers } from './version-doubts';
import type { Conversion, PartReport, Swing } from '../to-score';

/* What the screens of a job need to know of a conversion, without its notes. */

/** What is known once the originals are read. */
export interface Opened {
  survey: Survey;
  facts: FileFacts;
  /** Whose times were taken, and how that went; null where no original gives its time. */
  timed: TimedInNumbers | null;
}

export interface PartSummary {
  id: PartId;
  name: string;
  instrument: InstrumentId;
  instrumentName: string;
  tracks: TrackId[];
  abbreviation: string;
  solo: boolean;
  player: CastPart['player'];
  /** Further instruments of its player, with the bars they are played in. */
  doublings: DoublingSummary[];
  sources: SourceSummary[];
  unpitched: boolean;
  clefs: Clef[];
  /** Written signatures, for each of the score's keys. */
  writtenKeys: number[];
  /** Where it is first heard; null when it never is. */
  firstNote: WrittenUnits | null;
  /** What an unpitched part strikes. */
  struck: Part['struck'];
  report: PartReport;
}

export interface DoublingSummary {
  instrument: InstrumentId;
  name: string;
  bars: BarSpan[];
}

/** What one track gives to a part. */
export interface SourceSummary {
  track: TrackId;
  notes: number;
  technique: TechniqueId | null;
  staff: number | null;
  /** Keys that may be keyswitches. */
  switches: MidiKey[];
  /** Programs its notes are played with; none of a score, which says itself what they mean. */
  programs: number[];
}

/** A conversion without its notes: those are fetched passage by passage. */
export interface Summary {
  kind: 'to-score';
  title: string;
  bars: Bar[];
  /** Where each of them stands on the page: bars folded into a repeat stand there once. */
  printedBars: Bar[];
  keys: Score['keys'];
  tempos: Score['tempos'];
  markers: Score['markers'];
  parts: PartSummary[];
  /** Whose tune a lead sheet has where nobody says; null where no part has pitches. */
  melody: PartId | null;
  /** Stretches that could be written once. */
  repeats: Fold[];
  swing: Swing;
  tracks: CastTrack[];
  queries: OpenQuery[];
  /** Chord symbols that were found and not taken. */
  suggestedChords: number;
  /** The written score held against what was played, in a sentence. */
  audit: string;
  /** The survey that goes with it: splitting and placing change what arrived. */
  opened: Opened;
}

function printedBars({ score, printed }: Conversion): Bar[] {
  const order = playOrder(printed.signs, printed.bars.length);
  return order.length === score.bars.length ? order.map((bar) => printed.bars[bar]!) : score.bars;
}

/** @param performance what was converted */
export function summarise(conversion: Conversion, performance: Performance, opened: Opened): Summary {
  const { score, casting, queries, reports } = conversion;
  const tracks = new Map(performance.tracks.map((track) => [track.id, track]));
  return {
    kind: 'to-score',
    title: score.title,
    bars: score.bars,
    printedBars: printedBars(conversion),
    keys: score.keys,
    tempos: score.tempos,
    markers: score.markers,
    melody: melodyOf(conversion.printed),
    suggestedChords: score.parts.reduce(
      (sum, { harmonies = [] }) => sum + harmonies.filter(({ suggested }) => suggested).length,
      0,
    ),
    parts: casting.parts.map((part, i) => ({
      id: part.id,
      name: part.name,
      instrument: part.instrument.id,
      instrumentName: spokenName(part.instrument),
      tracks: part.tracks,
      abbreviation: part.abbreviation,
      solo: part.solo,
      player: part.player,
      doublings: doublingsIn(score.parts[i]!),
      sources: part.sources.map((source): SourceSummary => ({
        track: source.track,
        notes: source.notes.length,
        technique: casting.tracks.find((track) => track.id === source.track)!.technique,
        staff: source.staff,
        switches: part.player
          ? []
          : findKeyswitches(tracks.get(source.track)!.notes, part.instrument, performance.ticksPerQuarter),
        programs: programsOf(tracks.get(source.track)!, source.notes),
      })),
      unpitched: part.instrument.unpitched,
      clefs: score.parts[i]!.clefs,
      writtenKeys: score.parts[i]!.writtenKeys,
      firstNote: firstNoteOf(conversion.staves[i] ?? []),
      struck: score.parts[i]!.struck,
      report: reports[i]!,
    })),
    repeats: conversion.repeats,
    swing: conversion.swing,
    tracks: casting.tracks,
    queries: putToPeople(queries, notesIn(casting)),
    audit: conversion.audit.words,
    opened,
  };
}

function programsOf(track: PlayedTrack, notes: readonly PlayedNote[]): number[] {
  return track.written ? [] : [...notesByProgram(track, notes).keys()];
}

/** Stretches of bars in which notes of a doubling begin; rests between them belong to it. */
function doublingsIn(part: Part): DoublingSummary[] {
  const found = (part.doublings ?? []).map(({ instrument, name }) => ({ instrument, name, bars: [] as BarSpan[] }));
  let before: number | undefined;
  for (const { symbol, bar } of symbolsOf(part))
    for (const { doubling } of symbol.notes) {
      const spans = doubling === undefined ? undefined : found[doubling]!.bars;
      if (spans && doubling === before && spans.length > 0) spans.at(-1)!.to = bar + 1;
      else spans?.push({ from: bar, to: bar + 1 });
      before = doubling;
    }
  return found;
}

function firstNoteOf(staves: Conversion['staves'][number]): WrittenUnits | null {
  const starts = staves.flatMap(({ notes }) => notes.map(({ start }) => start));
  return starts.length > 0 ? lowest(starts) : null;
}

/** How many notes each part and track has. */
function notesIn({ parts }: Conversion['casting']): NoteCounts {
  const of = new Map(
    parts.flatMap((part): [PartId | TrackId, number][] => [
      ...part.sources.map(({ track, notes }): [TrackId, number] => [track, notes.length]),
      [part.id, part.sources.reduce((sum, { notes }) => sum + notes.length, 0)],
    ]),
  );
  return { all: parts.reduce((sum, part) => sum + part.notes.length, 0), of };
}
