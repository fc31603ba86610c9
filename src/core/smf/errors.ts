/** Every sentence the SMF reader can say, in one place. What happened, where, what to do now. */

export type SmfErrorCode =
  | 'empty'
  | 'not-midi'
  | 'short-header'
  | 'unknown-format'
  | 'no-resolution'
  | 'bad-smpte'
  | 'no-tracks'
  | 'type-2'
  | 'too-large'
  | 'too-many-tracks';

/** The file cannot be read at all. `offset` is the byte where that became clear. */
export class SmfError extends Error {
  override readonly name = 'SmfError';

  constructor(
    readonly code: SmfErrorCode,
    readonly offset: number,
    message: string,
  ) {
    super(message);
  }
}

export type SmfWarningCode =
  | 'leading-bytes'
  | 'track-count'
  | 'truncated-chunk'
  | 'truncated-event'
  | 'length-too-short'
  | 'bytes-after-end'
  | 'no-end-of-track'
  | 'no-running-status'
  | 'status-goes-on'
  | 'bad-data-byte'
  | 'bad-delta'
  | 'realtime-skipped'
  | 'bytes-between-chunks';

/** The file was read, but not all of it was as the standard says. */
export interface SmfWarning {
  code: SmfWarningCode;
  /** Track chunk, from 0; absent when it concerns the file. */
  track?: number;
  tick?: number;
  offset: number;
  message: string;
}

const hex = (byte: number) => `0x${byte.toString(16).padStart(2, '0').toUpperCase()}`;

export const smfErrors = {
  tooManyTracks: (offset: number, most: number) =>
    new SmfError(
      'too-many-tracks',
      offset,
      `The file goes on after ${most} tracks, more than a Standard MIDI File can count. Export it again with the tracks that are needed.`,
    ),
  empty: () => new SmfError('empty', 0, 'The file is empty (0 bytes). Ask for it again, or export it once more.'),
  notMidi: (start: string) =>
    new SmfError(
      'not-midi',
      0,
      `This is not a Standard MIDI File: it starts with “${start}” where “MThd” belongs. Export it as .mid from the program it was made in.`,
    ),
  shortHeader: (offset: number) =>
    new SmfError(
      'short-header',
      offset,
      `The file breaks off inside its header (byte ${offset}). It was not copied whole; ask for it again.`,
    ),
  unknownFormat: (format: number) =>
    new SmfError(
      'unknown-format',
      8,
      `The header names type ${format}; Standard MIDI Files have types 0, 1 and 2. The header is damaged (byte 8); export the file again.`,
    ),
  noResolution: () =>
    new SmfError(
      'no-resolution',
      12,
      'The header says 0 ticks per quarter note (byte 12), so nothing in the file has a time. Export it again with 480 or 960.',
    ),
  badSmpte: (fps: number, ticks: number) =>
    new SmfError(
      'bad-smpte',
      12,
      `The header asks for ${fps} frames a second with ${ticks} ticks each (byte 12); only 24, 25, 29 and 30 with at least 1 tick exist. Export the file again.`,
    ),
  noTracks: (offset: number) =>
    new SmfError('no-tracks', offset, 'The file has a header but no track. Export it again with its tracks selected.'),
  type2: (tracks: number) =>
    new SmfError(
      'type-2',
      8,
      `This is a type 2 file: ${tracks} separate patterns without a common time line, so there is no order to write them in. Save it as type 1 (or one file a pattern) and drop it again.`,
    ),
  tooLarge: (mebibytes: number, limit: number) =>
    new SmfError(
      'too-large',
      0,
      `The file has ${mebibytes} MiB; at most ${limit} MiB can be taken in. Split it by tracks or sections and drop the pieces.`,
    ),
};

/** Wording of the warnings; `where` is put in front by the reader. */
export const smfWarnings = {
  leadingBytes: (count: number) => `${count} bytes stand before the header; they were passed over.`,
  trackCount: (said: number, found: number) =>
    `The header announces ${said} tracks, ${found} were found; all found ones were read.`,
  truncatedChunk: (missing: number) =>
    `The file ends ${missing} bytes before this track does; everything up to there was read.`,
  truncatedEvent: () => 'The last event is cut off and was left out.',
  lengthTooShort: () => 'The track goes on after its stated length; it was read to its end mark.',
  bytesAfterEnd: (count: number) => `${count} bytes after the track’s end mark were passed over.`,
  noEndOfTrack: () => 'The end mark is missing; the track ends with its last event.',
  noRunningStatus: (byte: number) =>
    `A data byte (${hex(byte)}) stands where an event must begin; the rest of the track could not be read.`,
  statusGoesOn: () =>
    'An event behind a meta event has no status of its own; it was read with the status before it, as other programs do.',
  badDataByte: (byte: number) => `A data byte is out of range (${hex(byte)}); the rest of the track could not be read.`,
  badDelta: () => 'A delta time is longer than four bytes; the rest of the track could not be read.',
  realtimeSkipped: (byte: number) => `A live-only message (${hex(byte)}), which files must not carry, was passed over.`,
  bytesBetweenChunks: (count: number) => `${count} bytes between two chunks were passed over.`,
};
