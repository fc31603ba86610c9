import { dataLength, Meta, type SmfEvent, type SmfFile } from './smf-file';
import { MAX_VLQ, writeVlq } from './vlq';

export interface SmfWriteOptions {
  /** Leave out a status byte equal to the one before (Standard MIDI Files 1.0, running status). */
  runningStatus: boolean;
}

/**
 * Writes the file that `readSmf` would read: same events, same order, same unknown chunks.
 *
 * @throws RangeError when an event lies before the one in front of it
 */
export function writeSmf(file: SmfFile, options: SmfWriteOptions = { runningStatus: false }): Uint8Array {
  const out: number[] = [];
  writeHeader(file, out);
  const unknownAt = (index: number) => file.unknownChunks.filter((chunk) => chunk.tracksBefore === index);
  file.tracks.forEach((track, i) => {
    for (const chunk of unknownAt(i)) writeChunk(chunk.type, chunk.data, out);
    writeChunk('MTrk', trackBytes(track.events, track.endTick, options), out);
  });
  for (const chunk of unknownAt(file.tracks.length)) writeChunk(chunk.type, chunk.data, out);
  return Uint8Array.from(out);
}

function writeHeader(file: SmfFile, out: number[]): void {
  const { division } = file;
  const word =
    division.kind === 'metrical'
      ? division.ticksPerQuarter
      : ((-division.framesPerSecond & 0xff) << 8) | division.ticksPerFrame;
  const data = [
    0,
    file.format,
    file.tracks.length >> 8,
    file.tracks.length & 0xff,
    word >> 8,
    word & 0xff,
    ...file.headerExtra,
  ];
  writeChunk('MThd', data, out);
}

function writeChunk(type: string, data: ArrayLike<number>, out: number[]): void {
  for (let i = 0; i < 4; i++) out.push(type.charCodeAt(i));
  out.push((data.length >>> 24) & 0xff, (data.length >> 16) & 0xff, (data.length >> 8) & 0xff, data.length & 0xff);
  for (let i = 0; i < data.length; i++) out.push(data[i]!);
}

function trackBytes(events: readonly SmfEvent[], endTick: number, { runningStatus }: SmfWriteOptions): number[] {
  const out: number[] = [];
  let tick = 0;
  let running = 0;
  const delta = (to: number) => {
    // A wait that is longer than a delta time can be is parted by texts that say nothing.
    for (; to - tick > MAX_VLQ; tick += MAX_VLQ) {
      writeVlq(MAX_VLQ, out);
      out.push(0xff, Meta.text, 0);
      running = 0;
    }
    writeVlq(to - tick, out);
    tick = to;
  };
  for (const event of events) {
    delta(event.tick);
    if (event.kind === 'channel') {
      if (!runningStatus || event.status !== running) out.push(event.status);
      running = event.status;
      out.push(event.data1);
      if (dataLength(event.status) === 2) out.push(event.data2);
      continue;
    }
    running = 0;
    if (event.kind === 'meta') out.push(0xff, event.type);
    else out.push(event.status);
    writeVlq(event.data.length, out);
    for (const byte of event.data) out.push(byte);
  }
  delta(Math.max(endTick, tick));
  out.push(0xff, Meta.endOfTrack, 0);
  return out;
}
