/*
 * A free recording on bars of its own: every beat becomes a quarter (a dotted one, an eighth), the tempo changes with every beat, and
 * each note keeps its second.
 *
 *     seconds  0.31    0.92     1.47  …        beats as they were played
 *     ticks    0       10080    20160 …        bars as they are written; tempo 98.4, 109.1 …
 */
import type { Performance, PlayedTrack } from '../performance';
import type { BeatUnit, FreeTime } from '../settings';
import {
  buildTempoMap,
  groupedMeter,
  QUARTER,
  secondsAtTick,
  type Milliseconds,
  type Meter,
  type MeterEvent,
  type Seconds,
  type Ticks,
} from '../time';
import { beatClock, type BeatClock } from './beat-clock';
import { beatUnit } from './beat-unit';
import { findBars, type FoundBars } from './find-bars';
import { findBeats } from './find-beats';
import { mendSlips, type Slip } from './mend-slips';
import { onsetsOf, type Onset } from './onsets';
import { withPlaced, type FoundBeats, type Uneven } from './track-beats';

/** What was found, and how true the bars are to the playing. */
export interface Following {
  /** On the recording's clock. */
  beats: Seconds[];
  /** Indexes of the beats that begin a bar. */
  downbeats: number[];
  beatsPerBar: number;
  /** What a beat is written as. */
  unit: BeatUnit;
  /** Where bars are counted in beats of uneven length: eighths of each, 3 + 2. */
  groups?: number[];
  /** Where the playing slows and one beat more or less was counted than is written. */
  slips: Slip[];
  /** How clear the bars are: 0 says nothing, 1 a good deal. */
  evidence: number;
  slowest: number;
  fastest: number;
  /** Largest distance of a note from where it was played. */
  largestShift: Milliseconds;
  /** What comes before the first bar and is let go. */
  silence: Seconds;
}

/** @returns null where there is too little to count */
export function followBeats(
  performance: Performance,
  free: FreeTime,
): { performance: Performance; following: Following } | null {
  const onsets = onsetsOf(performance);
  const found = findBeats(onsets, {
    anchors: free.anchors,
    placed: free.placed ?? [],
    ...(free.period !== null && { period: free.period }),
  });
  const best = found.find((one) => !one.uneven || isWanted(one.uneven, free));
  if (!best) return null;
  const counted = countedIn(best, onsets, performance, free);
  const { beats, bars, unit } = counted;
  const clock = beatClock(beats, BEATS[unit].quarters);
  const followed: Performance = {
    ...performance,
    ticksPerQuarter: QUARTER,
    tempo: buildTempoMap(clock.tempo, QUARTER),
    meters: metersOf(counted),
    numbering: [],
    tracks: performance.tracks.map((track) => onClock(track, performance, clock.tickAt)),
    markers: performance.markers.map((marker) => ({ ...marker, tick: moved(performance, clock.tickAt, marker.tick) })),
    lastNoteEnd: moved(performance, clock.tickAt, performance.lastNoteEnd),
  };
  const paces = beats.slice(1).map((beat, i) => 60 / (beat - beats[i]!));
  return {
    performance: followed,
    following: {
      beats,
      downbeats: bars.downbeats,
      beatsPerBar: bars.beatsPerBar,
      unit,
      ...(counted.groups && { groups: counted.groups }),
      slips: counted.slips,
      evidence: bars.evidence,
      slowest: Math.min(...paces),
      fastest: Math.max(...paces),
      largestShift: largestShift(performance, followed, beats[0]!),
      silence: beats[0]!,
    },
  };
}

/** What is counted from bar to bar. */
interface Counted {
  beats: Seconds[];
  bars: FoundBars;
  slips: Slip[];
  unit: BeatUnit;
  groups?: number[];
}

/** Bars over the beats that were found; over the pulses below them where those are uneven and nobody says otherwise. */
function countedIn(
  best: FoundBeats,
  onsets: readonly Onset[],
  performance: Performance,
  { firstDownbeat, beatsPerBar, unit, anchors, placed }: FreeTime,
): Counted {
  const known = firstDownbeat === null ? [] : [firstDownbeat];
  const lengths = beatsPerBar === null ? undefined : [beatsPerBar];
  const { uneven } = best;
  if (!uneven) {
    const found = covering(best.beats, performance);
    const first = findBars(found, onsets, [], lengths);
    const mended = mendSlips(found, onsets, first.beatsPerBar, anchors);
    const beats = withPlaced(mended.beats, placed ?? []);
    const bars = known.length === 0 && mended.slips.length === 0 ? first : findBars(beats, onsets, known, lengths);
    return { beats, bars, slips: mended.slips, unit: unit ?? beatUnit(best.beats, onsets) };
  }
  const { pulses, groups, evidence } = uneven;
  const beats = covering(pulses, performance);
  const length = barOf(uneven);
  if (firstDownbeat !== null)
    return { beats, bars: findBars(beats, onsets, known, [length]), slips: [], unit: 'eighth' };
  const before = Math.max(0, beats.indexOf(pulses[0]!));
  const downbeats = uneven.downbeats.map((pulse) => pulse + before);
  return { beats, bars: { downbeats, beatsPerBar: length, evidence }, slips: [], unit: 'eighth', groups };
}

const barOf = ({ groups }: Uneven): number => groups.reduce((sum, group) => sum + group, 0);

/** Nobody says that a beat is something else, or that other bars are wanted. */
const isWanted = (uneven: Uneven, { unit, beatsPerBar }: FreeTime): boolean =>
  (unit === null || unit === 'eighth') && (beatsPerBar === null || beatsPerBar === barOf(uneven));

/** The first beat may be drawn so far to a note that was played before it. */
const DRAWN: Seconds = 0.1;

/** From no later than the first note to the end of the last. */
function covering(beats: readonly Seconds[], { tempo, tracks, lastNoteEnd }: Performance): Seconds[] {
  const all = [...beats];
  const first = tracks.reduce(
    (least, { notes }) => notes.reduce((earlier, { start }) => Math.min(earlier, secondsAtTick(tempo, start)), least),
    Infinity,
  );
  const begin = all[1]! - all[0]!;
  while (all[0]! - first > DRAWN) all.unshift(all[0]! - begin);
  all[0] = Math.min(all[0]!, first);
  const period = all.at(-1)! - all.at(-2)!;
  const end = secondsAtTick(tempo, lastNoteEnd);
  while (all.at(-1)! < end) all.push(all.at(-1)! + period);
  return all;
}

const moved = (performance: Performance, tickAt: BeatClock['tickAt'], tick: Ticks): Ticks =>
  tickAt(secondsAtTick(performance.tempo, tick));

function onClock(track: PlayedTrack, performance: Performance, tickAt: BeatClock['tickAt']): PlayedTrack {
  const to = (tick: Ticks) => moved(performance, tickAt, tick);
  const at = <T extends { tick: Ticks }>(event: T): T => ({ ...event, tick: to(event.tick) });
  return {
    ...track,
    notes: track.notes.map((note) => {
      const start = to(note.start);
      return { ...note, start, end: Math.max(start + 1, to(note.end)) };
    }),
    controllers: track.controllers.map(at),
    bends: track.bends.map(at),
    programs: track.programs.map(at),
    texts: track.texts.map(at),
  };
}

/** How a beat is written: its length, and what it adds to a meter’s upper number over the lower one. */
interface WrittenBeat {
  quarters: number;
  counts: number;
  beatType: number;
}

const BEATS: Record<BeatUnit, WrittenBeat> = {
  quarter: { quarters: 1, counts: 1, beatType: 4 },
  'dotted quarter': { quarters: 1.5, counts: 3, beatType: 8 },
  eighth: { quarters: 0.5, counts: 1, beatType: 8 },
};

/** A pickup of what comes before the first bar; then each length where it changes. */
function metersOf({ bars: { downbeats, beatsPerBar }, unit, groups }: Counted): MeterEvent[] {
  const { quarters, counts, beatType } = BEATS[unit];
  const meter = (beats: number): Meter => {
    const plain = { beats: beats * counts, beatType };
    return groups && beats === beatsPerBar ? groupedMeter(plain, groups) : plain;
  };
  const length = QUARTER * quarters;
  const [first = 0] = downbeats;
  const meters: MeterEvent[] = first > 0 ? [{ at: 0, ...meter(first) }] : [];
  let now = 0;
  downbeats.forEach((beat, i) => {
    const beats = (downbeats[i + 1] ?? beat + beatsPerBar) - beat;
    if (beats !== now || (i === 0 && first > 0)) meters.push({ at: beat * length, ...meter(beats) });
    now = beats;
  });
  return meters;
}

function largestShift(before: Performance, after: Performance, silence: Seconds): Milliseconds {
  let largest = 0;
  before.tracks.forEach((track, t) =>
    track.notes.forEach((note, n) => {
      const was = secondsAtTick(before.tempo, note.start) - silence;
      // What lies before the first beat is drawn to it.
      const now = secondsAtTick(after.tempo, after.tracks[t]!.notes[n]!.start);
      largest = Math.max(largest, Math.abs(now - was));
    }),
  );
  return largest * 1000;
}
