import { describe, expect, it } from 'vitest';
import { noteValue, type SymbolInBar } from '../../score';
import { layBars, QUARTER } from '../../time';
import { barBeams } from './beams';

/** Symbols one after the other: lengths in quarters, negative for rests. */
function symbols(...lengths: number[]): SymbolInBar[] {
  let at = 0;
  return lengths.map((length) => {
    const duration = Math.abs(length) * QUARTER;
    const value = noteValue(duration)!;
    const symbol: SymbolInBar = {
      at,
      duration,
      type: value.type,
      dots: value.dots,
      notes:
        length < 0
          ? []
          : [{ key: 60, pitch: { step: 'C', alter: 0, octave: 4 }, tieFromLast: false, tieToNext: false, played: [] }],
    };
    at += duration;
    return symbol;
  });
}

function beams(beats: number, beatType: number, ...lengths: number[]): string[] {
  const list = symbols(...lengths);
  const found = barBeams(list, layBars([{ at: 0, beats, beatType }], 1)[0]!);
  return list.map((symbol) =>
    (found.get(symbol) ?? []).map((beam) => beam[0]! + (beam.includes('hook') ? 'h' : '')).join('/'),
  );
}

// Rules of notation handbooks (beams show the beats), from memory.
describe('beams', () => {
  it('join the eighths of one beat and no others', () =>
    expect(beams(2, 4, 0.5, 0.5, 0.5, 0.5)).toEqual(['b', 'e', 'b', 'e']));
  it('join three eighths in compound meters', () =>
    expect(beams(6, 8, 0.5, 0.5, 0.5, 1, 0.5)).toEqual(['b', 'c', 'e', '', '']));
  it('add a second level for sixteenths', () => expect(beams(1, 4, 0.5, 0.25, 0.25)).toEqual(['b', 'c/b', 'e/e']));
  it('hook a lone sixteenth towards its group', () => {
    expect(beams(1, 4, 0.75, 0.25)).toEqual(['b', 'e/bh']);
    expect(beams(1, 4, 0.25, 0.75)).toEqual(['b/fh', 'e']);
    expect(beams(1, 4, 0.25, 0.5, 0.25)).toEqual(['b/fh', 'c', 'e/bh']);
  });
  it('stop at rests and leave single flags alone', () => {
    expect(beams(2, 4, 0.5, -0.5, 0.5, 0.5)).toEqual(['', '', 'b', 'e']);
    expect(beams(1, 4, -0.25, 0.25, 0.25, 0.25)).toEqual(['', 'b/b', 'c/c', 'e/e']);
  });
});
