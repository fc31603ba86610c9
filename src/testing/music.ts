import { performanceFromSmf, type Performance } from '../core/performance';
import { encodeText, Meta, Message, readSmf, writeSmf, type SmfEvent } from '../core/smf';

/* Small files made by hand for tests: times in quarter notes, 480 ticks each. */

export const PPQ = 480;

export interface HandNote {
  key: number;
  /** Quarter notes from the start. */
  at: number;
  length: number;
  velocity?: number;
  channel?: number;
}

export interface HandTrack {
  name?: string;
  program?: number;
  notes: HandNote[];
  extra?: SmfEvent[];
}

export const meta = (tick: number, type: number, data: ArrayLike<number>): SmfEvent => ({
  kind: 'meta',
  tick,
  type,
  data: Uint8Array.from(data),
});
export const meter = (quarter: number, beats: number, beatType: number): SmfEvent =>
  meta(quarter * PPQ, Meta.timeSignature, [beats, Math.log2(beatType), 24, 8]);
export const keySignature = (quarter: number, fifths: number, minor = false): SmfEvent =>
  meta(quarter * PPQ, Meta.keySignature, [fifths & 0xff, minor ? 1 : 0]);
export const tempo = (quarter: number, bpm: number): SmfEvent => {
  const microseconds = Math.round(60_000_000 / bpm);
  return meta(quarter * PPQ, Meta.tempo, [microseconds >> 16, (microseconds >> 8) & 0xff, microseconds & 0xff]);
};

/** @param number General MIDI, 1–128 */
export const programAt = (quarter: number, number: number, channel = 1): SmfEvent => ({
  kind: 'channel',
  tick: quarter * PPQ,
  status: Message.programChange | (channel - 1),
  data1: number - 1,
  data2: 0,
});

export function smfBytes(tracks: readonly HandTrack[], conductor: SmfEvent[] = [], format: 0 | 1 = 1): Uint8Array {
  const played = tracks.map(({ name, program, notes, extra = [] }) => {
    const events: SmfEvent[] = [...extra];
    if (name) events.push(meta(0, Meta.trackName, encodeText(name)));
    const channel = (note?: HandNote) => (note?.channel ?? 1) - 1;
    if (program) events.push(programAt(0, program, channel(notes[0]) + 1));
    for (const note of notes) {
      events.push({
        kind: 'channel',
        tick: Math.round(note.at * PPQ),
        status: Message.noteOn | channel(note),
        data1: note.key,
        data2: note.velocity ?? 80,
      });
      events.push({
        kind: 'channel',
        tick: Math.round((note.at + note.length) * PPQ),
        status: Message.noteOff | channel(note),
        data1: note.key,
        data2: 0,
      });
    }
    const rank = (event: SmfEvent) => {
      if (event.kind !== 'channel') return 0;
      if ((event.status & 0xf0) === Message.noteOn) return 2;
      return (event.status & 0xf0) === Message.noteOff ? 1 : 0;
    };
    return events.sort((a, b) => a.tick - b.tick || rank(a) - rank(b));
  });
  const all =
    format === 0 ? [[...conductor, ...played.flat()].sort((a, b) => a.tick - b.tick)] : [conductor, ...played];
  return writeSmf({
    format,
    division: { kind: 'metrical', ticksPerQuarter: PPQ },
    headerExtra: new Uint8Array(),
    tracks: all.map((events) => ({
      events: [...events].sort((a, b) => a.tick - b.tick),
      endTick: events.at(-1)?.tick ?? 0,
    })),
    unknownChunks: [],
  });
}

export function performanceOf(
  tracks: readonly HandTrack[],
  conductor: SmfEvent[] = [],
  format: 0 | 1 = 1,
): Performance {
  return performanceFromSmf(readSmf(smfBytes(tracks, conductor, format)));
}

/** Notes one after the other: keys with lengths in quarters; a key of 0 is a rest. */
export function line(...notes: [key: number, length: number][]): HandNote[] {
  let at = 0;
  return notes.flatMap(([key, length]) => {
    const note = { key, at, length };
    at += length;
    return key === 0 ? [] : [note];
  });
}
