import type { PartId } from '../base';
import {
  barsOfPerformance,
  performanceFromSmf,
  PERCUSSION_CHANNEL,
  type Performance,
  type PlayedNote,
  type PlayedTrack,
} from '../performance';
import type { Score } from '../score';
import { Message, type SmfFile } from '../smf';
import { secondsAtTick, ticksFromUnits, type Seconds } from '../time';
import { clockOf, type SequencedFile } from '../to-sequencer';

/* What can be heard, and drawn, of a stretch of bars. */

/** A note to be heard: seconds from the start of what is played. */
export interface HeardNote {
  key: number;
  velocity: number;
  start: number;
  duration: number;
  drum: boolean;
  program: number | null;
}

export interface ControllerPoint {
  /** Quarter notes from the start. */
  at: number;
  value: number;
}

export interface ControllerPair {
  controller: number;
  before: ControllerPoint[];
  after: ControllerPoint[];
}

/** A MIDI file's bars: velocities scaled by the faders and expression of their channels. */
export function heardInFile(file: SmfFile, from: number, to: number): HeardNote[] {
  const performance = performanceFromSmf({ file, warnings: [] });
  const bars = barsOfPerformance(performance);
  const [first, last] = [bars[Math.min(from, bars.length - 1)]!, bars[Math.min(to, bars.length) - 1] ?? bars.at(-1)!];
  const tick = (units: number) => ticksFromUnits(units, performance.ticksPerQuarter);
  const [start, end] = [tick(first.start), tick(last.start + last.length)];
  const origin = secondsAtTick(performance.tempo, start);
  return heardInPerformance(performance, (note) => note.start >= start && note.start < end).map((note) => ({
    ...note,
    start: note.start - origin,
  }));
}

/** Notes of a performance on its own clock: velocities scaled by the faders and expression of their channels. */
export function heardInPerformance(performance: Performance, wanted: (note: PlayedNote) => boolean): HeardNote[] {
  return performance.tracks.flatMap((track) => {
    const standing = faders(track);
    return track.notes
      .filter(wanted)
      .sort((a, b) => a.start - b.start)
      .map((note): HeardNote => {
        const start = secondsAtTick(performance.tempo, note.start);
        const { gain, program } = standing(note.channel, note.start);
        return {
          key: note.key,
          velocity: Math.max(1, Math.min(127, Math.round(note.velocity * gain))),
          start,
          duration: secondsAtTick(performance.tempo, note.end) - start,
          drum: note.channel === PERCUSSION_CHANNEL,
          program,
        };
      });
  });
}

/** What faders and programs of a track stand at; to be asked in order of time. */
function faders({
  controllers,
  programs,
}: PlayedTrack): (channel: number, tick: number) => { gain: number; program: number | null } {
  const values = new Map<string, number>();
  const [events, patches] = [
    [...controllers].sort((a, b) => a.tick - b.tick),
    [...programs].sort((a, b) => a.tick - b.tick),
  ];
  let [e, p] = [0, 0];
  return (channel, tick) => {
    for (; events[e] && events[e]!.tick <= tick; e++)
      values.set(`${events[e]!.channel}/${events[e]!.controller}`, events[e]!.value);
    for (; patches[p] && patches[p]!.tick <= tick; p++)
      values.set(`${patches[p]!.channel}/program`, patches[p]!.program);
    const volume = values.get(`${channel}/7`) ?? 100;
    const expression = values.get(`${channel}/11`) ?? 127;
    return {
      gain: Math.min(1.27, volume / 100) * (expression / 127),
      program: values.get(`${channel}/program`) ?? null,
    };
  };
}

/** What a stretch of written bars sounds like as delivered. @param parts none for all */
export function heardInScore(
  score: Score,
  sequenced: SequencedFile,
  { from, to, parts }: { from: number; to: number; parts: readonly PartId[] },
): HeardNote[] {
  const secondsAt = clockOf(sequenced);
  const bars = sequenced.line.bars.filter(
    (played, i, all) =>
      played.bar >= from && played.bar < to && all.findIndex((other) => other.bar === played.bar) === i,
  );
  if (bars.length === 0) return [];
  const [first, last] = [bars[0]!.start, bars.at(-1)!.start + bars.at(-1)!.length];
  const origin = secondsAt(first);
  return sequenced.tracks
    .filter((track) => parts.length === 0 || parts.includes(track.part))
    .flatMap((track) =>
      track.notes
        .filter((note) => note.start >= first - 1 && note.start < last)
        .map((note): HeardNote => {
          const start = secondsAt(note.start) - origin;
          return {
            key: note.key,
            velocity: note.velocity,
            start,
            duration: secondsAt(note.end) - origin - start,
            drum: track.unpitched,
            program: track.program ?? score.parts.find((part) => part.id === track.part)?.program ?? null,
          };
        }),
    );
}

/** Length of what is played. */
export function secondsOf(sequenced: SequencedFile): Seconds {
  return clockOf(sequenced)(sequenced.line.end);
}

/** Controllers of one track chunk, by number. */
export function controllersIn(file: SmfFile, track: number): Map<number, ControllerPoint[]> {
  const quarter = file.division.kind === 'metrical' ? file.division.ticksPerQuarter : 960;
  const points = new Map<number, ControllerPoint[]>();
  for (const event of file.tracks[track]?.events ?? []) {
    if (event.kind !== 'channel' || (event.status & 0xf0) !== Message.controlChange) continue;
    const list = points.get(event.data1) ?? [];
    points.set(event.data1, list);
    list.push({ at: event.tick / quarter, value: event.data2 });
  }
  return points;
}
