import { type Bar, type WrittenUnits } from '../../time';
import type { RawDirection, RawPart } from './raw';

/** All directions of a part with their absolute places. */
export function directionsOf(
  part: RawPart,
  bars: readonly Bar[],
): { direction: RawDirection; at: WrittenUnits; bar: number }[] {
  return part.measures.flatMap((measure, b) =>
    measure.directions.map((direction) => ({
      direction,
      at: bars[b]!.start + Math.min(direction.at, bars[b]!.length),
      bar: b,
    })),
  );
}
