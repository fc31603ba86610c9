/*
 * The survey: what arrived, track by track, in numbers.
 *
 * Takes a performance; gives facts for each track and for the whole. Nothing is changed and nothing decided.
 */
import { instrumentById, recognise, UNKNOWN_INSTRUMENT, type Recognition } from '../instruments';
import { barIndexAt, beatsOfBar, playedUnits, secondsAtTick, type Bar, type MidiKey, type Seconds } from '../time';
import { findKeyswitches } from './keyswitches';
import { findDuplicates, type Duplicate } from './duplicates';
import {
  mostAtOnce,
  PERCUSSION_CHANNEL,
  type Performance,
  type PlayedNote,
  type PlayedTrack,
  type TrackId,
} from './performance';

export type TrackState = 'music' | 'percussion' | 'empty' | 'duplicate';

export interface TrackSurvey {
  id: TrackId;
  /** Track chunk, from 0. */
  index: number;
  name: string;
  channels: number[];
  port: number | null;
  /** General MIDI numbers, 1–128, in order of first use. */
  programs: number[];
  banks: [number, number][];
  notes: number;
  lowest: MidiKey | null;
  highest: MidiKey | null;
  maxAtOnce: number;
  /** Bar numbers of the first and last onset. */
  firstBar: number | null;
  lastBar: number | null;
  /** Share of the piece in which the track sounds, 0–1. */
  soundingShare: number;
  velocity: { lowest: number; highest: number; mean: number; spread: number } | null;
  /** Share of onsets within 3 % of a beat of these places. */
  onGrid: { eighths: number; sixteenths: number; triplets: number };
  overlap: 'legato' | 'detached' | 'mixed' | null;
  controllers: { controller: number; count: number; lowest: number; highest: number }[];
  percussion: boolean;
  /** Keys that look like switches rather than notes: outside the instrument's range, few, set apart. */
  keyswitches: MidiKey[];
  duplicate: Duplicate | null;
  /** Onsets in each bar. */
  density: number[];
  recognition: Recognition;
  state: TrackState;
}

export interface Survey {
  tracks: TrackSurvey[];
  durationSeconds: Seconds;
  bars: number;
}

const NEAR = 0.03;

export function surveyPerformance(performance: Performance, bars: readonly Bar[]): Survey {
  const barStarts = Float64Array.from(bars, (bar) => bar.start);
  const beats = bars.flatMap(beatsOfBar);
  const beatStarts = Float64Array.from(beats, (beat) => beat.start);
  const duplicates = findDuplicates(performance);
  return {
    tracks: performance.tracks.map((track) => surveyTrack(track)),
    durationSeconds: secondsAtTick(performance.tempo, performance.lastNoteEnd),
    bars: bars.length,
  };

  function surveyTrack(track: PlayedTrack): TrackSurvey {
    const { notes } = track;
    const keys = notes.map((note) => note.key);
    const most = mostAtOnce(notes);
    const percussion = track.channels.length > 0 && track.channels.every((channel) => channel === PERCUSSION_CHANNEL);
    const recognition = recognise({
      name: track.name,
      program: track.programs[0]?.program ?? null,
      percussionChannel: percussion,
      keys,
      mostAtOnce: most,
    });
    const instrument = instrumentById(recognition.candidates[0]?.instrument ?? UNKNOWN_INSTRUMENT.id);
    const density = Array<number>(bars.length).fill(0);
    let [first, last] = [Infinity, -1];
    for (const note of notes) {
      const bar = barIndexAt(barStarts, playedUnits(note.start, performance.ticksPerQuarter));
      density[bar]!++;
      first = Math.min(first, bar);
      last = Math.max(last, bar);
    }
    const duplicate = duplicates.get(track.id) ?? null;
    const unpitched = percussion || instrument.unpitched;
    return {
      id: track.id,
      index: track.chunk,
      name: track.name,
      channels: track.channels,
      port: track.port,
      programs: [...new Set(track.programs.map((event) => event.program))],
      banks: distinctBanks(track),
      notes: notes.length,
      lowest: keys.length > 0 ? keys.reduce((a, b) => Math.min(a, b)) : null,
      highest: keys.length > 0 ? keys.reduce((a, b) => Math.max(a, b)) : null,
      maxAtOnce: most,
      firstBar: last >= 0 ? bars[first]!.number : null,
      lastBar: last >= 0 ? bars[last]!.number : null,
      soundingShare: performance.lastNoteEnd > 0 ? soundingTicks(notes) / performance.lastNoteEnd : 0,
      velocity: velocityFacts(notes),
      onGrid: gridShares(notes),
      overlap: overlapStyle(notes),
      controllers: controllerFacts(track),
      percussion: unpitched,
      keyswitches: unpitched ? [] : findKeyswitches(notes, instrument, performance.ticksPerQuarter),
      duplicate,
      density,
      recognition,
      state: stateOf({ empty: notes.length === 0, duplicate: duplicate !== null, unpitched }),
    };
  }

  function gridShares(notes: readonly PlayedNote[]) {
    const near = { eighths: 0, sixteenths: 0, triplets: 0 };
    for (const note of notes) {
      const at = playedUnits(note.start, performance.ticksPerQuarter);
      const beat = beats[barIndexAt(beatStarts, at)]!;
      const share = (at - beat.start) / beat.length;
      const close = (parts: number) => Math.abs(share * parts - Math.round(share * parts)) / parts <= NEAR;
      if (close(beat.compound ? 3 : 2)) near.eighths++;
      if (close(beat.compound ? 6 : 4)) near.sixteenths++;
      if (close(beat.compound ? 2 : 3)) near.triplets++;
    }
    const of = (count: number) => (notes.length > 0 ? count / notes.length : 0);
    return { eighths: of(near.eighths), sixteenths: of(near.sixteenths), triplets: of(near.triplets) };
  }
}

function distinctBanks(track: PlayedTrack): [number, number][] {
  const banks = new Map(
    track.programs
      .filter((event) => event.bankMsb || event.bankLsb)
      .map((event) => [`${event.bankMsb}/${event.bankLsb}`, [event.bankMsb, event.bankLsb] as [number, number]]),
  );
  return [...banks.values()];
}

function soundingTicks(notes: readonly PlayedNote[]): number {
  let sounding = 0;
  let until = 0;
  for (const note of [...notes].sort((a, b) => a.start - b.start)) {
    sounding += Math.max(0, note.end - Math.max(note.start, until));
    until = Math.max(until, note.end);
  }
  return sounding;
}

function velocityFacts(notes: readonly PlayedNote[]): TrackSurvey['velocity'] {
  if (notes.length === 0) return null;
  let [lowest, highest, sum, squares] = [127, 0, 0, 0];
  for (const { velocity } of notes) {
    lowest = Math.min(lowest, velocity);
    highest = Math.max(highest, velocity);
    sum += velocity;
    squares += velocity * velocity;
  }
  const mean = sum / notes.length;
  return { lowest, highest, mean, spread: Math.sqrt(Math.max(0, squares / notes.length - mean * mean)) };
}

function stateOf(track: { empty: boolean; duplicate: boolean; unpitched: boolean }): TrackSurvey['state'] {
  if (track.empty) return 'empty';
  if (track.duplicate) return 'duplicate';
  return track.unpitched ? 'percussion' : 'music';
}

/** Legato: most notes sound into the next one; detached: most end clearly before it. */
function overlapStyle(notes: readonly PlayedNote[]): TrackSurvey['overlap'] {
  const sorted = [...notes].sort((a, b) => a.start - b.start);
  let [over, apart, pairs] = [0, 0, 0];
  for (let i = 0; i + 1 < sorted.length; i++) {
    const interval = sorted[i + 1]!.start - sorted[i]!.start;
    if (interval <= 0) continue;
    pairs++;
    const share = (sorted[i]!.end - sorted[i]!.start) / interval;
    if (share > 1.001) over++;
    else if (share < 0.75) apart++;
  }
  if (pairs < 2) return null;
  if (over > 0.6 * pairs) return 'legato';
  return apart > 0.6 * pairs ? 'detached' : 'mixed';
}

function controllerFacts(track: PlayedTrack): TrackSurvey['controllers'] {
  const facts = new Map<number, TrackSurvey['controllers'][number]>();
  for (const { controller, value } of track.controllers) {
    const fact = facts.get(controller);
    if (!fact) facts.set(controller, { controller, count: 1, lowest: value, highest: value });
    else {
      fact.count++;
      fact.lowest = Math.min(fact.lowest, value);
      fact.highest = Math.max(fact.highest, value);
    }
  }
  return [...facts.values()].sort((a, b) => a.controller - b.controller);
}
