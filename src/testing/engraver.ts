import { VerovioToolkit } from 'verovio/esm';
import createVerovioModule from 'verovio/wasm';
import { readSmf } from '../core/smf';

/* verovio as an independent reader of our MusicXML: what it would play. */

export interface HeardNote {
  key: number;
  /** Quarter notes. */
  start: number;
  end: number;
}

let toolkit: Promise<VerovioToolkit> | null = null;

/** Notes of each part as verovio's own MIDI output has them, in order of start, then key. */
export async function heardByVerovio(musicXml: string): Promise<HeardNote[][]> {
  toolkit ??= createVerovioModule().then((module) => new VerovioToolkit(module));
  const tk = await toolkit;
  if (!tk.loadData(musicXml)) throw new Error('verovio cannot read the file');
  const { file } = readSmf(Uint8Array.from(Buffer.from(tk.renderToMIDI(), 'base64')));
  if (file.division.kind !== 'metrical') throw new Error('unexpected division');
  const { ticksPerQuarter } = file.division;
  return file.tracks
    .map((track) => {
      const open = new Map<number, number[]>();
      const notes: HeardNote[] = [];
      for (const event of track.events) {
        if (event.kind !== 'channel') continue;
        const message = event.status & 0xf0;
        if (message === 0x90 && event.data2 > 0) open.set(event.data1, [...(open.get(event.data1) ?? []), event.tick]);
        else if (message === 0x80 || message === 0x90) {
          const start = open.get(event.data1)?.shift();
          if (start !== undefined)
            notes.push({ key: event.data1, start: start / ticksPerQuarter, end: event.tick / ticksPerQuarter });
        }
      }
      return notes.sort((a, b) => a.start - b.start || a.key - b.key);
    })
    .filter((notes) => notes.length > 0);
}

/** When verovio would strike how many notes: its own timemap, tempo and all. Milliseconds, in order. */
export async function timesByVerovio(musicXml: string): Promise<{ at: number; notes: number }[]> {
  toolkit ??= createVerovioModule().then((module) => new VerovioToolkit(module));
  const tk = await toolkit;
  if (!tk.loadData(musicXml)) throw new Error('verovio cannot read the file');
  return tk
    .renderToTimemap({ includeMeasures: false, includeRests: false })
    .flatMap(({ tstamp, on }) => (on && on.length > 0 ? [{ at: tstamp, notes: on.length }] : []));
}
