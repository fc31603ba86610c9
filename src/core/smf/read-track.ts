import { smfWarnings, type SmfWarning, type SmfWarningCode } from './errors';
import { dataLength, Meta, type SmfEvent } from './smf-file';
import { readVlq } from './vlq';

interface TrackReading {
  events: SmfEvent[];
  endTick: number;
  /** Where the next chunk is to be looked for. */
  next: number;
}

/** Data bytes after F1 … FE (MIDI 1.0); F0 and F7 carry lengths of their own, FF is a meta event. */
const LIVE_ONLY_LENGTH: Record<number, number> = { 0xf1: 1, 0xf2: 2, 0xf3: 1 };

/**
 * Reads the events of one track chunk.
 *
 *     <delta time> <event>  <delta time> <event> … <delta time> FF 2F 00
 *
 * @param start first byte after the chunk's length
 * @param end end by that length, cut at the end of the file
 * @param missing bytes that the length promises beyond the end of the file
 */
export function readTrack(
  bytes: Uint8Array,
  start: number,
  end: number,
  missing: number,
  track: number,
  warnings: SmfWarning[],
): TrackReading {
  const events: SmfEvent[] = [];
  let at = start;
  let limit = end;
  let tick = 0;
  let running = 0;
  /** The status before a meta or exclusive event ended it. */
  let before = 0;
  let goesOnSaid = false;
  let ended = false;
  const warn = (code: SmfWarningCode, message: string) => warnings.push({ code, track, tick, offset: at, message });

  /**
   * The stated length is used up. If neither another chunk nor the end of the file follows, it was too small: read on.
   */
  const goesOn = () => {
    if (limit === bytes.length || looksLikeChunk(bytes, limit)) return false;
    warn('length-too-short', smfWarnings.lengthTooShort());
    limit = bytes.length;
    return true;
  };
  const cutOff = () => {
    if (goesOn()) return false;
    warn('truncated-event', smfWarnings.truncatedEvent());
    return true;
  };

  if (missing > 0) warn('truncated-chunk', smfWarnings.truncatedChunk(missing));
  while (true) {
    if (at >= limit && !goesOn()) break;

    // Delta time, read in place: this loop is the reader's inner loop.
    let byte = bytes[at]!;
    let delta = byte & 0x7f;
    let cursor = at + 1;
    while (byte >= 0x80 && cursor < limit && cursor - at < 4) {
      byte = bytes[cursor++]!;
      delta = (delta << 7) | (byte & 0x7f);
    }
    if (byte >= 0x80 && cursor < limit) {
      warn('bad-delta', smfWarnings.badDelta());
      break;
    }
    if (cursor >= limit) {
      if (cutOff()) break;
      continue;
    }

    let status = bytes[cursor]!;
    if (status < 0x80) {
      // Some programs let it go on behind a meta event; readers elsewhere carry on, and the notes are plain.
      if (running === 0 && before !== 0) {
        if (!goesOnSaid) warn('status-goes-on', smfWarnings.statusGoesOn());
        goesOnSaid = true;
        running = before;
      }
      if (running === 0) {
        warn('no-running-status', smfWarnings.noRunningStatus(status));
        break;
      }
      status = running;
    } else cursor++;

    if (status < 0xf0) {
      const two = dataLength(status) === 2;
      if (cursor + (two ? 2 : 1) > limit) {
        if (cutOff()) break;
        continue;
      }
      const data1 = bytes[cursor]!;
      const data2 = two ? bytes[cursor + 1]! : 0;
      if (data1 > 0x7f || data2 > 0x7f) {
        warn('bad-data-byte', smfWarnings.badDataByte(data1 > 0x7f ? data1 : data2));
        break;
      }
      running = status;
      tick += delta;
      events.push({ kind: 'channel', tick, status, data1, data2 });
      at = cursor + (two ? 2 : 1);
      continue;
    }

    if (status !== 0xff && status !== 0xf0 && status !== 0xf7) {
      running = 0;
      tick += delta;
      warn('realtime-skipped', smfWarnings.realtimeSkipped(status));
      at = cursor + (LIVE_ONLY_LENGTH[status] ?? 0);
      continue;
    }
    const type = status === 0xff ? bytes[cursor++] : 0;
    const length = readVlq(bytes, cursor);
    if (type === undefined || !length || length.next + length.value > limit) {
      if (cutOff()) break;
      continue;
    }
    // Meta and exclusive events end running status (Standard MIDI Files 1.0).
    if (running !== 0) before = running;
    running = 0;
    tick += delta;
    at = length.next + length.value;
    if (status === 0xff && type === Meta.endOfTrack) {
      ended = true;
      break;
    }
    const data = bytes.slice(length.next, at);
    events.push(status === 0xff ? { kind: 'meta', tick, type, data } : { kind: 'sysex', tick, status, data });
  }

  if (!ended) {
    warn('no-end-of-track', smfWarnings.noEndOfTrack());
    return { events, endTick: tick, next: Math.max(at, limit) };
  }
  if (at < end && !looksLikeChunk(bytes, at)) {
    warn('bytes-after-end', smfWarnings.bytesAfterEnd(end - at));
    at = end;
  }
  return { events, endTick: tick, next: at };
}

function looksLikeChunk(bytes: Uint8Array, at: number): boolean {
  // Four letters of a chunk name; "MTrk" above all.
  if (at + 8 > bytes.length) return false;
  for (let i = 0; i < 4; i++) {
    const byte = bytes[at + i]!;
    if (!((byte >= 0x41 && byte <= 0x5a) || (byte >= 0x61 && byte <= 0x7a))) return false;
  }
  return true;
}
