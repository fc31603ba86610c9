/* What is heard from a bar on: as it was received, or as it is written; both on the clock of the same bars. */
import type { PartId } from '../base';
import { PERCUSSION_CHANNEL, type Performance, type PlayedTrack } from '../performance';
import { secondsAtTick, ticksFromUnits, type Seconds } from '../time';
import type { Conversion } from '../to-score';
import type { SequencedFile } from '../to-sequencer';
import { heardInScore, type HeardNote } from './heard';

export const AUDITION_VERSIONS = ['received', 'written'] as const;
export type AuditionVersion = (typeof AUDITION_VERSIONS)[number];

export interface Audition {
  /** In order of start; seconds from where the audition begins. */
  notes: HeardNote[];
  /** Index of the first bar. */
  from: number;
  /** When each bar from there on begins, and when the last one ends. */
  bars: Seconds[];
}

/** Heard before the first bar: what was played early belongs to it. */
const LEAD_IN: Seconds = 0.2;

/** @param whole the score as it is written out, sequenced @param parts none for all */
export function auditionOf(
  version: AuditionVersion,
  { conversion, performance, whole }: { conversion: Conversion; performance: Performance; whole: SequencedFile },
  from: number,
  parts: readonly PartId[],
): Audition {
  const { bars } = conversion.score;
  const first = Math.max(0, Math.min(from, bars.length - 1));
  const at = (units: number) => secondsAtTick(performance.tempo, ticksFromUnits(units, performance.ticksPerQuarter));
  const origin = at(bars[first]!.start) - LEAD_IN;
  const last = bars.at(-1)!;
  const ends = [...bars.slice(first).map((bar) => bar.start), last.start + last.length];
  const notes =
    version === 'received'
      ? receivedNotes(conversion, performance, parts)
          .filter((note) => note.start >= origin)
          .map((note) => ({ ...note, start: note.start - origin }))
      : heardInScore(conversion.score, whole, { from: first, to: bars.length, parts }).map((note) => ({
          ...note,
          start: note.start + LEAD_IN,
        }));
  return {
    notes: notes.sort((a, b) => a.start - b.start),
    from: first,
    bars: ends.map((place) => at(place) - origin),
  };
}

/** On the clock of the file. */
function receivedNotes({ casting }: Conversion, performance: Performance, parts: readonly PartId[]): HeardNote[] {
  const wanted = casting.parts.filter((part) => parts.length === 0 || parts.includes(part.id));
  const ids = new Set(wanted.flatMap((part) => part.notes.map((note) => note.id)));
  const programs = new Map(
    wanted.flatMap((part) => part.notes.map((note) => [note.id, part.instrument.programs[0] ?? null] as const)),
  );
  return performance.tracks.flatMap((track) => {
    const loud = faders(track);
    return track.notes
      .filter((note) => ids.has(note.id))
      .sort((a, b) => a.start - b.start)
      .map((note): HeardNote => {
        const start = secondsAtTick(performance.tempo, note.start);
        const state = loud(note.channel, note.start);
        return {
          key: note.key,
          velocity: Math.max(1, Math.min(127, Math.round(note.velocity * state.gain))),
          start,
          duration: secondsAtTick(performance.tempo, note.end) - start,
          drum: note.channel === PERCUSSION_CHANNEL,
          program: state.program ?? programs.get(note.id) ?? null,
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
