/*
 * Variable-length quantities (Standard MIDI Files 1.0): seven bits a byte, most significant first, bit 7 set on every
 * byte but the last; four bytes at most.
 *
 *     0x2000  →  1100 0000  0000 0000  →  C0 00
 */

export const MAX_VLQ = 0x0fffffff;

/** @param value 0 … 0x0FFFFFFF @throws RangeError outside of that */
export function writeVlq(value: number, out: number[]): void {
  if (!Number.isInteger(value) || value < 0 || value > MAX_VLQ)
    throw new RangeError(`${value} does not fit a variable-length quantity`);
  for (let shift = 21; shift > 0; shift -= 7) if (value >= 1 << shift) out.push(((value >> shift) & 0x7f) | 0x80);
  out.push(value & 0x7f);
}

/** @returns the value and the offset after it; `null` when the bytes end or a fifth byte would be needed. */
export function readVlq(bytes: Uint8Array, offset: number): { value: number; next: number } | null {
  let value = 0;
  for (let i = 0; i < 4; i++) {
    const byte = bytes[offset + i];
    if (byte === undefined) return null;
    value = (value << 7) | (byte & 0x7f);
    if (byte < 0x80) return { value, next: offset + i + 1 };
  }
  return null;
}
