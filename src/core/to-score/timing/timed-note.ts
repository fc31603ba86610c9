import type { NoteId, PlayedNote } from '../../performance';
import {
  playedUnits,
  secondsAtTick,
  tickAtSeconds,
  type MidiKey,
  type PlayedUnits,
  type Seconds,
  type TempoMap,
  type WrittenUnits,
} from '../../time';

/** A played note on the written time line, its part's lead taken out, not yet rounded. */
export interface TimedNote {
  id: NoteId;
  key: MidiKey;
  velocity: number;
  onset: PlayedUnits;
  /** Where it is let go; where the file tells what value is meant, the end of that. */
  release: PlayedUnits;
  /** Where the hands were recorded apart: the staff of its own. */
  hand?: number;
  /** Clock times with the lead taken out. */
  onsetSeconds: Seconds;
  releaseSeconds: Seconds;
  /** Where the file has it exactly: its written start, which no stage may move. */
  meant?: WrittenUnits;
  /** Its written end, where the file tells it. */
  meantEnd?: WrittenUnits;
  ornament?: Ornament;
  /** Further played notes that this one stands for. */
  behind?: NoteId[];
}

export interface Ornament {
  trill?: true;
  tremolo?: true;
  arpeggio?: 'up' | 'down';
  /** Played before the note, in order. */
  graces?: TimedNote[];
}

/** A note whose written start is known. */
export interface PlacedNote extends TimedNote {
  start: WrittenUnits;
  /** Further played notes of the same key that fell on the same place and are written as this one. */
  absorbed: NoteId[];
  /** What people set for it. */
  byHand?: { end?: WrittenUnits; voice?: number; staff?: number };
}

/** What the file itself says of the written times of a track's notes. */
export interface MeantTimes {
  starts: ReadonlyMap<NoteId, WrittenUnits>;
  ends: ReadonlyMap<NoteId, WrittenUnits>;
}

export const NOTHING_MEANT: MeantTimes = { starts: new Map(), ends: new Map() };

/**
 * @param lead seconds the notes were played ahead of the beat. What starts with the file itself could not be played any
 * earlier, and is on the beat as it stands.
 */
export function timeNotes(
  notes: readonly PlayedNote[],
  tempo: TempoMap,
  lead: Seconds,
  meantTimes: MeantTimes = NOTHING_MEANT,
): TimedNote[] {
  return notes.map((note) => {
    const played = secondsAtTick(tempo, note.start);
    const shift = lead > 0 && played < Math.min(lead, FILE_START) ? 0 : lead;
    const units = (tick: number, by: Seconds) =>
      playedUnits(by === 0 ? tick : tickAtSeconds(tempo, secondsAtTick(tempo, tick) + by), tempo.ticksPerQuarter);
    const meant = meantTimes.starts.get(note.id);
    const meantEnd = meantTimes.ends.get(note.id);
    return {
      id: note.id,
      key: note.key,
      velocity: note.velocity,
      onset: meant ?? units(note.start, shift),
      release: meantEnd ?? units(note.end, lead),
      onsetSeconds: played + shift,
      releaseSeconds: secondsAtTick(tempo, note.end) + lead,
      ...(meant !== undefined && { meant }),
      ...(meantEnd !== undefined && { meantEnd }),
    };
  });
}

const FILE_START: Seconds = 0.03;
