/* Which staves there are: groups, names, clefs, signatures, strings; and what of it changes before a bar. */
import {
  changesSignature,
  clefsAt,
  naturalName,
  partGroups,
  stavesOf,
  transpositionAt,
  type Part,
  type PartGroup,
  type Score,
} from '../score';
import { instrumentById } from '../instruments';
import { sameMeter } from '../time';
import { mei, type MeiNode } from './tree';
import { clefNode, keyNode, meterNode } from './values';

/** The first staff of each part, from 1. */
export function firstStaves(parts: readonly Part[]): Map<Part, number> {
  const first = new Map<Part, number>();
  let staff = 1;
  for (const part of parts) {
    first.set(part, staff);
    staff += stavesOf(part);
  }
  return first;
}

/** All staves: brackets by family, braces for one player's two. */
export function staffGroups(score: Score, first: ReadonlyMap<Part, number>): MeiNode {
  const { parts } = score;
  const groups = partGroups(parts);
  const build = (from: number, to: number, within: readonly PartGroup[]): MeiNode[] => {
    const nodes: MeiNode[] = [];
    for (let p = from; p <= to; p++) {
      const group = within.find((one) => one.first === p);
      if (!group) {
        nodes.push(partStaves(score, parts[p]!, first.get(parts[p]!)!));
        continue;
      }
      const inside = within.filter((one) => one !== group && one.first >= group.first && one.last <= group.last);
      nodes.push(mei('staffGrp', groupAttributes(group, parts), build(group.first, group.last, inside)));
      p = group.last;
    }
    return nodes;
  };
  return mei('staffGrp', {}, build(0, parts.length - 1, groups));
}

/** Barlines run through a family, not only through its like instruments; between singers stand their words. */
function groupAttributes({ symbol, first }: PartGroup, parts: readonly Part[]) {
  const through = symbol === 'bracket' && instrumentById(parts[first]!.instrument).family !== 'voice';
  return { symbol, 'bar.thru': symbol === 'bracket' ? String(through) : undefined };
}

function partStaves(score: Score, part: Part, first: number): MeiNode {
  const { name, abbreviation } = part;
  // On its own pages a player knows whose part it is.
  const short = score.parts.length > 1 && abbreviation;
  const names = [name && mei('label', {}, name), short && mei('labelAbbr', {}, short)];
  const count = stavesOf(part);
  const staves = Array.from({ length: count }, (_, s) => staffDef(score, part, s, first + s, count === 1 ? names : []));
  return count === 1 ? staves[0]! : mei('staffGrp', { symbol: 'brace', 'bar.thru': 'true' }, names, staves);
}

function staffDef(score: Score, part: Part, s: number, n: number, names: Parameters<typeof mei>[2][]): MeiNode {
  const { tablature } = part;
  const [bar] = score.bars;
  const meter = part.localMeters?.[0] ?? bar?.meter;
  const asTablature = tablature !== null && (tablature.show === 'tablature' || s >= part.clefs.length);
  const signature = meter && meterNode(meter, bar?.free);
  if (asTablature)
    return mei(
      'staffDef',
      { n, lines: tablature.tuning.length, notationtype: 'tab.guitar' },
      names,
      mei('clef', { shape: 'TAB', line: 5 }),
      mei(
        'tuning',
        {},
        tablature.tuning.map((key, i) => {
          const { step, alter, octave } = naturalName(key);
          const accid = alter < 0 ? 'f' : undefined;
          return mei('course', { n: tablature.tuning.length - i, pname: step.toLowerCase(), oct: octave, accid });
        }),
      ),
      signature,
    );
  const { transposition, transpositionSteps } = transpositionAt(part, 0);
  return mei(
    'staffDef',
    {
      n,
      lines: part.unpitched ? part.staffLines : 5,
      'trans.diat': transpositionSteps === 0 ? undefined : -transpositionSteps,
      'trans.semi': transposition === 0 ? undefined : -transposition,
    },
    names,
    clefNode(clefsAt(part, 0)[s]!),
    !part.unpitched && score.keys.length > 0 && keyNode(part.writtenKeys[0]!),
    signature,
  );
}

/** Signatures that begin with a bar, staff by staff; null where none does. */
export function changesBefore(score: Score, index: number, first: ReadonlyMap<Part, number>): MeiNode | null {
  const [bar, before] = [score.bars[index]!, score.bars[index - 1]];
  if (!before) return null;
  const k = score.keys.findIndex((key) => key.bar === index && !key.at);
  const definitions = score.parts.flatMap((part) => {
    const key = k >= 0 && !part.unpitched && changesSignature(score, part, k);
    const [meter, last] = [part.localMeters?.[index] ?? bar.meter, part.localMeters?.[index - 1] ?? before.meter];
    const newMeter = !sameMeter(last, meter) || before.free !== bar.free;
    if (!key && !newMeter) return [];
    return Array.from({ length: stavesOf(part) }, (_, s) =>
      mei(
        'staffDef',
        { n: first.get(part)! + s },
        key && s < part.clefs.length && part.tablature?.show !== 'tablature' && keyNode(part.writtenKeys[k]!),
        newMeter && meterNode(meter, bar.free),
      ),
    );
  });
  return definitions.length > 0 ? mei('scoreDef', {}, mei('staffGrp', {}, definitions)) : null;
}
