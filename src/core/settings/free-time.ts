import type { Seconds } from '../time';

export const BEAT_UNITS = ['quarter', 'dotted quarter', 'eighth'] as const;
export type BeatUnit = (typeof BEAT_UNITS)[number];

/** A recording without bars: beats are found in its notes, and bars laid over them. */
export interface FreeTime {
  /** Beats that were tapped: on the recording's clock, rising. */
  anchors: readonly Seconds[];
  /** Single beats that were set right, exactly there; none when absent. */
  placed?: readonly Seconds[];
  /** About this long is a beat; found when null. */
  period: Seconds | null;
  /** Found when null. */
  beatsPerBar: number | null;
  /** The how-manieth beat begins the first bar, from 0; found when null. */
  firstDownbeat: number | null;
  /** What a beat is written as; told by how it is parted when null. */
  unit: BeatUnit | null;
}

export const NO_FREE_TIME: FreeTime = {
  anchors: [],
  period: null,
  beatsPerBar: null,
  firstDownbeat: null,
  unit: null,
};
