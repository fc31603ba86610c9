/*
 * Carrying: what a score says and our model does not hold goes out as it came, with its note, bar or part, wherever that
 * is not written anew.
 *
 *     received   bar 3: C5 stopped, harp pedals        decided   C5 is an octave lower in bar 7
 *     written    bar 3: C5          (the model has none)
 *     carried    bar 3: C5 stopped, harp pedals        bar 7 keeps what hangs on its other notes
 */
import { child, textOf, type XmlNode } from '../read/xml-tree';
import { carryBar } from './carry-bar';
import type { Bar } from './carrying';
import { graft, withoutLayout } from './graft';
import { asOfOld } from './later';
import { putInOrder } from './order';
import { placed } from './placed';
import type { SourcePart, SourceScore } from './source';
import { treeText } from './tree-text';
import { isHeld } from './understood';

/** Our file before it is text: the lines before its root, and that. */
export interface WrittenTree {
  head: string;
  root: XmlNode;
}

/**
 * @param written our file; changed in place
 * @param partOf which part of the source each written part is; null for none of them
 * @returns its text with what is carried
 */
export function carryOver(
  { head, root }: WrittenTree,
  source: SourceScore,
  partOf: readonly (number | null)[],
): string {
  const from = root.attributes.version === '3.0' ? asOld(source, partOf) : source;
  carryHead(root, from, partOf);
  root.children
    .filter(({ name }) => name === 'part')
    .forEach((part, p) => {
      const own = from.parts[partOf[p] ?? -1];
      if (own) carryPart(part, own);
    });
  declareLinks(root);
  // Some of what the model holds, heads and techniques, is later too.
  return head + treeText(root.attributes.version === '3.0' ? (asOfOld(root) ?? root) : root);
}

/** Links are of a standard of their own. */
function declareLinks(root: XmlNode): void {
  const links = ({ attributes, children }: XmlNode): boolean =>
    Object.keys(attributes).some((key) => key.startsWith('xlink:')) || children.some(links);
  if (links(root)) root.attributes['xmlns:xlink'] = 'http://www.w3.org/1999/xlink';
}

/** As the older version of the standard has it; parts that are not written are left as they are. */
const asOld = ({ head, parts }: SourceScore, partOf: readonly (number | null)[]): SourceScore => ({
  head: asOfOld(head) ?? head,
  parts: parts.map((part, p) =>
    partOf.includes(p)
      ? {
          declared: asOfOld(part.declared) ?? part.declared,
          measures: part.measures.map((measure) => asOfOld(measure) ?? { ...measure, children: [] }),
        }
      : part,
  ),
});

function carryHead(root: XmlNode, { head, parts }: SourceScore, partOf: readonly (number | null)[]): void {
  carryWork(root, head);
  carryFirstPage(root, head, partOf.length === 1 && parts.length > 1);
  const list = child(root, 'part-list')!;
  const declared = list.children.filter(({ name }) => name === 'score-part');
  declared.forEach((part, p) => {
    const own = parts[partOf[p] ?? -1];
    if (own) graft(part, own.declared);
  });
  if (partOf.length === parts.length && partOf.every((from, p) => from === p)) carryGroups(list, head, declared);
}

function carryWork(root: XmlNode, head: XmlNode): void {
  for (const name of ['work', 'identification']) {
    const own = child(head, name);
    const ours = child(root, name);
    if (own && ours) graft(ours, own);
    const kept = own?.children.filter((one) => !isHeld(name, one.name)) ?? [];
    if (own && !ours && kept.length > 0) putInOrder(root, withoutLayout({ ...own, children: kept }));
  }
}

const titleOf = (head: XmlNode): string =>
  textOf(child(head, 'work'), 'work-title') || textOf(head, 'movement-title') || '';

/** Where the title was changed, what stands on the first page would contradict it; a part alone has a page of its own. */
function carryFirstPage(root: XmlNode, head: XmlNode, alone: boolean): void {
  const same = titleOf(head) === titleOf(root);
  const carried: Readonly<Record<string, boolean>> = {
    'movement-number': true,
    'movement-title': same,
    credit: same && !alone,
    defaults: !alone,
  };
  for (const one of head.children) if (carried[one.name]) putInOrder(root, withoutLayout(one));
}

/** Where all parts stand as they came, so do their groups. */
function carryGroups(list: XmlNode, head: XmlNode, declared: readonly XmlNode[]): void {
  const given = child(head, 'part-list');
  if (!given?.children.some(({ name }) => name === 'part-group')) return;
  let next = 0;
  list.children = given.children.flatMap((one) => {
    if (one.name === 'part-group') return [withoutLayout(one)];
    return one.name === 'score-part' && declared[next] ? [declared[next++]!] : [];
  });
  list.children.push(...declared.slice(next));
}

function carryPart(part: XmlNode, own: SourcePart): void {
  let [ours, theirs] = [1, 1];
  const bars = part.children.map((measure) => {
    const found = placed(measure, ours);
    ours = found.divisions;
    return { measure, found };
  });
  const given = own.measures.map((measure) => {
    const found = placed(measure, theirs);
    theirs = found.divisions;
    return { measure, found };
  });
  const numbers = new Map(given.map((one, g) => [numberOfBar(one), g]));
  // Where bars were put in or taken out, numbers that are there once say which is which.
  const counts = new Map<string | undefined, number>();
  for (const bar of bars) counts.set(numberOfBar(bar), (counts.get(numberOfBar(bar)) ?? 0) + 1);
  const unique = numbers.size === given.length;
  const byNumber = (bar: Bar) =>
    unique && counts.get(numberOfBar(bar)) === 1 ? numbers.get(numberOfBar(bar)) : undefined;
  const open = new Set<string>();
  bars.forEach((bar, b) => {
    const g = bars.length === given.length ? b : byNumber(bar);
    if (g === undefined) return;
    carryBar(bar, given[g]!, open, numberOfBar(bars[b - 1]) === numberOfBar(given[g - 1]));
  });
}

const numberOfBar = (bar: Bar | undefined) => bar?.measure.attributes.number;
