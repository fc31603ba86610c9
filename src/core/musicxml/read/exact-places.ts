import { valueLength } from '../../score';
import { QUARTER, type WrittenUnits } from '../../time';
import type { RawNote } from './raw';

/**
 * Where notes of a measure really stand: divisions that a tuplet does not divide make files count 171, 170, 171. A
 * note's value is believed where its duration is that value rounded.
 */
export class ExactPlaces {
  /** By the file's count, in quarters. */
  private readonly known = new Map<number, WrittenUnits>();

  /** @param quarters from the measure's start, as the file counts them */
  of(quarters: number): WrittenUnits {
    return this.known.get(slot(quarters)) ?? Math.round(quarters * QUARTER);
  }

  /**
   * @param end where the file has the note's end, in quarters
   * @param rounding one division of the file
   */
  lengthOf({ at, duration, type, dots, tuplet, grace }: RawNote, end: number, rounding: WrittenUnits): WrittenUnits {
    if (grace || !type || duration <= 0) return duration;
    const plain = valueLength(type, dots);
    const meant = Math.round(tuplet ? (plain * tuplet.normal) / tuplet.actual : plain);
    // Only what is rounded: coarse divisions would swallow real differences.
    const near = Math.abs(meant - duration) <= Math.min(rounding * 1.5, meant / 16);
    const length = near ? meant : duration;
    const there = slot(end);
    if (length !== duration && !this.known.has(there)) this.known.set(there, at + length);
    return (this.known.get(there) ?? at + length) - at;
  }
}

const slot = (quarters: number) => Math.round(quarters * 1e6);
