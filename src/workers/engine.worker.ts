import * as Comlink from 'comlink';
import type { CastTrack } from '@/core/casting';
import { compressMusicXml, writeMusicXml } from '@/core/musicxml';
import { barsOfPerformance, fileFacts, performanceFromSmf, surveyPerformance, trackDetail, type FileFacts, type Performance, type Survey, type TrackDetail, type TrackId } from '@/core/performance';
import { passageOf, type Passage } from '@/core/proof';
import { preparePerformance, remediesFor, type Remedy } from '@/core/job';
import type { PartId, Query, Score } from '@/core/score';
import { readSmf, type SmfFile } from '@/core/smf';
import type { Bar } from '@/core/time';
import { convert, type Conversion, type ConversionSettings, type PartReport, type Progress } from '@/core/to-score';

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
  unpitched: boolean;
  report: PartReport;
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
  tracks: CastTrack[];
  queries: OpenQuery[];
  milliseconds: number;
  /** The survey that goes with it: splitting and placing change what arrived. */
  opened: Opened;
}

/** One job at a time lies on the desk; opening another clears it. */
interface Desk {
  originals: { file: SmfFile; performance: Performance; size: number }[];
  /** The originals as the ledger has them joined and split. */
  prepared: { by: string; performance: Performance; opened: Opened };
  conversion: Conversion | null;
}

let desk: Desk | null = null;
let run = 0;

const api = {
  /** Reads a file without opening a job. @throws SmfError when the bytes are no usable Standard MIDI File */
  check(bytes: Uint8Array): void {
    performanceFromSmf(readSmf(bytes));
  },

  /** @throws SmfError when one of the files is no usable Standard MIDI File */
  open(files: Uint8Array[], settings: ConversionSettings): Opened {
    desk = null;
    const originals = files.map((bytes) => {
      const reading = readSmf(bytes);
      return { file: reading.file, performance: performanceFromSmf(reading), size: bytes.length };
    });
    desk = { originals, prepared: prepare(originals, settings), conversion: null };
    return desk.prepared.opened;
  },

  /** Converts what lies on the desk. A later call, or `cancel`, stops an earlier one, which then gives `null`. */
  async convert(settings: ConversionSettings, onProgress?: (progress: Progress) => void): Promise<Summary | null> {
    const mine = ++run;
    const current = onDesk();
    const started = performance.now();
    if (current.prepared.by !== preparedBy(settings)) current.prepared = prepare(current.originals, settings);
    const steps = convert(current.prepared.performance, settings);
    let rested = started;
    for (;;) {
      const step = steps.next();
      if (step.done) {
        current.conversion = step.value;
        return summarise(step.value, current.prepared.opened, performance.now() - started);
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

  passage(parts: PartId[], from: number, to: number): Passage {
    const { conversion, performance } = converted();
    return passageOf(conversion, performance, parts, from, to);
  },

  export(format: 'musicxml' | 'mxl', date: string): Uint8Array {
    const text = writeMusicXml(converted().conversion.score, { date });
    return format === 'mxl' ? compressMusicXml(text) : new TextEncoder().encode(text);
  },
};

export type EngineApi = typeof api;

function onDesk(): Desk {
  if (!desk) throw new Error('No job is open.');
  return desk;
}

function converted(): { conversion: Conversion; performance: Performance } {
  const { conversion, prepared } = onDesk();
  if (!conversion) throw new Error('The job has not been converted yet.');
  return { conversion, performance: prepared.performance };
}

function preparedBy({ splits, offsets }: ConversionSettings): string {
  return JSON.stringify([splits, offsets]);
}

function prepare(originals: Desk['originals'], settings: ConversionSettings): Desk['prepared'] {
  const performance = preparePerformance(originals.map((original) => original.performance), settings);
  const bars = barsOfPerformance(performance);
  const size = originals.reduce((sum, original) => sum + original.size, 0);
  return { by: preparedBy(settings), performance, opened: { survey: surveyPerformance(performance, bars), facts: fileFacts(originals[0]!.file, performance, bars, size) } };
}

function summarise(conversion: Conversion, opened: Opened, milliseconds: number): Summary {
  const { score, casting, queries, reports } = conversion;
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
      unpitched: part.instrument.unpitched,
      report: reports[i]!,
    })),
    tracks: casting.tracks,
    queries: queries.map((query) => ({ ...query, remedies: remediesFor(query, conversion) })),
    milliseconds,
    opened,
  };
}

Comlink.expose(api);
