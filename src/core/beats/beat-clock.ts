import { lastNotAfter, QUARTER, type Seconds, type TempoEvent, type Ticks } from '../time';

/** A clock whose beats are so long as they were played; a tick is a written unit, so that nothing is lost by rounding. */
export interface BeatClock {
  tempo: TempoEvent[];
  tickAt: (seconds: Seconds) => Ticks;
  /** When tick 0 is. */
  begins: Seconds;
}

/** @param beats at least two, rising @param quarters in a beat */
export function beatClock(beats: readonly Seconds[], quarters = 1): BeatClock {
  const ticks: Ticks = QUARTER * quarters;
  const tempo = beats.slice(1).map((beat, i): TempoEvent => ({
    tick: i * ticks,
    microsecondsPerQuarter: ((beat - beats[i]!) * 1e6) / quarters,
  }));
  const tickAt = (seconds: Seconds): Ticks => {
    const beat = Math.min(lastNotAfter(beats, seconds), beats.length - 2);
    const share = (seconds - beats[beat]!) / (beats[beat + 1]! - beats[beat]!);
    return Math.max(0, Math.round((beat + share) * ticks));
  };
  return { tempo, tickAt, begins: beats[0]! };
}
