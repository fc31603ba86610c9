import { describe, expect, it } from 'vitest';
import { barOf, plainPart } from '../../testing/scores';
import { mapSymbols, symbolsOf } from './index';

const part = plainPart([barOf([60, 1], [62, 1], [null, 2]), barOf([64, 4])]);

describe('walking over a part', () => {
  it('meets every symbol in order, with its bar and its staff', () => {
    expect([...symbolsOf(part)].map(({ symbol, bar, staff }) => [symbol.notes[0]?.key ?? null, bar, staff])).toEqual([
      [60, 0, 1],
      [62, 0, 1],
      [null, 0, 1],
      [64, 1, 1],
    ]);
  });
  it('keeps the object of what nothing changed in', () => {
    expect(mapSymbols(part.bars, (symbol) => symbol)).toEqual(part.bars);
    const [first, second] = mapSymbols(part.bars, (symbol) =>
      symbol.notes[0]?.key === 64 ? { ...symbol, dots: 1 } : symbol,
    );
    expect(first).toBe(part.bars[0]);
    expect(second).not.toBe(part.bars[1]);
    expect(second!.voices[0]!.symbols[0]!.dots).toBe(1);
  });
});
