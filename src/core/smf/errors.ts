import { say } from '../words';
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
    new SmfError('too-many-tracks', offset, say('smf.theFileGoesOnAfterMostTracksMore', { most })),
  empty: () => new SmfError('empty', 0, say('smf.theFileIsEmpty0BytesAskForItAgain')),
  notMidi: (start: string) => new SmfError('not-midi', 0, say('smf.thisIsNotAStandardMIDIFileItStarts', { start })),
  shortHeader: (offset: number) =>
    new SmfError('short-header', offset, say('smf.theFileBreaksOffInsideItsHeader', { offset })),
  unknownFormat: (format: number) =>
    new SmfError('unknown-format', 8, say('smf.theHeaderNamesTypeFormatStandard', { format })),
  noResolution: () => new SmfError('no-resolution', 12, say('smf.theHeaderSays0TicksPerQuarterNote')),
  badSmpte: (fps: number, ticks: number) =>
    new SmfError('bad-smpte', 12, say('smf.theHeaderAsksForFpsFramesASecond', { fps, ticks })),
  noTracks: (offset: number) => new SmfError('no-tracks', offset, say('smf.theFileHasAHeaderButNoTrackExport')),
  type2: (tracks: number) => new SmfError('type-2', 8, say('smf.thisIsAType2FileTracksSeparate', { tracks })),
  tooLarge: (mebibytes: number, limit: number) =>
    new SmfError('too-large', 0, say('smf.theFileHasMebibytesMiBAtMostLimit', { mebibytes, limit })),
};

/** Wording of the warnings; `where` is put in front by the reader. */
export const smfWarnings = {
  leadingBytes: (count: number) => say('smf.countBytesStandBeforeTheHeaderThey', { count }),
  trackCount: (said: number, found: number) => say('smf.theHeaderAnnouncesSaidTracksFound', { said, found }),
  truncatedChunk: (missing: number) => say('smf.theFileEndsMissingBytesBeforeThis', { missing }),
  truncatedEvent: () => say('smf.theLastEventIsCutOffAndWasLeftOut'),
  lengthTooShort: () => say('smf.theTrackGoesOnAfterItsStatedLength'),
  bytesAfterEnd: (count: number) => say('smf.countBytesAfterTheTracksEndMark', { count }),
  noEndOfTrack: () => say('smf.theEndMarkIsMissingTheTrackEnds'),
  noRunningStatus: (byte: number) => say('smf.aDataByteHexStandsWhereAnEventMust', { hex: hex(byte) }),
  statusGoesOn: () => say('smf.anEventBehindAMetaEventHasNoStatus'),
  badDataByte: (byte: number) => say('smf.aDataByteIsOutOfRangeHexTheRestOf', { hex: hex(byte) }),
  badDelta: () => say('smf.aDeltaTimeIsLongerThanFourBytesThe'),
  realtimeSkipped: (byte: number) => say('smf.aLiveOnlyMessageHexWhichFilesMust', { hex: hex(byte) }),
  bytesBetweenChunks: (count: number) => say('smf.countBytesBetweenTwoChunksWere', { count }),
};
