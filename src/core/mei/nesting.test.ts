import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Beam, SymbolInBar } from '../score';
import { barOf } from '../../testing/scores';
import { nested } from './nesting';
import { mei, type MeiNode } from './tree';

const [model] = barOf([60, 4]).voices[0]!.symbols;

/** Runs of symbols: their lengths, and which of them are tuplets. */
const runs = fc.array(fc.record({ length: fc.integer({ min: 1, max: 4 }), tuplet: fc.boolean() }), {
  minLength: 1,
  maxLength: 6,
});
/** Where beams begin and end, whatever the tuplets: lengths of beams and of what is between them. */
const beamRuns = fc.array(fc.integer({ min: 1, max: 5 }), { minLength: 1, maxLength: 12 });

function symbolsOf(given: readonly { length: number; tuplet: boolean }[]): SymbolInBar[] {
  return given.flatMap(({ length, tuplet }) =>
    Array.from({ length }, (_, i): SymbolInBar => ({
      ...model!,
      ...(tuplet && {
        tuplet: { actual: 3, normal: 2, normalType: 'eighth', first: i === 0, last: i === length - 1 },
      }),
    })),
  );
}

function beamsOf(symbols: readonly SymbolInBar[], lengths: readonly number[]): Map<SymbolInBar, Beam[]> {
  const beams = new Map<SymbolInBar, Beam[]>();
  let at = 0;
  lengths.forEach((length, n) => {
    const run = symbols.slice(at, at + length);
    at += length;
    if (n % 2 === 1 || run.length < 2) return;
    const inside = (i: number): Beam => (i === run.length - 1 ? 'end' : 'continue');
    run.forEach((symbol, i) => beams.set(symbol, [i === 0 ? 'begin' : inside(i)]));
  });
  return beams;
}

/** Names of the leaves with the names of what is around them. */
function leaves(nodes: readonly (MeiNode | string)[], around: string[] = []): { name: string; around: string[] }[] {
  return nodes.flatMap((node) => {
    if (typeof node === 'string') return [];
    return node.children.length === 0 ? [{ name: node.name, around }] : leaves(node.children, [...around, node.name]);
  });
}

describe('beams and tuplets around their notes', () => {
  const written = (symbols: readonly SymbolInBar[], beams: ReadonlyMap<SymbolInBar, Beam[]>) =>
    nested(
      symbols,
      symbols.map((_, i) => ({ before: [mei(`before${i}`)], node: mei(`note${i}`), after: [mei(`after${i}`)] })),
      beams,
    );

  it('keep every note and what stands about it once and in order, tuplets whole, no beam of one note', () => {
    fc.assert(
      fc.property(runs, beamRuns, (given, lengths) => {
        const symbols = symbolsOf(given);
        const beams = beamsOf(symbols, lengths);
        const nodes = written(symbols, beams);
        const all = leaves(nodes);
        expect(all.map(({ name }) => name)).toEqual(symbols.flatMap((_, i) => [`before${i}`, `note${i}`, `after${i}`]));
        const notes = all.filter(({ name }) => name.startsWith('note'));
        expect(notes.map(({ around }) => around.includes('tuplet'))).toEqual(
          symbols.map(({ tuplet }) => Boolean(tuplet)),
        );
        // None is beamed that was not; one may lose its beam at a tuplet's edge.
        notes.forEach(({ around }, i) => {
          if (around.includes('beam')) expect(beams.has(symbols[i]!)).toBeTruthy();
        });
        for (const beam of elements(nodes, 'beam'))
          expect(leaves([beam]).filter(({ name }) => name.startsWith('note')).length).toBeGreaterThan(1);
        expect(elements(nodes, 'tuplet')).toHaveLength(given.filter(({ tuplet }) => tuplet).length);
      }),
      { seed: 11 },
    );
  });

  it('cut a beam that runs out of a tuplet at its edge', () => {
    const symbols = symbolsOf([
      { length: 3, tuplet: true },
      { length: 3, tuplet: false },
    ]);
    const around = leaves(written(symbols, beamsOf(symbols, [1, 0, 4]))).filter(({ name }) => name.startsWith('note'));
    expect(around.map((one) => one.around.join(' '))).toEqual([
      'tuplet',
      'tuplet beam',
      'tuplet beam',
      'beam',
      'beam',
      '',
    ]);
  });
});

function elements(nodes: readonly (MeiNode | string)[], name: string): MeiNode[] {
  return nodes.flatMap((node) => {
    if (typeof node === 'string') return [];
    return [...(node.name === name ? [node] : []), ...elements(node.children, name)];
  });
}
