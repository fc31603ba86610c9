import type { NoteId, TrackId } from '../base';
import type { InstrumentId } from '../instruments';
import type { TextEncoding } from '../smf';
import type { Bar, BarNumber, MeterEvent, MidiKey, Seconds, TempoMap, Ticks, WrittenUnits } from '../time';

export type { NoteId, TrackId };

/** Music as it was played: the sequencer's side, with every note's true time. */
export interface Performance {
  ticksPerQuarter: number;
  tempo: TempoMap;
  meters: MeterEvent[];
  /** Where bars are counted otherwise than on from 1 (0 for a pickup). */
  numbering: BarNumber[];
  /** Where another version of the same music says it: what the notes were meant as, by their ids. */
  meant?: ReadonlyMap<NoteId, { start: WrittenUnits; end: WrittenUnits }>;
  /** The bars themselves, where a score says what they are; otherwise meters and numbering do. */
  bars?: readonly Bar[];
  keys: KeyEvent[];
  markers: TextEvent[];
  /** Of the file's texts, as guessed or said. */
  encoding: TextEncoding;
  /** Sequence name, from the first track's name when the file has several tracks. */
  title: string;
  copyright: string;
  tracks: PlayedTrack[];
  /** End of the last note. */
  lastNoteEnd: Ticks;
  /** What was odd in the file, each with track and tick where there is one. */
  warnings: PerformanceWarning[];
}

/** What a score says of a part that became a track. */
export interface SaidByScore {
  abbreviation: string;
  instrument: InstrumentId;
  solo: boolean;
  /** Notes that are played on another instrument than the part's own. */
  doublingOf: ReadonlyMap<NoteId, InstrumentId>;
}

export interface PlayedTrack {
  id: TrackId;
  /** Track chunk, from 0. */
  chunk: number;
  name: string;
  /** A part of a score: it is one by itself, with notes or without, and keeps the names it has there. */
  written?: SaidByScore;
  /** MIDI channels with notes, 1–16, in order of first use. */
  channels: number[];
  port: number | null;
  programs: ProgramEvent[];
  notes: PlayedNote[];
  controllers: ControllerEvent[];
  bends: BendEvent[];
  texts: TextEvent[];
}

export interface PlayedNote {
  id: NoteId;
  key: MidiKey;
  /** 1–127 */
  velocity: number;
  channel: number;
  start: Ticks;
  /** After `start`. */
  end: Ticks;
}

export interface ProgramEvent {
  tick: Ticks;
  channel: number;
  /** 1–128, as General MIDI counts. */
  program: number;
  bankMsb: number;
  bankLsb: number;
}

export interface ControllerEvent {
  tick: Ticks;
  channel: number;
  controller: number;
  value: number;
}

/** Pitch wheel: −8192–8191, 0 in the middle; how many semitones that is the controllers tell (RPN 0), 2 unless they do. */
export interface BendEvent {
  tick: Ticks;
  channel: number;
  value: number;
}

export interface KeyEvent {
  at: WrittenUnits;
  /** Sharps, or flats when negative. */
  fifths: number;
  mode: 'major' | 'minor';
}

export interface TextEvent {
  tick: Ticks;
  kind: 'text' | 'lyric' | 'marker' | 'cue' | 'instrument' | 'device';
  text: string;
}

export interface PerformanceWarning {
  /** Nothing is lost by it and nobody need answer: it stands among the facts of the file at Intake, and is not asked about. */
  plain?: true;
  track?: TrackId;
  tick?: Ticks;
  seconds?: Seconds;
  message: string;
}

export const PERCUSSION_CHANNEL = 10;

/** Most notes sounding at the same tick. A note that starts where another ends does not count with it. */
export function mostAtOnce(notes: readonly PlayedNote[]): number {
  const edges: [Ticks, number][] = notes.flatMap(
    (note) =>
      [
        [note.start, 1],
        [note.end, -1],
      ] as [Ticks, number][],
  );
  edges.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  let now = 0;
  let most = 0;
  for (const [, change] of edges) most = Math.max(most, (now += change));
  return most;
}
