import type { MidiKey, WrittenUnits } from '../../time';
import type { Stretch } from '../note-mark';

/** Two keys in turn in equal steps from one end to the other, the last one taking what is left. */
export function inTurn(
  from: WrittenUnits,
  to: WrittenUnits,
  step: WrittenUnits,
  key: MidiKey,
  other: MidiKey,
): Stretch[] {
  const count = Math.max(1, Math.floor((to - from) / step + 1e-9));
  return Array.from({ length: count }, (_, i) => ({
    start: from + i * step,
    end: i === count - 1 ? to : from + (i + 1) * step,
    key: i % 2 === 0 ? key : other,
  }));
}
