import { say } from '../words';
import { trackId, type TrackId } from '../base';
import { buildTempoMap, COMMON_TIME, QUARTER, type Bar, type Ticks, type WrittenUnits } from '../time';
import { barsOfPerformance } from './file-facts';
import type { Performance, PlayedTrack } from './performance';

/**
 * Several originals of one job as one performance.
 *
 *     both hands         right |====|====|        a cue in parts    first |====|====|
 *                        left  |====|====|                          second          |===|===|
 *
 * The tracks of the others are brought to the first one's resolution and to the bar at which they begin; their ids get
 * a prefix ("o2t3"), their notes numbers that follow on. An original that begins where everything before has ended
 * brings its tempo, meters, keys and markers along; one that sounds together with others follows theirs.
 *
 * @param offsets bars after the first bar, by the original's number from 2; none means bar 1
 */
export function joinPerformances(
  performances: readonly Performance[],
  offsets: Readonly<Record<number, number>>,
): Performance {
  const [first, ...others] = performances;
  if (!first) throw new RangeError('a job has at least one original');
  return others.reduce((joined, other, i) => joinOne(joined, other, i + 2, offsets[i + 2] ?? 0), first);
}

function joinOne(joined: Performance, other: Performance, number: number, later: number): Performance {
  const bars = barsOfPerformance(joined);
  const last = bars.at(-1)!;
  const start = bars[later]?.start ?? last.start + last.length + (later - bars.length) * ordinaryBar(bars).length;
  const { ticksPerQuarter } = joined;
  const shift: Ticks = Math.round((start / QUARTER) * ticksPerQuarter);
  const move = (tick: Ticks): Ticks => Math.round((tick * ticksPerQuarter) / other.ticksPerQuarter) + shift;
  const prefix = (id: TrackId) => trackId(`o${number}${id}`);
  const firstId = joined.tracks.reduce((sum, track) => sum + track.notes.length, 0);
  const after = start >= last.start + last.length;
  return {
    ...joined,
    ...(after && timeLines(joined, other, start, move)),
    tracks: [
      ...joined.tracks,
      ...other.tracks.map((track) => moved({ ...track, id: prefix(track.id) }, move, firstId)),
    ],
    lastNoteEnd: other.lastNoteEnd > 0 ? Math.max(joined.lastNoteEnd, move(other.lastNoteEnd)) : joined.lastNoteEnd,
    warnings: [
      ...joined.warnings,
      ...other.warnings.map((warning) => ({
        ...warning,
        track: warning.track && prefix(warning.track),
        message: say('performance.originalNumberWarning', { number, warning: warning.message }),
      })),
    ],
  };
}

function ordinaryBar(bars: readonly Bar[]): Bar {
  return bars.findLast((bar) => !bar.implicit) ?? bars[0]!;
}

function moved(track: PlayedTrack, move: (tick: Ticks) => Ticks, firstId: number): PlayedTrack {
  const at = <T extends { tick: Ticks }>(event: T): T => ({ ...event, tick: move(event.tick) });
  return {
    ...track,
    notes: track.notes.map((note) => ({
      ...note,
      id: firstId + note.id,
      start: move(note.start),
      end: Math.max(move(note.start) + 1, move(note.end)),
    })),
    controllers: track.controllers.map(at),
    bends: track.bends.map(at),
    programs: track.programs.map(at),
    texts: track.texts.map(at),
  };
}

function timeLines(joined: Performance, other: Performance, start: WrittenUnits, move: (tick: Ticks) => Ticks) {
  const later = <T extends { at: WrittenUnits }>(events: readonly T[]): T[] =>
    events.map((event) => ({ ...event, at: event.at + start }));
  const meters = other.meters[0]?.at === 0 ? other.meters : [{ at: 0, ...COMMON_TIME }, ...other.meters];
  return {
    tempo: buildTempoMap(
      [...joined.tempo.events, ...other.tempo.events.map((event) => ({ ...event, tick: move(event.tick) }))],
      joined.ticksPerQuarter,
    ),
    meters: [...joined.meters, ...later(meters)],
    keys: [...joined.keys, ...later(other.keys)],
    markers: [...joined.markers, ...other.markers.map((marker) => ({ ...marker, tick: move(marker.tick) }))],
  };
}
