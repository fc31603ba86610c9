import type { MidiKey } from '../../time';
import { STEPS, type Step } from '../pitch';

/** Strings are named as players name them: E♭ and B♭, not D♯ and A♯. */
export function naturalName(key: MidiKey): { step: Step; alter: number; octave: number } {
  const [step, alter] = (
    [
      [0, 0],
      [1, -1],
      [1, 0],
      [2, -1],
      [2, 0],
      [3, 0],
      [4, -1],
      [4, 0],
      [5, -1],
      [5, 0],
      [6, -1],
      [6, 0],
    ] as const
  )[key % 12]!;
  return { step: STEPS[step]!, alter, octave: Math.floor(key / 12) - 1 };
}
