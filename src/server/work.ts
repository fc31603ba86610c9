/*
 * What the routes compute, in a thread of its own: the server's event loop only waits. Started by pool.ts.
 */
import 'reflect-metadata';
import {
  countedFrom,
  exportStudio,
  openSequence,
  ScoreDesk,
  timeLineOfFile,
  type MusicXmlVersion,
  type ScoreFormat,
} from '../core/engine';
import { EXTRACTS, type ExtractKind } from '../core/extracts';
import type { MarksOut } from '../core/score';
import { NO_SETTINGS, withSequencing, type Preset } from '../core/settings';
import { USUAL_CLICK, USUAL_STUDIO_MAP } from '../core/studio';
import { pdfOf, type Page, type PdfOptions } from '../paper/pdf';
import { querySheetOf, type SheetEntry } from '../paper/query-sheet';

export type Task =
  | { kind: 'pdf'; pages: Page[]; how: PdfOptions }
  | { kind: 'query-sheet'; title: string; entries: SheetEntry[] }
  | {
      kind: 'to-score';
      bytes: Uint8Array;
      format: ScoreFormat;
      version?: MusicXmlVersion;
      marks?: MarksOut;
      extract?: ExtractKind;
    }
  | { kind: 'to-midi'; bytes: Uint8Array; preset: Preset }
  | { kind: 'tempo-map'; bytes: Uint8Array; map: TempoMapWish };

/** What of a studio map can be asked for. */
export interface TempoMapWish {
  click: boolean;
  countIn: number;
  /** Milliseconds. */
  tolerance: number;
  /** The table instead of the map. */
  table: boolean;
  /** Which bar of the file is bar 1; null for as it counts. */
  barOne: number | null;
}

/** Bytes, or a sentence about what was handed in. */
export type Outcome = { bytes: Uint8Array } | { refused: string };

const REFUSALS = ['SmfError', 'MusicXmlError', 'DrawingError', 'ExtractError'];

export default async function work(task: Task): Promise<Outcome> {
  try {
    return { bytes: await computed(task) };
  } catch (error) {
    // An error's class does not survive the way between threads.
    if (error instanceof Error && REFUSALS.includes(error.name)) return { refused: error.message };
    throw error;
  }
}

async function computed(task: Task): Promise<Uint8Array> {
  switch (task.kind) {
    case 'pdf':
      return pdfOf(task.pages, task.how);
    case 'query-sheet':
      return querySheetOf(task.title, task.entries);
    case 'to-score': {
      const desk = ScoreDesk.open([task.bytes], NO_SETTINGS);
      desk.convert(NO_SETTINGS);
      const part = EXTRACTS.find(({ kind }) => kind === task.extract);
      return desk.export(task.format, { version: task.version, marks: task.marks, ...(part && { part: part.id }) });
    }
    case 'tempo-map':
      return tempoMap(task.bytes, task.map);
    case 'to-midi':
      return openSequence([task.bytes]).files(withSequencing({ preset: task.preset })).files[0]!.bytes;
  }
}

function tempoMap(bytes: Uint8Array, { click, countIn, tolerance, table, barOne }: TempoMapWish): Uint8Array {
  const read = timeLineOfFile(bytes);
  const line = barOne === null ? read : countedFrom(read, barOne - 1);
  const map = { ...USUAL_STUDIO_MAP, tolerance, countIn, click: click ? USUAL_CLICK : null };
  const { midi, csv } = exportStudio(line, map);
  return table ? new TextEncoder().encode(csv) : midi;
}
