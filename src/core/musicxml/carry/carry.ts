/*
 * Carrying: what a score says and our model does not hold goes out as it came, with its note, bar or part, wherever that
 * is not written anew.
 *
 *     received   bar 3: C5 stopped, harp pedals        decided   C5 is an octave lower in bar 7
 *     written    bar 3: C5          (the model has none)
 *     carried    bar 3: C5 stopped, harp pedals        bar 7 keeps what hangs on its other notes
 */
import { child, numberOf, textOf, type XmlNode } from '../read/xml-tree';
import { gradualWords } from '../../marks';
import { graft, withoutLayout, type GraftOptions } from './graft';
import { asOfOld } from './later';
import { putInOrder } from './order';
import { placed, samePlace, type Placed, type PlacedMeasure, type PlacedNote } from './placed';
import type { SourcePart, SourceScore } from './source';
import { treeText } from './tree-text';
import { isHeldDirection } from './understood';

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
  const old = root.attributes.version === '3.0';
  const from = old ? asOld(source) : source;
  carryHead(root, from, partOf);
  root.children
    .filter(({ name }) => name === 'part')
    .forEach((part, p) => {
      const own = from.parts[partOf[p] ?? -1];
      if (own) carryPart(part, own);
    });
  return head + treeText(root);
}

/** As the older version of the standard has it. */
const asOld = ({ head, parts }: SourceScore): SourceScore => ({
  head: asOfOld(head) ?? head,
  parts: parts.map(({ declared, measures }) => ({
    declared: asOfOld(declared) ?? declared,
    measures: measures.map((measure) => asOfOld(measure) ?? { ...measure, children: [] }),
  })),
});

function carryHead(root: XmlNode, { head, parts }: SourceScore, partOf: readonly (number | null)[]): void {
  const titled = child(head, 'work') ?? { name: 'work', attributes: {}, children: [], text: '', line: 0 };
  for (const name of ['work', 'identification'] as const) {
    const own = child(head, name);
    const ours = child(root, name);
    if (own && ours) graft(ours, own);
    else if (own && own.children.some((one) => one.name !== 'work-title')) putInOrder(root, withoutLayout(own));
  }
  const title = textOf(titled, 'work-title') || textOf(head, 'movement-title') || '';
  const same = title === (textOf(child(root, 'work'), 'work-title') ?? '');
  for (const one of head.children) {
    // Where the title was changed, what stands on the first page would contradict it.
    const named = one.name === 'movement-title' || one.name === 'credit';
    if (one.name === 'movement-number' || one.name === 'defaults' || (named && same))
      putInOrder(root, withoutLayout(one));
  }
  const list = child(root, 'part-list')!;
  const declared = list.children.filter(({ name }) => name === 'score-part');
  declared.forEach((part, p) => {
    const own = parts[partOf[p] ?? -1];
    if (own) graft(part, own.declared);
  });
  if (partOf.length === parts.length && partOf.every((from, p) => from === p)) carryGroups(list, head, declared);
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
  const numbers = new Map(given.map((one, g) => [one.measure.attributes.number, g]));
  // Where bars were put in or taken out, numbers that are there once say which is which.
  const unique = numbers.size === given.length;
  const byNumber = (bar: Bar) => (unique ? numbers.get(bar.measure.attributes.number) : undefined);
  const dashes = new Set<string>();
  bars.forEach((bar, b) => {
    const g = bars.length === given.length ? b : byNumber(bar);
    if (g === undefined) return;
    carryBar(bar, given[g]!, dashes, numberOfBar(bars[b - 1]) === numberOfBar(given[g - 1]));
  });
}

const numberOfBar = (bar: Bar | undefined) => bar?.measure.attributes.number;

/** “12a” stays what it is where the bars before it have their numbers. */
function carryNumber(to: XmlNode, { attributes: { number } }: XmlNode): void {
  if (number !== undefined && number !== '' && !/^\d+$/.test(number)) to.attributes.number = number;
}

interface Bar {
  measure: XmlNode;
  found: PlacedMeasure;
}

/** @param asNumbered the bar before has its number */
function carryBar(to: Bar, from: Bar, dashes: Set<string>, asNumbered: boolean): void {
  const pairs = pairsOf(to.found.notes, from.found.notes);
  const sounding = (bar: Bar) => bar.found.notes.filter(({ rest }) => !rest).length;
  const whole = pairs.filter(([note]) => !note.rest).length === sounding(to) && sounding(to) === sounding(from);
  for (const [note, given] of pairs) carryNote(note.node, given.node, whole);
  graft(to.measure, { ...from.measure, children: [] });
  if (asNumbered) carryNumber(to.measure, from.measure);
  const insert = new Insertions(to);
  for (const one of from.found.others) carryBeside(to, one, insert, dashes);
  insert.done();
}

/** Notes that are the same in both, each once. */
function pairsOf(to: readonly PlacedNote[], from: readonly PlacedNote[]): [PlacedNote, PlacedNote][] {
  const given = new Map<string, PlacedNote[]>();
  for (const note of from) {
    const list = given.get(note.key);
    if (list) list.push(note);
    else given.set(note.key, [note]);
  }
  return to.flatMap((note) => {
    const found = given.get(note.key)?.shift();
    return found ? [[note, found] as [PlacedNote, PlacedNote]] : [];
  });
}

/** @param whole all of the bar is as it came: so are its beams and stems */
function carryNote(note: XmlNode, given: XmlNode, whole: boolean): void {
  const options: GraftOptions = { unpitched: child(note, 'unpitched') !== undefined };
  const numbered = (node: XmlNode, name: string) => node.children.filter((one) => one.name === name);
  if (whole)
    for (const name of ['stem', 'beam']) {
      if (name === 'stem' && numbered(given, name).length === 0) continue;
      note.children = note.children.filter((one) => one.name !== name);
      for (const one of numbered(given, name)) putInOrder(note, withoutLayout(one));
    }
  graft(note, { ...given, children: given.children.filter(({ name }) => name !== 'stem' && name !== 'beam') }, options);
}

function carryBeside(to: Bar, { node, at }: Placed, insert: Insertions, dashes: Set<string>): void {
  const here = (name: string) => to.found.others.filter((one) => one.node.name === name && samePlace(one.at, at));
  switch (node.name) {
    case 'attributes': {
      const ours = here('attributes')[0]?.node;
      const kept = node.children.filter(({ name }) => name !== 'divisions');
      if (ours) graft(ours, { ...node, children: kept });
      else {
        const made: XmlNode = { ...node, children: [] };
        graft(made, { ...node, children: kept });
        if (made.children.length > 0) insert.put(made, at);
      }
      return;
    }
    case 'print': {
      const ours = to.measure.children.find(({ name }) => name === 'print');
      const plain = withoutLayout({ ...node, attributes: withoutBreaks(node) });
      if (ours) graft(ours, node);
      else if (plain.children.length > 0 || Object.keys(plain.attributes).length > 0)
        to.measure.children.unshift(plain);
      return;
    }
    case 'barline':
      carryBarline(to, node, insert);
      return;
    case 'direction':
      carryDirection(to, node, at, insert, dashes);
      return;
    case 'harmony': {
      const ours = here('harmony').find((one) => sameRoot(one.node, node));
      if (ours) graft(ours.node, node);
      return;
    }
    case 'sound':
    case 'figured-bass':
      return;
    default:
      insert.put(withoutLayout(node), at);
  }
}

const withoutBreaks = ({ attributes: { 'new-system': _s, 'new-page': _p, ...others } }: XmlNode) => others;

const sameRoot = (a: XmlNode, b: XmlNode): boolean =>
  textOf(child(a, 'root'), 'root-step') === textOf(child(b, 'root'), 'root-step');

function carryBarline(to: Bar, node: XmlNode, insert: Insertions): void {
  const location = node.attributes.location ?? 'right';
  const ours = to.measure.children.find(
    (one) => one.name === 'barline' && (one.attributes.location ?? 'right') === location,
  );
  const made: XmlNode = { ...node, children: [] };
  const style = textOf(node, 'bar-style');
  graft(ours ?? made, ours && textOf(ours, 'bar-style') !== style ? withoutStyle(node) : node);
  if (ours || made.children.length === 0) return;
  if (location === 'left') insert.first(made);
  else if (location === 'right') insert.last(made);
}

const withoutStyle = (node: XmlNode): XmlNode => ({
  ...node,
  children: node.children.filter(({ name }) => name !== 'bar-style'),
});

/** What a direction shows: one element or several, each in a frame of its own. */
const typesOf = (direction: XmlNode): XmlNode[] =>
  direction.children.flatMap((one) => (one.name === 'direction-type' ? one.children : []));

function carryDirection(to: Bar, node: XmlNode, at: number, insert: Insertions, dashes: Set<string>): void {
  const staff = numberOf(node, 'staff') ?? 1;
  const here = to.found.others.filter(
    (one) => one.node.name === 'direction' && samePlace(one.at, at) && (numberOf(one.node, 'staff') ?? 1) === staff,
  );
  const alone = (type: XmlNode): XmlNode => ({
    ...withoutLayout(node),
    children: [
      { ...type, name: 'direction-type', attributes: {}, children: [withoutLayout(type)], text: '' },
      // What is heard of it is said elsewhere.
      ...node.children.filter(({ name }) => !['direction-type', 'sound', 'offset'].includes(name)).map(withoutLayout),
    ],
  });
  for (const type of typesOf(node)) {
    const ours = here.find((one) => typesOf(one.node).some((other) => sameType(other, type)));
    if (ours) {
      graft({ ...ours.node, children: [] }, { ...node, children: [] });
      graft(
        typesOf(ours.node).find((other) => sameType(other, type))!,
        type,
      );
    } else if (type.name === 'dashes') {
      if (goesAlong(node, type, dashes)) insert.put(alone(type), at);
    } else if (!isHeldDirection(type)) insert.put(alone(type), at);
  }
}

/** Dashes behind words that grow or fade are a hairpin of the model; others are carried, from end to end. */
function goesAlong(node: XmlNode, { attributes: { type, number = '1' } }: XmlNode, dashes: Set<string>): boolean {
  if (type === 'start') {
    const grows = typesOf(node).some(({ name, text }) => name === 'words' && gradualWords(text));
    if (!grows) dashes.add(number);
    return !grows;
  }
  const open = dashes.has(number);
  if (type === 'stop') dashes.delete(number);
  return open;
}

function sameType(a: XmlNode, b: XmlNode): boolean {
  if (a.name !== b.name) return false;
  const [own, other] = [a.children[0], b.children[0]];
  if (a.name === 'dynamics') return own?.name === other?.name && own?.text === other?.text;
  return a.text === b.text && a.attributes.type === b.attributes.type;
}

/** Elements on their way into a measure: put where something begins at their place, else reached by going back and forth. */
class Insertions {
  private readonly waiting: { node: XmlNode; at: number }[] = [];
  private readonly before: XmlNode[] = [];
  private readonly after: XmlNode[] = [];

  constructor(private readonly to: Bar) {}

  put(node: XmlNode, at: number): void {
    this.waiting.push({ node, at });
  }

  first(node: XmlNode): void {
    this.before.push(node);
  }

  last(node: XmlNode): void {
    this.after.push(node);
  }

  done(): void {
    const { measure, found } = this.to;
    const starts = new Map<XmlNode, XmlNode[]>();
    for (const { node, at } of this.waiting) {
      const note = found.notes.find((one) => samePlace(one.at, at) && !child(one.node, 'chord'));
      if (note) starts.set(note.node, [...(starts.get(note.node) ?? []), node]);
      else this.after.unshift(...reached(node, at, found));
    }
    const children = measure.children.flatMap((one) => [...(starts.get(one) ?? []), one]);
    const end = children.findLastIndex(({ name }) => name === 'barline');
    const closes = end >= 0 && (children[end]!.attributes.location ?? 'right') === 'right' ? end : children.length;
    const opens = children[0]?.name === 'print' ? 1 : 0;
    measure.children = [
      ...children.slice(0, opens),
      ...this.before,
      ...children.slice(opens, closes),
      ...this.after,
      ...children.slice(closes),
    ];
  }
}

/** An element at a place where nothing begins. */
function reached(node: XmlNode, at: number, { end, divisions }: PlacedMeasure): XmlNode[] {
  const away = Math.round((end - at) * divisions);
  const go = (name: string): XmlNode => ({
    name,
    attributes: {},
    children: [{ name: 'duration', attributes: {}, children: [], text: String(Math.abs(away)), line: 0 }],
    text: '',
    line: 0,
  });
  if (away === 0) return [node];
  return away > 0 ? [go('backup'), node, go('forward')] : [go('forward'), node, go('backup')];
}
