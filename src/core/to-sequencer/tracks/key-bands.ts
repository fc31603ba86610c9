/* Notes told apart by their keys: below, between and above the keys at which a new track begins. */
import { keyInWords } from '../../score';
import type { MidiKey } from '../../time';

/** 0 below the lowest border, and so on up. @param borders lowest key of each band but the lowest */
export function bandOf(key: MidiKey, borders: readonly MidiKey[]): number {
  return borders.filter((border) => key >= border).length;
}

/** "to B3", "C4 to B4", "from C5". */
export function bandName(band: number, borders: readonly MidiKey[]): string {
  const sorted = [...borders].sort((a, b) => a - b);
  const [from, to] = [sorted[band - 1], sorted[band]];
  if (from === undefined) return to === undefined ? '' : `to ${keyInWords(to - 1)}`;
  return to === undefined ? `from ${keyInWords(from)}` : `${keyInWords(from)} to ${keyInWords(to - 1)}`;
}
