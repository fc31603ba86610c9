import { smfErrors, smfWarnings, type SmfWarning } from './errors';
import { readTrack } from './read-track';
import type { Division, SmfFile, SmfTrack, UnknownChunk } from './smf-file';

export interface SmfReading {
  file: SmfFile;
  warnings: SmfWarning[];
}

/** How far into a file a header is looked for behind foreign bytes. */
const HEADER_SEARCH = 4096;

/** The header counts tracks in sixteen bits. */
const MOST_TRACKS = 0xffff;

/** Larger files are refused before anything is allocated for them. */
const MAX_MEBIBYTES = 256;

/**
 * Reads a Standard MIDI File (types 0, 1 and 2; bare or in a RIFF "RMID" wrapper).
 *
 * Lenient where real files are broken: lying lengths, missing end marks, cut-off tracks and foreign chunks give
 * warnings with track, tick and byte offset. Strict where a meaning would have to be guessed.
 *
 * @throws SmfError when there is no usable header
 */
export function readSmf(bytes: Uint8Array): SmfReading {
  if (bytes.length === 0) throw smfErrors.empty();
  if (bytes.length > MAX_MEBIBYTES << 20) throw smfErrors.tooLarge(Math.round(bytes.length / (1 << 20)), MAX_MEBIBYTES);
  const warnings: SmfWarning[] = [];
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const start = findHeader(bytes, view, warnings);
  if (start + 14 > bytes.length) throw smfErrors.shortHeader(bytes.length);

  const headerLength = view.getUint32(start + 4);
  if (headerLength < 6) throw smfErrors.shortHeader(start + 4);
  const format = view.getUint16(start + 8);
  if (format > 2) throw smfErrors.unknownFormat(format);
  const announced = view.getUint16(start + 10);
  const division = readDivision(view.getInt16(start + 12));
  const headerEnd = Math.min(start + 8 + headerLength, bytes.length);

  const { tracks, unknownChunks } = readChunks(bytes, view, headerEnd, warnings);
  if (tracks.length === 0) throw smfErrors.noTracks(headerEnd);
  if (tracks.length !== announced) {
    warnings.push({
      code: 'track-count',
      offset: start + 10,
      message: smfWarnings.trackCount(announced, tracks.length),
    });
  }
  const headerExtra = bytes.slice(start + 14, headerEnd);
  return { file: { format: format as 0 | 1 | 2, division, headerExtra, tracks, unknownChunks }, warnings };
}

/** Offset of "MThd", unwrapping RIFF and passing over up to 4 KiB of foreign bytes. */
function findHeader(bytes: Uint8Array, view: DataView, warnings: SmfWarning[]): number {
  if (chunkType(bytes, 0) === 'MThd') return 0;
  if (chunkType(bytes, 0) === 'RIFF' && chunkType(bytes, 8) === 'RMID') {
    let at = 12;
    while (at + 8 <= bytes.length) {
      if (chunkType(bytes, at) === 'data') return at + 8;
      const length = view.getUint32(at + 4, true);
      at += 8 + length + (length & 1);
    }
  }
  for (let at = 1; at < Math.min(HEADER_SEARCH, bytes.length - 3); at++) {
    if (bytes[at] === 0x4d && chunkType(bytes, at) === 'MThd') {
      warnings.push({ code: 'leading-bytes', offset: 0, message: smfWarnings.leadingBytes(at) });
      return at;
    }
  }
  if ('MThd'.startsWith(chunkType(bytes, 0))) throw smfErrors.shortHeader(bytes.length);
  throw smfErrors.notMidi(printable(bytes.subarray(0, 8)));
}

function readDivision(word: number): Division {
  if (word === 0) throw smfErrors.noResolution();
  if (word > 0) return { kind: 'metrical', ticksPerQuarter: word };
  // Bit 15 set: the upper byte is a negative frame rate in two's complement, the lower one ticks a frame.
  const framesPerSecond = -(word >> 8);
  const ticksPerFrame = word & 0xff;
  if (![24, 25, 29, 30].includes(framesPerSecond) || ticksPerFrame === 0)
    throw smfErrors.badSmpte(framesPerSecond, ticksPerFrame);
  return { kind: 'smpte', framesPerSecond: framesPerSecond as 24 | 25 | 29 | 30, ticksPerFrame };
}

function readChunks(bytes: Uint8Array, view: DataView, from: number, warnings: SmfWarning[]) {
  const tracks: SmfTrack[] = [];
  const unknownChunks: UnknownChunk[] = [];
  let at = from;
  while (at + 8 <= bytes.length) {
    const type = chunkType(bytes, at);
    if (!/^[\x20-\x7e]{4}$/.test(type)) {
      const next = findTrack(bytes, at + 1);
      warnings.push({ code: 'bytes-between-chunks', offset: at, message: smfWarnings.bytesBetweenChunks(next - at) });
      at = next;
      continue;
    }
    const start = at + 8;
    const length = view.getUint32(at + 4);
    const end = Math.min(start + length, bytes.length);
    if (type === 'MTrk') {
      if (tracks.length === MOST_TRACKS) throw smfErrors.tooManyTracks(at, MOST_TRACKS);
      const track = readTrack(bytes, start, end, start + length - end, tracks.length, warnings);
      tracks.push({ events: track.events, endTick: track.endTick });
      at = track.next;
    } else {
      unknownChunks.push({ tracksBefore: tracks.length, type, data: bytes.slice(start, end) });
      at = end;
    }
  }
  return { tracks, unknownChunks };
}

/** Offset of the next "MTrk", or the end of the file. */
function findTrack(bytes: Uint8Array, from: number): number {
  for (let at = from; at + 4 <= bytes.length; at++)
    if (bytes[at] === 0x4d && chunkType(bytes, at) === 'MTrk') return at;
  return bytes.length;
}

export function chunkType(bytes: Uint8Array, offset: number): string {
  return String.fromCharCode(...bytes.subarray(offset, offset + 4));
}

function printable(bytes: Uint8Array): string {
  return String.fromCharCode(...bytes).replace(/[^\x20-\x7e]/g, '·');
}

/**
 * The tracks of the file sound together.
 *
 * @throws SmfError of a type 2 file with several patterns: there is no order to write them in
 */
export function assertOneTimeLine({ format, tracks }: SmfFile): void {
  if (format === 2 && tracks.length > 1) throw smfErrors.type2(tracks.length);
}
