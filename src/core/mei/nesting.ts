/*
 * Beams and tuplets as elements around their notes.
 *
 *     symbols   ♪ ♪ ♪ ♪ ♪           tuplet 0–2, beams 0–2 and 3–4
 *     written   <tuplet><beam>♪♪♪</beam></tuplet><beam>♪♪</beam>
 *
 * Elements cannot overlap: a beam that runs out of a tuplet is cut at its edge.
 */
import type { Beam, SymbolInBar, TupletPlace } from '../score';
import { mei, type MeiAttributes, type MeiNode } from './tree';

/** Elements around the symbols of a voice from one index to another, both counted in. */
interface Group {
  from: number;
  to: number;
  name: 'beam' | 'tuplet' | 'fTrem';
  attributes: MeiAttributes;
}

/** What a symbol is written as, and what stands about it: small notes, clefs. */
export interface Piece {
  before: readonly MeiNode[];
  node: MeiNode;
  after: readonly MeiNode[];
}

/**
 * @param pieces of the symbols, in order
 * @param beams by symbol; none for those that bear no beam
 */
export function nested(
  symbols: readonly SymbolInBar[],
  pieces: readonly Piece[],
  beams: ReadonlyMap<SymbolInBar, readonly Beam[]>,
): MeiNode[] {
  const tuplets = tupletsOf(symbols);
  const groups = [...tuplets, ...beamsOf(symbols, beams, tuplets), ...tremolosOf(symbols)];
  // The wider stands around the narrower; of two alike a tuplet around its beam.
  const width = ({ from, to }: Group) => to - from;
  groups.sort((a, b) => a.from - b.from || width(b) - width(a) || ORDER[a.name] - ORDER[b.name]);
  return within(0, symbols.length - 1, groups, pieces);
}

const ORDER = { tuplet: 0, beam: 1, fTrem: 2 } as const;

function within(from: number, to: number, groups: readonly Group[], pieces: readonly Piece[]): MeiNode[] {
  const written: MeiNode[] = [];
  let rest = groups;
  for (let i = from; i <= to; i++) {
    const group = rest.find((one) => one.from === i);
    if (!group) {
      const { before, node, after } = pieces[i]!;
      written.push(...before, node, ...after);
      continue;
    }
    const inside = rest.filter((one) => one !== group && one.from >= group.from && one.to <= group.to);
    rest = rest.filter((one) => one !== group && !inside.includes(one) && one.from > group.to);
    const { before } = pieces[i]!;
    const { after } = pieces[group.to]!;
    // What stands before the first and behind the last is outside.
    const own = pieces.with(i, { ...pieces[i]!, before: [] });
    own[group.to] = { ...own[group.to]!, after: [] };
    written.push(...before, mei(group.name, group.attributes, within(group.from, group.to, inside, own)), ...after);
    i = group.to;
  }
  return written;
}

function tupletsOf(symbols: readonly SymbolInBar[]): Group[] {
  const found: Group[] = [];
  const open: { from: number; actual: number; normal: number }[] = [];
  const close = (to: number) => {
    const { from, actual, normal } = open.pop()!;
    if (to >= from) found.push({ from, to, name: 'tuplet', attributes: tupletAttributes(actual, normal) });
  };
  symbols.forEach(({ tuplet }, i) => {
    if (!tuplet || (tuplet.first && !tuplet.nested)) while (open.length > 0) close(i - 1);
    if (!tuplet) return;
    for (const { actual, normal } of startsOf(tuplet, open.length > 0)) open.push({ from: i, actual, normal });
    for (let stops = stopsOf(tuplet); stops > 0 && open.length > 0; stops--) close(i);
  });
  while (open.length > 0) close(symbols.length - 1);
  return found;
}

/** Ratios of the tuplets that begin with a symbol, the outermost first. */
function startsOf(
  { actual, normal, nested: brackets }: TupletPlace,
  inside: boolean,
): { actual: number; normal: number }[] {
  if (!brackets) return inside ? [] : [{ actual, normal }];
  return brackets
    .filter(({ edge }) => edge === 'start')
    .sort((a, b) => a.level - b.level)
    .map(({ ratio }) => ratio ?? { actual, normal });
}

const stopsOf = ({ last, nested: brackets }: TupletPlace): number =>
  brackets ? brackets.filter(({ edge }) => edge === 'stop').length : Number(last);

const tupletAttributes = (num: number, numbase: number): MeiAttributes => ({
  num,
  numbase,
  'bracket.visible': 'true',
  'num.format': 'count',
});

function beamsOf(
  symbols: readonly SymbolInBar[],
  beams: ReadonlyMap<SymbolInBar, readonly Beam[]>,
  tuplets: readonly Group[],
): Group[] {
  const found: Group[] = [];
  let from = -1;
  symbols.forEach((symbol, i) => {
    const beam = beams.get(symbol)?.[0];
    if (beam === 'begin') from = i;
    if (beam !== 'end' || from < 0) return;
    found.push(...cutAt(tuplets, from, i));
    from = -1;
  });
  return found;
}

/** A beam in as many pieces as tuplets overlap it; one note alone keeps its flag. */
function cutAt(tuplets: readonly Group[], from: number, to: number): Group[] {
  const cuts = new Set<number>();
  for (const one of tuplets) {
    if (one.from > from && one.from <= to && one.to > to) cuts.add(one.from);
    if (one.from < from && one.to >= from && one.to < to) cuts.add(one.to + 1);
  }
  const edges = [from, ...[...cuts].sort((a, b) => a - b), to + 1];
  return edges
    .slice(0, -1)
    .map((begin, e): Group => ({ from: begin, to: edges[e + 1]! - 1, name: 'beam', attributes: {} }))
    .filter((piece) => piece.to > piece.from);
}

/** Two symbols that alternate. */
function tremolosOf(symbols: readonly SymbolInBar[]): Group[] {
  return symbols.flatMap(({ marks }, i): Group[] =>
    marks?.alternating === 'first' && symbols[i + 1]?.marks?.alternating === 'second'
      ? [{ from: i, to: i + 1, name: 'fTrem', attributes: { beams: marks.tremolo ?? 3 } }]
      : [],
  );
}
