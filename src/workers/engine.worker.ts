import * as Comlink from 'comlink';
import { dealPlayers, playersFor, proposedDeal, type CastPart, type CastTrack, type Deal } from '@/core/casting';
import type { Clef, TechniqueId } from '@/core/instruments';
import { compressMusicXml, readMusicXml, writeMusicXml } from '@/core/musicxml';
import {
  barsOfPerformance,
  fileFacts,
  findKeyswitches,
  performanceFromSmf,
  surveyPerformance,
  trackDetail,
  type FileFacts,
  type NoteId,
  type Performance,
  type Survey,
  type TrackDetail,
  type TrackId,
} from '@/core/performance';
import { passageOf, sequencePassage, type Passage } from '@/core/proof';
import {
  isScoreFile,
  inEncoding,
  preparePerformance,
  reasonsFor,
  remediesFor,
  type DirectionB,
  type Original,
  type Reason,
  type Remedy,
} from '@/core/job';
import { concertScore, type Fold, type Part, type PartId, type Query, type Score } from '@/core/score';
import { readSmf } from '@/core/smf';
import { playedUnits, type Bar, type MidiKey, type PlayedUnits } from '@/core/time';
import {
  convert,
  Memo,
  type Conversion,
  type ConversionSettings,
  type PartReport,
  type Progress,
  type Swing,
} from '@/core/to-score';

import { SequenceDesk, type ControllerPair, type HeardNote, type SequenceSummary } from './sequence-desk';

/** What a job's screens need to know once its original is read. */
export interface Opened {
  survey: Survey;
  facts: FileFacts;
}

export interface PartSummary {
  id: PartId;
  name: string;
  instrument: string;
  instrumentName: string;
  tracks: string[];
  abbreviation: string;
  solo: boolean;
  player: CastPart['player'];
  sources: SourceSummary[];
  unpitched: boolean;
  clefs: Clef[];
  /** Written signatures, for each of the score's keys. */
  writtenKeys: number[];
  /** What an unpitched part strikes. */
  struck: Part['struck'];
  report: PartReport;
}

/** What one track gives to a part. */
export interface SourceSummary {
  track: TrackId;
  notes: number;
  technique: TechniqueId | null;
  staff: number | null;
  /** Keys that may be keyswitches. */
  switches: MidiKey[];
}

/** Who would get what, before it is decided. */
export interface DealPreview {
  deal: Deal;
  /** Most players the notes need. */
  needed: number;
  players: { instrument: string; number: number | null; notes: DealtMark[] }[];
  notes: number;
  doubled: number;
  crowded: number;
}

export interface DealtMark {
  key: MidiKey;
  start: PlayedUnits;
  end: PlayedUnits;
  /** Another player has it too. */
  shared: boolean;
}

export interface OpenQuery extends Query {
  remedies: Remedy[];
}

/** A conversion without its notes: those are fetched passage by passage. */
export interface Summary {
  title: string;
  bars: Bar[];
  keys: Score['keys'];
  tempos: Score['tempos'];
  markers: Score['markers'];
  parts: PartSummary[];
  /** Stretches that could be written once. */
  repeats: Fold[];
  swing: Swing;
  tracks: CastTrack[];
  queries: OpenQuery[];
  /** The written score held against what was played, in a sentence. */
  audit: string;
  milliseconds: number;
  /** The survey that goes with it: splitting and placing change what arrived. */
  opened: Opened;
}

/** One job at a time lies on the desk; opening another clears it. */
interface Desk {
  originals: (Original & { size: number })[];
  /** The originals as the ledger has them joined and split. */
  prepared: { by: string; performance: Performance; opened: Opened; memo: Memo };
  conversion: Conversion | null;
  /** What it was before the last change, for comparing. */
  before: Conversion | null;
}

let desk: Desk | null = null;
let sequenceDesk: SequenceDesk | null = null;
let run = 0;

const api = {
  /**
   * Reads a file without opening a job.
   * @throws SmfError or MusicXmlError when it can be used in neither direction
   * @returns which kind it is
   */
  check(bytes: Uint8Array): 'midi' | 'score' {
    if (isScoreFile(bytes)) {
      readMusicXml(bytes);
      return 'score';
    }
    performanceFromSmf(readSmf(bytes));
    return 'midi';
  },

  /** Lays a score or a MIDI file out for direction B. @throws SmfError or MusicXmlError */
  openSequence(bytes: Uint8Array): void {
    sequenceDesk = SequenceDesk.open(bytes);
  },

  sequence(settings: DirectionB): SequenceSummary {
    return onSequenceDesk().sequence(settings);
  },

  sequencePassage(parts: PartId[], from: number, to: number): Passage {
    const { score, sequenced } = onSequenceDesk().performance();
    return sequencePassage(score, sequenced, parts, from, to);
  },

  heard(from: number, to: number, parts: PartId[]): HeardNote[] {
    return onSequenceDesk().heard(from, to, parts);
  },

  heardMidi(from: number, to: number, delivered: boolean): HeardNote[] {
    return onSequenceDesk().heardMidi(from, to, delivered);
  },

  controllersOf(track: number): ControllerPair[] {
    return onSequenceDesk().controllersOf(track);
  },

  sequenceFiles(settings: DirectionB): { label: string; bytes: Uint8Array }[] {
    return onSequenceDesk().files(settings);
  },

  /** @throws SmfError when one of the files is no usable Standard MIDI File */
  open(files: Uint8Array[], settings: ConversionSettings): Opened {
    desk = null;
    const originals = files.map((bytes) => {
      const reading = readSmf(bytes);
      return { reading, performance: performanceFromSmf(reading), size: bytes.length };
    });
    desk = { originals, prepared: prepare(originals, settings), conversion: null, before: null };
    return desk.prepared.opened;
  },

  /** Converts what lies on the desk. A later call, or `cancel`, stops an earlier one, which then gives `null`. */
  async convert(settings: ConversionSettings, onProgress?: (progress: Progress) => void): Promise<Summary | null> {
    const mine = ++run;
    const current = onDesk();
    const started = performance.now();
    if (current.prepared.by !== preparedBy(settings)) current.prepared = prepare(current.originals, settings);
    const { performance: prepared, memo } = current.prepared;
    const steps = convert(prepared, settings, memo);
    let rested = started;
    for (;;) {
      const step = steps.next();
      if (step.done) {
        current.before = current.conversion;
        current.conversion = step.value;
        return summarise(step.value, current.prepared, performance.now() - started);
      }
      if (performance.now() - rested > 30) {
        onProgress?.(step.value);
        // Lets messages in: a cancel, a newer run.
        await new Promise((resolve) => setTimeout(resolve, 0));
        rested = performance.now();
      }
      if (mine !== run) return null;
    }
  },

  cancel(): void {
    run++;
  },

  /** Notes and controllers of one track, for looking at. @throws Error when there is no such track */
  track(id: TrackId): TrackDetail {
    const { performance } = onDesk().prepared;
    const track = performance.tracks.find((candidate) => candidate.id === id);
    if (!track) throw new Error(`There is no track ${id}.`);
    return trackDetail(track, performance);
  },

  /**
   * Deals the notes of a part out for a look.
   * @param deal none for what the engine proposes
   * @throws Error when there is no such part
   */
  previewDeal(track: TrackId, deal: Deal | null): DealPreview {
    const { conversion, performance } = converted();
    const parts = conversion.casting.parts.filter((part) => part.tracks[0] === track);
    const source = conversion.casting.tracks.find((candidate) => candidate.id === track);
    if (parts.length === 0 || !source) throw new Error(`There is no part of track ${track}.`);
    const notes = [...new Map(parts.flatMap((part) => part.notes.map((note) => [note.id, note]))).values()].sort(
      (a, b) => a.start - b.start || a.key - b.key,
    );
    const chosen = deal ?? proposedDeal(notes, source.instrument, performance.tempo);
    const { players, doubled, crowded } = dealPlayers(notes, source.instrument, chosen, performance.tempo);
    const owners = new Map<number, number>();
    for (const player of players) for (const note of player.notes) owners.set(note.id, (owners.get(note.id) ?? 0) + 1);
    const units = (tick: number) => playedUnits(tick, performance.ticksPerQuarter);
    return {
      deal: chosen,
      needed: playersFor(notes, performance.tempo),
      players: players.map((player) => ({
        instrument: player.instrument.names.en,
        number: player.number,
        notes: player.notes.map((note) => ({
          key: note.key,
          start: units(note.start),
          end: units(note.end),
          shared: owners.get(note.id)! > 1,
        })),
      })),
      notes: notes.length,
      doubled,
      crowded: crowded.length,
    };
  },

  /**
   * @param before as it was before the last change; parts and bars that it did not have are left away
   * @param suggestionColour of marks only suggested
   */
  passage(parts: PartId[], from: number, to: number, before = false, suggestionColour?: string): Passage {
    const { conversion, performance } = converted();
    const earlier = before ? onDesk().before : null;
    if (!earlier) return passageOf(conversion, performance, parts, from, to, suggestionColour);
    const known = parts.filter((id) => earlier.score.parts.some((part) => part.id === id));
    return passageOf(
      earlier,
      performance,
      known.length > 0 ? known : [earlier.score.parts[0]!.id],
      Math.min(from, earlier.score.bars.length - 1),
      Math.min(to, earlier.score.bars.length),
      suggestionColour,
    );
  },

  /** Why a note is written as it is. */
  reasons(part: PartId, note: NoteId): Reason[] {
    return reasonsFor(converted().conversion, part, note);
  },

  /**
   * The score for looking at and printing.
   * @param part one part alone, with rests over several bars; null for all
   * @param concert at sounding pitch
   */
  sheet(part: PartId | null, concert: boolean): string {
    const { printed } = converted().conversion;
    const chosen = part === null ? printed : { ...printed, parts: printed.parts.filter((one) => one.id === part) };
    return writeMusicXml(concert ? concertScore(chosen) : chosen, { multiRests: part !== null });
  },

  /** @param concert at sounding pitch instead of as players read it */
  export(format: 'musicxml' | 'mxl', date: string, concert = false): Uint8Array {
    const { printed } = converted().conversion;
    const text = writeMusicXml(concert ? concertScore(printed) : printed, { date });
    return format === 'mxl' ? compressMusicXml(text) : new TextEncoder().encode(text);
  },
};

export type EngineApi = typeof api;

function onSequenceDesk(): SequenceDesk {
  if (!sequenceDesk) throw new Error('No job is open.');
  return sequenceDesk;
}

function onDesk(): Desk {
  if (!desk) throw new Error('No job is open.');
  return desk;
}

function converted(): { conversion: Conversion; performance: Performance } {
  const { conversion, prepared } = onDesk();
  if (!conversion) throw new Error('The job has not been converted yet.');
  return { conversion, performance: prepared.performance };
}

function preparedBy({ splits, soundSplits, offsets, encoding }: ConversionSettings): string {
  return JSON.stringify([splits, soundSplits, offsets, encoding]);
}

function prepare(originals: Desk['originals'], settings: ConversionSettings): Desk['prepared'] {
  const performance = preparePerformance(
    originals.map((original) => inEncoding(original, settings)),
    settings,
  );
  const bars = barsOfPerformance(performance);
  const size = originals.reduce((sum, original) => sum + original.size, 0);
  return {
    by: preparedBy(settings),
    performance,
    memo: new Memo(),
    opened: {
      survey: surveyPerformance(performance, bars),
      facts: fileFacts(originals[0]!.reading.file, performance, bars, size),
    },
  };
}

function summarise(conversion: Conversion, { opened, performance }: Desk['prepared'], milliseconds: number): Summary {
  const { score, casting, queries, reports } = conversion;
  const tracks = new Map(performance.tracks.map((track) => [track.id, track]));
  return {
    title: score.title,
    bars: score.bars,
    keys: score.keys,
    tempos: score.tempos,
    markers: score.markers,
    parts: casting.parts.map((part, i) => ({
      id: part.id,
      name: part.name,
      instrument: part.instrument.id,
      instrumentName: part.instrument.names.en,
      tracks: part.tracks,
      abbreviation: part.abbreviation,
      solo: part.solo,
      player: part.player,
      sources: part.sources.map((source) => ({
        track: source.track,
        notes: source.notes.length,
        technique: casting.tracks.find((track) => track.id === source.track)!.technique,
        staff: source.staff,
        switches: part.player
          ? []
          : findKeyswitches(tracks.get(source.track)!.notes, part.instrument, performance.ticksPerQuarter),
      })),
      unpitched: part.instrument.unpitched,
      clefs: score.parts[i]!.clefs,
      writtenKeys: score.parts[i]!.writtenKeys,
      struck: score.parts[i]!.struck,
      report: reports[i]!,
    })),
    repeats: conversion.repeats,
    swing: conversion.swing,
    tracks: casting.tracks,
    queries: queries.map((query) => ({ ...query, remedies: remediesFor(query, conversion) })),
    audit: conversion.audit.words,
    milliseconds,
    opened,
  };
}

Comlink.expose(api);
