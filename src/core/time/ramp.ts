import { QUARTER, type Bpm, type WrittenUnits } from './units';

/** A gradual change is played in steps of so much. */
const STEP: WrittenUnits = QUARTER / 4;

/** A tempo that changes by degrees, evenly in quarters per minute: each step's place and tempo, both ends among them. */
export function rampSteps(
  from: WrittenUnits,
  to: WrittenUnits,
  start: Bpm,
  end: Bpm,
): { at: WrittenUnits; bpm: Bpm }[] {
  const steps = Math.max(1, Math.round((to - from) / STEP));
  return Array.from({ length: steps + 1 }, (_, i) => ({
    at: from + ((to - from) * i) / steps,
    bpm: start + ((end - start) * i) / steps,
  }));
}
