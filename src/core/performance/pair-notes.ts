import { Message, type ChannelEvent } from '../smf';
import type { Ticks } from '../time';
import type { PlayedNote } from './performance';

export interface Pairing {
  /** In order of start, ids not yet given (0). */
  notes: PlayedNote[];
  /** Note-ons that no note-off answers; they end where the same key starts again, or with the track. */
  unended: { tick: Ticks; key: number }[];
  /** Note-offs that no note-on precedes. */
  strayOffs: number;
  /** Notes of one key and channel that overlap: which off ends which on is unknown, first in first out is assumed. */
  overlapping: number;
}

/**
 * Joins note-ons and note-offs of one track. A note-on with velocity 0 is a note-off (MIDI 1.0). Where one key of one
 * channel sounds twice at once, the first off ends the first on:
 *
 *     on  on  off off          ====
 *     |   |   |   |      →         =====
 *
 * @param trackEnd closes what is still sounding
 */
export function pairNotes(events: readonly ChannelEvent[], trackEnd: Ticks): Pairing {
  const sounding = new Map<number, PlayedNote[]>();
  const pairing: Pairing = { notes: [], unended: [], strayOffs: 0, overlapping: 0 };
  for (const event of events) {
    const message = event.status & 0xf0;
    const channel = event.status & 0x0f;
    const slot = channel * 128 + event.data1;
    if (message === Message.noteOn && event.data2 > 0) {
      const note: PlayedNote = {
        id: 0,
        key: event.data1,
        velocity: event.data2,
        channel: channel + 1,
        start: event.tick,
        end: -1,
      };
      pairing.notes.push(note);
      const open = sounding.get(slot);
      if (open?.length) {
        open.push(note);
        pairing.overlapping++;
      } else sounding.set(slot, [note]);
    } else if (message === Message.noteOff || message === Message.noteOn) {
      const note = sounding.get(slot)?.shift();
      if (note) note.end = event.tick;
      else pairing.strayOffs++;
    }
  }
  // From the back, so that the next start of the same key is known at each note.
  const nextStart = new Map<number, Ticks>();
  for (const note of [...pairing.notes].reverse()) {
    const slot = note.channel * 128 + note.key;
    if (note.end < 0) {
      pairing.unended.push({ tick: note.start, key: note.key });
      note.end = nextStart.get(slot) ?? trackEnd;
    }
    nextStart.set(slot, note.start);
    // A note of no length was still struck; one tick keeps it visible.
    if (note.end <= note.start) note.end = note.start + 1;
  }
  pairing.unended.reverse();
  return pairing;
}
