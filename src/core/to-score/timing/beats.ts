import {
  beatsOfBar,
  lastNotAfter,
  QUARTER,
  tempoAt,
  ticksFromUnits,
  type Bar,
  type Beat,
  type PlayedUnits,
  type Seconds,
  type TempoMap,
} from '../../time';

/** The beats of the whole piece with what the stages ask of them: where a place falls, and how long a beat lasts. */
export interface BeatLine {
  beats: readonly Beat[];
  starts: Float64Array;
  /** Clock seconds a written unit takes in each beat (tempo at the beat's start). */
  secondsPerUnit: Float64Array;
  /** Written units in a tick of the original: its resolution. */
  unitsPerTick: number;
}

export function layBeats(bars: readonly Bar[], tempo: TempoMap): BeatLine {
  const beats = bars.flatMap(beatsOfBar);
  return {
    beats,
    starts: Float64Array.from(beats, (beat) => beat.start),
    secondsPerUnit: Float64Array.from(
      beats,
      (beat): Seconds => tempoAt(tempo, ticksFromUnits(beat.start, tempo.ticksPerQuarter)) / 1e6 / QUARTER,
    ),
    unitsPerTick: QUARTER / tempo.ticksPerQuarter,
  };
}

export function beatIndexAt(line: BeatLine, at: PlayedUnits): number {
  return lastNotAfter(line.starts, at);
}
