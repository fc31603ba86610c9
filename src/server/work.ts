/*
 * What the routes compute, in a thread of its own: the server's event loop only waits. Started by pool.ts.
 */
import 'reflect-metadata';
import { ScoreDesk, SequenceDesk, type ScoreFormat } from '../core/engine';
import { NO_SETTINGS, USUAL_DIRECTION_B, type Preset } from '../core/settings';
import { pdfOf } from './pdf';

export type Task =
  | { kind: 'pdf'; pages: string[]; title: string }
  | { kind: 'to-score'; bytes: Uint8Array; format: ScoreFormat }
  | { kind: 'to-midi'; bytes: Uint8Array; preset: Preset };

/** Bytes, or a sentence about what was handed in. */
export type Outcome = { bytes: Uint8Array } | { refused: string };

const REFUSALS = ['SmfError', 'MusicXmlError', 'DrawingError'];

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
      return pdfOf(task.pages, task.title);
    case 'to-score': {
      const desk = ScoreDesk.open([task.bytes], NO_SETTINGS);
      desk.convert(NO_SETTINGS);
      return desk.export(task.format);
    }
    case 'to-midi':
      return SequenceDesk.open(task.bytes).files({ ...USUAL_DIRECTION_B, preset: task.preset }).files[0]!.bytes;
  }
}
